'use client';
import Box from '@mui/material/Box';
import InputAdornment from '@mui/material/InputAdornment';
import { TextField } from '../../kit-of-parts/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { cureTime, potLife, type SealPlan, type TimeMode } from '@/core/compound-cure';
import { Acts } from '../../kit-of-parts/Acts';
import { Segments } from '../../kit-of-parts/Segments';
import { minutesWords, readTemperature } from './clock-words';
import { TimeTables } from './TimeTables';

const MODES = [
  ['neighbour', 'By the printed points'],
  ['estimate', 'Estimate between them'],
] as const satisfies readonly (readonly [TimeMode, string])[];

/** Pot life and cure for a temperature of the work. */
export function WorkTimes({ seal }: { readonly seal: SealPlan }) {
  const [text, setText] = useState('20');
  const [mode, setMode] = useState<TimeMode>('neighbour');
  const tempC = readTemperature(text);
  return (
    <Box
      component="section"
      aria-label="Times by temperature"
      sx={{ py: 1.5, borderTop: '2px solid', borderColor: 'divider' }}
    >
      <Acts>
        <TextField
          name="PlanTemperature"
          label="Work at"
          value={text}
          error={tempC === null}
          onChange={(e) => setText(e.target.value)}
          slotProps={{
            htmlInput: { inputMode: 'decimal' },
            input: { endAdornment: <InputAdornment position="end">°C</InputAdornment> },
          }}
          sx={{ width: 120 }}
        />
        <Segments label="How between two printed points" options={MODES} value={mode} onChange={setMode} />
      </Acts>
      <Box component="dl" sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 2, my: 1.25 }}>
        <Time name="Pot life" time={tempC === null ? null : potLife(seal.potLife, tempC, mode)} />
        <Time name="Hard after" time={tempC === null ? null : cureTime(seal.cure, tempC, mode)} />
      </Box>
      <TimeTables seal={seal} tempC={tempC} />
    </Box>
  );
}

interface TimeProps {
  readonly name: string;
  readonly time: ReturnType<typeof potLife> | null;
}

/** One time, whether it is printed or estimated, and why; refused where nobody may say. */
function Time({ name, time }: TimeProps) {
  const [value, words, colour] = said(time);
  return (
    <div>
      <Typography component="dt" variant="quiet">
        {name}
      </Typography>
      <Box component="dd" sx={{ m: 0 }}>
        <Box component="b" sx={{ display: 'block', fontSize: 24, color: colour }}>
          {value}
        </Box>
        <Typography component="span" variant="quiet">
          {words}
        </Typography>
      </Box>
    </div>
  );
}

function said(time: TimeProps['time']): readonly [value: string, words: string, colour: string] {
  if (time === null) return ['–', '', 'inherit'];
  if (!time.ok) return ['refused', time.problems[0]?.message ?? '', 'error.main'];
  const { basis, minutes, words } = time.value;
  return basis === 'estimate'
    ? [`about ${minutesWords(minutes)}`, words, 'warning.main']
    : [minutesWords(minutes), words, 'inherit'];
}
