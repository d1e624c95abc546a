import Button from '@mui/material/Button';
import { useFieldArray } from 'react-hook-form';
import { Acts } from '../../kit-of-parts/Acts';
import { FormChoice } from '../../kit-of-parts/form/FormChoice';
import { FormText } from '../../kit-of-parts/form/FormText';
import { Group } from '../../kit-of-parts/Group';
import { Remove } from '../../kit-of-parts/Remove';
import type { SetupControl } from './setup-form';

/** Pairs of circuits that may not lie in one row, or in one opening. */
export function ApartFields({ control }: { readonly control: SetupControl }) {
  const { fields, append, remove } = useFieldArray({ control, name: 'apart' });
  return (
    <Group title="Kept apart">
      {fields.map((rule, i) => (
        <Acts key={rule.id} label={`Rule ${i + 1}`}>
          <FormText control={control} name={`apart.${i}.a`} label="circuit" width={120} maxLength={40} />
          <span>and</span>
          <FormText
            control={control}
            name={`apart.${i}.b`}
            label="other circuit"
            width={120}
            maxLength={40}
          />
          <span>not in one</span>
          <FormChoice
            control={control}
            name={`apart.${i}.by`}
            label="kept apart by"
            width={124}
            options={[
              ['row', 'row'],
              ['opening', 'opening'],
            ]}
          />
          <Remove label={`remove rule ${i + 1}`} onClick={() => remove(i)} />
        </Acts>
      ))}
      <Button size="small" onClick={() => append({ a: 'power', b: 'control', by: 'row' })}>
        Keep two circuits apart
      </Button>
    </Group>
  );
}
