import Button from '@mui/material/Button';
import { TextField } from '../../kit-of-parts/TextField';
import { useState } from 'react';
import type { CrossingMember } from '@/core/crossing';
import { readNumber } from '../../common/read-number';
import { Acts } from '../../kit-of-parts/Acts';
import { NumberFields, type NumberField } from '../../kit-of-parts/NumberFields';

interface Props {
  readonly taken: ReadonlySet<string>;
  readonly onAdd: (member: CrossingMember) => void;
}

export const DIAMETERS: readonly NumberField<'min' | 'max'>[] = [
  { key: 'min', name: 'min', label: 'smallest', unit: 'mm' },
  { key: 'max', name: 'max', label: 'largest', unit: 'mm' },
];
const NOTHING = { min: '', max: '' };

/** The interval that two fields stand for; one alone is both. Null where it is none. */
export function intervalOf({ min, max }: typeof NOTHING): { min: number; max: number } | null {
  const [lo, hi] = [readNumber(min), readNumber(max === '' ? min : max)];
  return lo > 0 && hi >= lo ? { min: lo, max: hi } : null;
}

/** A cable that is not in the schedule and only passes through. */
export function PassingCable({ taken, onAdd }: Props) {
  const [tag, setTag] = useState('');
  const [texts, setTexts] = useState(NOTHING);
  const name = tag.trim();
  const diameter = intervalOf(texts);
  const why =
    name === '' && texts.min === ''
      ? ''
      : taken.has(name)
        ? `${name} is in the list already`
        : name === ''
          ? 'a tag is needed'
          : diameter === null
            ? 'smallest and largest diameter in mm, the smaller first'
            : '';
  return (
    <Acts label="Passing through">
      <TextField
        label="Passing through"
        placeholder="tag"
        value={tag}
        onChange={(e) => setTag(e.target.value)}
        slotProps={{ htmlInput: { maxLength: 40, 'aria-label': 'tag of a passing cable' } }}
        sx={{ width: 140 }}
      />
      <NumberFields fields={DIAMETERS} values={texts} onChange={setTexts} width={120} />
      <Button
        size="small"
        disabled={name === '' || why !== ''}
        onClick={() => {
          if (diameter === null) return;
          onAdd({ tag: name, diameter });
          setTag('');
          setTexts(NOTHING);
        }}
      >
        Add
      </Button>
      {why ? <small role="status">{why}</small> : null}
    </Acts>
  );
}
