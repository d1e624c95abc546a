import TableCell from '@mui/material/TableCell';
import { memo } from 'react';
import { useFieldArray, type UseFormReturn } from 'react-hook-form';
import type { FrameMember, FrameView } from '@/core/crossing';
import { CellField } from '../../kit-of-parts/CellField';
import { typedNumber, typedText } from '../../kit-of-parts/form/typed';
import { Group } from '../../kit-of-parts/Group';
import { MemberLine, MemberTable } from './MemberTable';
import { PassingCable } from './PassingCable';
import { useMemberCells } from './use-member-cells';
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
      <MemberTable heads={['Circuit', 'Front', 'Back']}>
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
      </MemberTable>
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
  const cell = useMemberCells(form, `members.${at}`);
  return (
    <MemberLine member={member} known={known} onRemove={onRemove}>
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
    </MemberLine>
  );
}
