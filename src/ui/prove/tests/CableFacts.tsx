'use client';
import Box from '@mui/material/Box';
import { Acts } from '../../kit-of-parts/Acts';
import { NumberFields } from '../../kit-of-parts/NumberFields';
import { Tick } from '../../kit-of-parts/Tick';
import type { TestProps } from './parts';

const FIELDS = [
  { key: 'lengthFrom', name: 'lengthFrom', label: 'Cable, shortest', unit: 'm' },
  { key: 'lengthTo', name: 'lengthTo', label: 'Cable, longest', unit: 'm' },
  { key: 'tempC', name: 'testTempC', label: 'Temperature', unit: '°C' },
] as const;

/** What all tests of a cable ask for. */
export function CableFacts({ form, change }: Pick<TestProps, 'form' | 'change'>) {
  const { lengthFrom, lengthTo, tempC } = form;
  return (
    <Box sx={{ pt: 1 }}>
      <Acts label="The cable" top>
        <NumberFields fields={FIELDS} values={{ lengthFrom, lengthTo, tempC }} onChange={change} />
        <Tick
          label="Isolated, locked off, proved dead at both ends"
          checked={form.dead}
          onChange={(dead) => change({ dead })}
        />
      </Acts>
    </Box>
  );
}
