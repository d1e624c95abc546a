import Box from '@mui/material/Box';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useFieldArray, useFormState, type FieldPath, type UseFormReturn } from 'react-hook-form';
import type { SealMember, SealView } from '@/core/crossing';
import { CellField } from '../../../kit-of-parts/CellField';
import { DataTable } from '../../../kit-of-parts/DataTable';
import { typedText } from '../../../kit-of-parts/form/typed';
import { Group } from '../../../kit-of-parts/Group';
import { Remove } from '../../../kit-of-parts/Remove';
import { KnownDiameterCell } from '../../setup/KnownDiameterCell';
import { PassingCable } from '../../setup/PassingCable';
import { Waiting } from '../../setup/Waiting';
import type { SealForm } from './seal-form';

interface Props {
  readonly form: UseFormReturn<SealForm>;
  readonly view: SealView;
}

/** The cables that go through, with their circuits, and in a wrap with the bundle that each lies in. */
export function SealMembers({ form, view }: Props) {
  const { fields, append, remove } = useFieldArray({ control: form.control, name: 'members' });
  const known = new Map(view.schedule.map((s) => [s.tag, s.diameter]));
  const inside = new Set(fields.map((m) => m.tag));
  const bundled = view.kind === 'wrap';
  const one = view.kind === 'plug';
  return (
    <Group
      title={
        fields.length === 0
          ? bundled
            ? 'Nothing goes through: a blank stub'
            : 'Nothing goes through yet'
          : `${fields.length} ${fields.length === 1 ? 'cable goes' : 'cables go'} through`
      }
    >
      {fields.length === 0 ? null : (
        <DataTable label="Cables">
          <TableHead>
            <TableRow>
              {['Cable', 'Diameter, mm', 'Circuit', ...(bundled ? ['Bundle'] : [])].map((head) => (
                <TableCell key={head} scope="col">
                  {head}
                </TableCell>
              ))}
              <TableCell />
            </TableRow>
          </TableHead>
          <TableBody>
            {fields.map((member, i) => (
              <Row
                key={member.id}
                form={form}
                member={member}
                at={i}
                bundled={bundled}
                known={known.get(member.tag) ?? null}
                onRemove={() => remove(i)}
              />
            ))}
          </TableBody>
        </DataTable>
      )}
      {one && fields.length > 0 ? null : (
        <>
          <Waiting
            waiting={view.schedule.filter((s) => !inside.has(s.tag))}
            most={8}
            onAdd={(tag) => append({ tag, diameter: undefined })}
          />
          <PassingCable taken={inside} onAdd={append} />
        </>
      )}
    </Group>
  );
}

interface RowProps {
  readonly form: UseFormReturn<SealForm>;
  readonly member: SealMember;
  readonly at: number;
  readonly bundled: boolean;
  readonly known: SealView['schedule'][number]['diameter'];
  readonly onRemove: () => void;
}

function Row({ form, member, at, bundled, known, onRemove }: RowProps) {
  const { register, getFieldState, control } = form;
  const formState = useFormState({ control, name: `members.${at}` });
  const cell = (name: FieldPath<SealForm>) => {
    const { ref, ...field } = register(name, { setValueAs: typedText });
    const { invalid, error } = getFieldState(name, formState);
    return { ...field, inputRef: ref, error: invalid, helperText: error?.message };
  };
  return (
    <TableRow sx={{ '& > *': { whiteSpace: 'nowrap', verticalAlign: 'baseline' } }}>
      <TableCell component="th" scope="row">
        {member.tag}
      </TableCell>
      <KnownDiameterCell own={member.diameter} known={known} />
      <TableCell>
        <CellField {...cell(`members.${at}.circuit`)} label={`circuit of ${member.tag}`} />
      </TableCell>
      {bundled ? (
        <TableCell>
          <CellField {...cell(`members.${at}.bundle`)} label={`bundle of ${member.tag}`} />
        </TableCell>
      ) : null}
      <TableCell>
        <Box sx={{ display: 'inline-block' }}>
          <Remove label={`leave ${member.tag} out`} onClick={onRemove} />
        </Box>
      </TableCell>
    </TableRow>
  );
}
