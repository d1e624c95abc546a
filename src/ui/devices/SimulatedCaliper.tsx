'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Slider from '@mui/material/Slider';
import { useId, useState } from 'react';
import { caliperShows, widthAt } from '@/devices/caliper';
import { Segments } from '../kit-of-parts/Segments';
import { CASE, DISPLAY, PRESS } from './case';
import styles from './devices.module.css';
import type { DeviceProps } from './device-props';

type Unit = 'mm' | 'in';
const UNITS: readonly (readonly [Unit, string])[] = [
  ['mm', 'mm'],
  ['in', 'in'],
];
/** Drawn at so many pixels for a millimetre. */
const SCALE = 3;

/** A caliper that ships: set what lies between its jaws and how the cable is turned, press, and it types. */
export function SimulatedCaliper({ onShown }: DeviceProps) {
  const [mean, setMean] = useState(28);
  const [oval, setOval] = useState(0);
  const [angle, setAngle] = useState(0);
  const [unit, setUnit] = useState<Unit>('mm');
  const [taken, setTaken] = useState(0);
  const id = useId();
  const section = { meanMm: mean, ovality: oval / 100 };
  const width = widthAt(section, angle);
  const inUnit = (text: string) => (unit === 'mm' ? text : (Number(text) / 25.4).toFixed(4));
  const shown = inUnit(caliperShows(section, angle, taken));
  const sliders = [
    { key: 'mean', label: 'Across, mm', value: mean, set: setMean, min: 1, max: 60, step: 0.1 },
    { key: 'oval', label: 'Oval, %', value: oval, set: setOval, min: 0, max: 20, step: 0.5 },
    { key: 'angle', label: 'Turned, °', value: angle, set: setAngle, min: 0, max: 180, step: 5 },
  ];
  const jaw = width * SCALE;
  return (
    <Box sx={CASE}>
      <svg
        viewBox="0 0 260 150"
        className={styles.caliper}
        role="img"
        aria-label={`Caliper at ${shown} ${unit}`}
      >
        <rect x="8" y="12" width="246" height="18" className={styles.metal} />
        <path d="M22 30 h16 v86 l-16 -10 z" className={styles.metal} />
        <g transform={`translate(${jaw} 0)`}>
          <path d="M38 30 h16 v76 l-16 10 z" className={styles.metal} />
          <rect x="36" y="6" width="54" height="30" rx="5" className={styles.slide} />
        </g>
        <ellipse
          cx={38 + jaw / 2}
          cy="78"
          rx={jaw / 2}
          ry={Math.min(44, (widthAt(section, angle + 90) * SCALE) / 2)}
          className={styles.cable}
        />
      </svg>
      <Box sx={{ display: 'grid', gap: 0.5, width: 190 }}>
        {sliders.map((s) => (
          <label key={s.key} htmlFor={`${id}-${s.key}`}>
            {s.label}: <b>{s.value}</b>
            <Slider
              size="small"
              value={s.value}
              min={s.min}
              max={s.max}
              step={s.step}
              onChange={(_, value) => s.set(value)}
              slotProps={{ input: { id: `${id}-${s.key}` } }}
              aria-label={s.label}
            />
          </label>
        ))}
      </Box>
      <Box sx={{ display: 'grid', gap: 1 }}>
        <Box role="status" sx={DISPLAY}>
          <b>{shown}</b>
          <span>{unit}</span>
        </Box>
        <Segments label="Caliper shows" options={UNITS} value={unit} onChange={setUnit} />
      </Box>
      <Button
        variant="contained"
        color="secondary"
        sx={PRESS}
        onClick={() => {
          onShown({ text: shown, unit });
          setTaken(taken + 1);
        }}
      >
        Type it
      </Button>
    </Box>
  );
}
