'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Slider from '@mui/material/Slider';
import { useEffect, useId, useState } from 'react';
import { hasSettled, thermometerShows } from '@/devices/thermometer';
import { CASE, DISPLAY, PRESS } from './case';
import type { DeviceProps } from './device-props';

const TICK_MS = 250;
/** The air that the probe comes from, °C. */
const AIR_C = 21;

/** A thermometer that ships: laid on the work it creeps to its figure, and says when it has come to rest. */
export function SimulatedThermometer({ onShown }: DeviceProps) {
  const [work, setWork] = useState(16);
  const [since, setSince] = useState<number | null>(null);
  const [seconds, setSeconds] = useState(0);
  const id = useId();
  useEffect(() => {
    if (since === null) return undefined;
    const timer = setInterval(() => setSeconds((performance.now() - since) / 1000), TICK_MS);
    return () => clearInterval(timer);
  }, [since]);
  const on = since !== null;
  const shown = on ? thermometerShows(AIR_C, work, seconds) : AIR_C;
  const settled = on && hasSettled(AIR_C, work, seconds);
  return (
    <Box sx={CASE}>
      <Box sx={{ width: 190 }}>
        <label htmlFor={`${id}-work`}>
          The work has, °C: <b>{work}</b>
          <Slider
            size="small"
            value={work}
            min={-10}
            max={60}
            step={0.5}
            disabled={on}
            onChange={(_, value) => setWork(value)}
            slotProps={{ input: { id: `${id}-work` } }}
            aria-label="Temperature that the work has"
          />
        </label>
        <Button
          variant="outlined"
          onClick={() => {
            setSeconds(0);
            setSince(on ? null : performance.now());
          }}
        >
          {on ? 'Take the probe off' : 'Lay the probe on'}
        </Button>
      </Box>
      <Box role="status" sx={DISPLAY}>
        <b>{shown.toFixed(1)} °C</b>
        <span>{!on ? 'in the air' : settled ? 'at rest' : 'still moving: wait'}</span>
      </Box>
      <Button
        variant="contained"
        color="secondary"
        sx={PRESS}
        disabled={!settled}
        onClick={() => onShown({ text: shown.toFixed(1), unit: '°C' })}
      >
        Type it
      </Button>
    </Box>
  );
}
