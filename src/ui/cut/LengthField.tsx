'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import InputAdornment from '@mui/material/InputAdornment';
import { TextField } from '../kit-of-parts/TextField';
import { useRef, useState, type ReactNode } from 'react';
import { formatInchFraction, parseLength, trimNumber, type LengthUnit } from '@/core/units';
import { useTyped } from '../common/use-typed';
import { Acts } from '../kit-of-parts/Acts';
import { Panel } from '../kit-of-parts/Panel';
import { Problems } from '../kit-of-parts/Problems';
import type { CommandName } from '../data/contract';
import { useWhoElse } from '../shell/may';
import type { RowConflict } from '../schedule/schedule-types';
import { useEditRow } from '../schedule/use-edit-row';
import type { StationProps } from '../termination/station-props';
import { useRun } from '../termination/use-run';

interface SavedProps {
  /** What saving it asks for: whoever may not do that only reads it. */
  readonly what: CommandName;
  readonly name: string;
  readonly label: string;
  readonly unit: string;
  readonly text: string;
  readonly placeholder: string;
  readonly width?: number;
  readonly wrong: boolean;
  /** The same in the other unit, shown while the cursor is in it. */
  readonly other?: string;
  readonly onType: (text: string) => void;
  readonly onSave: () => void;
  readonly onLeave: () => void;
  readonly children: ReactNode;
}

/** A field that is saved when it is left or by Enter, and left as it was by Escape; what is to be said of it stands under it. */
export function SavedField({ what, name, label, unit, width = 190, ...field }: SavedProps) {
  const [here, setHere] = useState(false);
  const others = useWhoElse(what);
  const reads = others !== undefined;
  return (
    <Box sx={{ minWidth: 170 }}>
      <TextField
        name={name}
        label={label}
        value={field.text}
        placeholder={reads ? 'nothing typed' : field.placeholder}
        error={field.wrong}
        onChange={(e) => field.onType(e.target.value)}
        helperText={here ? (field.other ?? '') : reads ? `For a ${others}.` : undefined}
        onFocus={() => setHere(true)}
        onBlur={() => {
          setHere(false);
          if (!reads) field.onSave();
        }}
        onKeyDown={(e) => {
          if (e.key === 'Enter' && !reads) field.onSave();
          if (e.key === 'Escape') field.onLeave();
        }}
        slotProps={{
          input: { readOnly: reads, endAdornment: <InputAdornment position="end">{unit}</InputAdornment> },
        }}
        sx={{ width, '& input': { fontSize: 18, fontWeight: 650 } }}
      />
      {field.children}
    </Box>
  );
}

/** A typed length in the unit that it was not typed in; empty while it cannot be read. */
function otherUnit(text: string, unit: LengthUnit): string {
  const read = parseLength(text, unit);
  if (!read.ok || text.trim() === '') return '';
  const { mm } = read.value;
  return unit === 'mm' ? `${formatInchFraction(mm, 16)} in` : `${trimNumber(mm, 1)} mm`;
}

interface Props extends Pick<StationProps, 'view'> {
  readonly name: string;
  readonly label: string;
  readonly field: string;
  readonly valueMm: number | null;
}

/** One length, edited in place and saved at once; when somebody was faster, both values are shown. */
export function LengthField({ name, label, field, valueMm, view }: Props) {
  const shown =
    valueMm === null ? '' : view.job.unit === 'mm' ? trimNumber(valueMm, 1) : formatInchFraction(valueMm, 16);
  const typed = useTyped(shown, view.versions);
  const { text } = typed;
  const [conflict, setConflict] = useState<RowConflict | null>(null);
  const editRow = useEditRow(view.job);
  const { run, problems } = useRun();
  const saving = useRef(false);
  const save = async (versions = typed.version) => {
    if (saving.current || (!typed.dirty && conflict === null)) return;
    saving.current = true;
    const result = await run(
      () => editRow(view.cableId, versions, { [field]: text }),
      undefined,
      (outcome) => 'saved' in outcome,
    );
    saving.current = false;
    if (!result.ok) return;
    if ('conflict' in result.value) {
      setConflict(result.value.conflict);
      return;
    }
    setConflict(null);
    typed.follow();
  };
  return (
    <SavedField
      what="editCable"
      name={name}
      label={label}
      unit={view.job.unit}
      text={text}
      other={otherUnit(text, view.job.unit)}
      placeholder="not known"
      wrong={problems.length > 0}
      onType={typed.type}
      onSave={() => void save()}
      onLeave={typed.follow}
    >
      <Problems problems={problems} />
      {conflict ? (
        <Panel label={`${label}: somebody was faster`} stop>
          <div role="alert">
            {conflict.by ?? 'Somebody'} has set this to <b>{conflict.values[field] || 'nothing'}</b>{' '}
            meanwhile; you typed <b>{text || 'nothing'}</b>.
          </div>
          <Acts>
            <Button
              size="small"
              variant="outlined"
              onClick={() => {
                typed.follow();
                setConflict(null);
              }}
            >
              Keep theirs
            </Button>
            <Button size="small" variant="outlined" onClick={() => void save(conflict.versions)}>
              Write mine
            </Button>
          </Acts>
        </Panel>
      ) : null}
    </SavedField>
  );
}
