import TableCell from '@mui/material/TableCell';
import { useFieldArray, type UseFormReturn } from 'react-hook-form';
import type { SealMember, SealView } from '@/core/crossing';
import { CellField } from '../../../kit-of-parts/CellField';
import { typedText } from '../../../kit-of-parts/form/typed';
import { Group } from '../../../kit-of-parts/Group';
import { MemberLine, MemberTable } from '../../setup/MemberTable';
import { PassingCable } from '../../setup/PassingCable';
import { useMemberCells } from '../../setup/use-member-cells';
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
        <MemberTable heads={['Circuit', ...(bundled ? ['Bundle'] : [])]}>
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
        </MemberTable>
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
  const cell = useMemberCells(form, `members.${at}`);
  return (
    <MemberLine member={member} known={known} onRemove={onRemove}>
      <TableCell>
        <CellField {...cell(`members.${at}.circuit`, typedText)} label={`circuit of ${member.tag}`} />
      </TableCell>
      {bundled ? (
        <TableCell>
          <CellField {...cell(`members.${at}.bundle`, typedText)} label={`bundle of ${member.tag}`} />
        </TableCell>
      ) : null}
    </MemberLine>
  );
}
