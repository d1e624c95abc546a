import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { memo } from 'react';
import { useFieldArray, useFormState, type FieldPath, type UseFormReturn } from 'react-hook-form';
import type { FrameMember, FrameView } from '@/core/crossing';
import { CellField } from '../../kit-of-parts/CellField';
import { DataTable } from '../../kit-of-parts/DataTable';
import { typedNumber, typedText } from '../../kit-of-parts/form/typed';
import { Group } from '../../kit-of-parts/Group';
import { Remove } from '../../kit-of-parts/Remove';
import { KnownDiameterCell } from './KnownDiameterCell';
import { PassingCable } from './PassingCable';
import { Waiting } from './Waiting';
import type { SetupForm } from './setup-form';

interface Props {
  readonly form: UseFormReturn<SetupForm>;
  readonly schedule: FrameView['schedule'];
}

/** Drawn anew only when its cables change: a plan that runs beside it, and the other fields, leave hundreds of lines alone. */
export const MemberFields = memo(Members);

/** The cables that go through, with their circuits and the trays that they come from; more from the schedule, or passing through. */
function Members({ form, schedule }: Props) {
  const { fields, append, remove } = useFieldArray({ control: form.control, name: 'members' });
  const known = new Map(schedule.map((s) => [s.tag, s.diameter]));
  const inside = new Set(fields.map((m) => m.tag));
  return (
    <Group title={`${fields.length} cables go through`}>
      <DataTable label="Cables">
        <TableHead>
          <TableRow>
            {['Cable', 'Diameter, mm', 'Circuit', 'Front', 'Back'].map((head) => (
              <TableCell key={head} scope="col">
                {head}
              </TableCell>
            ))}
            <TableCell />
          </TableRow>
        </TableHead>
        <TableBody>
          {fields.map((member, i) => (
            <MemberRow
              key={member.id}
              form={form}
              member={member}
              at={i}
              known={known.get(member.tag) ?? null}
              onRemove={() => remove(i)}
            />
          ))}
        </TableBody>
      </DataTable>
      <Waiting
        waiting={schedule.filter((s) => !inside.has(s.tag))}
        onAdd={(tag) => append({ tag, diameter: undefined })}
      />
      <PassingCable taken={inside} onAdd={append} />
    </Group>
  );
}

interface RowProps {
  readonly form: UseFormReturn<SetupForm>;
  readonly member: FrameMember;
  readonly at: number;
  readonly known: FrameView['schedule'][number]['diameter'];
  readonly onRemove: () => void;
}

function MemberRow({ form, member, at, known, onRemove }: RowProps) {
  const { register, getFieldState, control } = form;
  const formState = useFormState({ control, name: `members.${at}` });
  const cell = (name: FieldPath<SetupForm>, read: (typed: unknown) => unknown) => {
    const { ref, ...field } = register(name, { setValueAs: read });
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
        <CellField {...cell(`members.${at}.circuit`, typedText)} label={`circuit of ${member.tag}`} />
      </TableCell>
      {(['front', 'back'] as const).map((side) => (
        <TableCell key={side}>
          <CellField
            {...cell(`members.${at}.${side}`, typedNumber)}
            label={`tray position of ${member.tag}, ${side}`}
            inputMode="numeric"
            width={56}
          />
        </TableCell>
      ))}
      <TableCell>
        <Remove label={`leave ${member.tag} out`} onClick={onRemove} />
      </TableCell>
    </TableRow>
  );
}
