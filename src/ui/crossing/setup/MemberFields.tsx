import Box from '@mui/material/Box';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { TextField } from '../../kit-of-parts/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import { memo, useState } from 'react';
import { useFieldArray, useFormState, type FieldPath, type UseFormReturn } from 'react-hook-form';
import type { CrossingMember, CrossingView } from '@/core/crossing';
import { trimNumber } from '@/core/units';
import { Acts } from '../../kit-of-parts/Acts';
import { CellField } from '../../kit-of-parts/CellField';
import { DataTable } from '../../kit-of-parts/DataTable';
import { typedNumber, typedText } from '../../kit-of-parts/form/typed';
import { Group } from '../../kit-of-parts/Group';
import { Remove } from '../../kit-of-parts/Remove';
import { PassingCable } from './PassingCable';
import type { SetupForm } from './setup-form';

interface Props {
  readonly form: UseFormReturn<SetupForm>;
  readonly schedule: CrossingView['schedule'];
}

/** More of the schedule than these is found by typing. */
const MOST_OFFERED = 40;
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
  readonly member: CrossingMember;
  readonly at: number;
  readonly known: CrossingView['schedule'][number]['diameter'];
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
  const d = member.diameter ?? known?.interval;
  return (
    <TableRow sx={{ '& > *': { whiteSpace: 'nowrap', verticalAlign: 'baseline' } }}>
      <TableCell component="th" scope="row">
        {member.tag}
      </TableCell>
      <TableCell>
        {d ? (
          `${trimNumber(d.min, 2)}–${trimNumber(d.max, 2)}`
        ) : (
          <Box component="em" sx={{ color: 'error.main', fontStyle: 'normal', fontWeight: 600 }}>
            not measured
          </Box>
        )}
        {!member.diameter && known?.nominal ? (
          <Box component="small" sx={{ color: 'warning.main' }}>
            {' '}
            datasheet
          </Box>
        ) : null}
      </TableCell>
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

interface WaitingProps {
  readonly waiting: CrossingView['schedule'];
  readonly onAdd: (tag: string) => void;
}

function Waiting({ waiting, onAdd }: WaitingProps) {
  const [filter, setFilter] = useState('');
  const asked = filter.trim().toLowerCase();
  const found = waiting.filter((s) => s.tag.toLowerCase().includes(asked));
  return (
    <>
      <TextField
        label="From the schedule"
        placeholder="tag"
        value={filter}
        onChange={(e) => setFilter(e.target.value)}
        sx={{ mt: 2, width: 180 }}
      />
      <Acts label="Cables of the schedule">
        {found.slice(0, MOST_OFFERED).map((s) => (
          <ToggleButton key={s.tag} value={s.tag} onClick={() => onAdd(s.tag)}>
            + {s.tag} {s.diameter ? trimNumber(s.diameter.interval.max, 1) : 'not measured'}
          </ToggleButton>
        ))}
        {found.length > MOST_OFFERED ? <span>and {found.length - MOST_OFFERED} more: type a tag</span> : null}
      </Acts>
    </>
  );
}
