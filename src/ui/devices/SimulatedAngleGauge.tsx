'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Slider from '@mui/material/Slider';
import { useState } from 'react';
import { angleShows } from '@/devices/angle-gauge';
import { CASE, DISPLAY, PRESS } from './case';
import styles from './devices.module.css';
import type { DeviceProps } from './device-props';

/** An angle gauge that ships: its arm is laid along the head, and it types the angle to the handle. */
export function SimulatedAngleGauge({ onShown }: DeviceProps) {
  const [turned, setTurned] = useState(0);
  const shown = angleShows(turned);
  return (
    <Box sx={CASE}>
      <svg
        viewBox="0 0 150 110"
        className={styles.gauge}
        role="img"
        aria-label={`Angle gauge at ${shown} degrees`}
      >
        <path d="M15 90 a60 60 0 0 1 120 0 z" className={styles.slide} />
        <line x1="75" y1="90" x2="140" y2="90" className={styles.needle} />
        <line
          x1="75"
          y1="90"
          x2="140"
          y2="90"
          className={styles.arm}
          transform={`rotate(${-turned} 75 90)`}
        />
        <circle cx="75" cy="90" r="6" className={styles.metal} />
      </svg>
      <Box sx={{ width: 190 }}>
        Arm laid at
        <Slider
          size="small"
          value={turned}
          min={0}
          max={180}
          step={0.5}
          onChange={(_, value) => setTurned(value)}
          aria-label="Angle of the arm"
        />
      </Box>
      <Box role="status" sx={DISPLAY}>
        <b>{shown}°</b>
      </Box>
      <Button
        variant="contained"
        color="secondary"
        sx={PRESS}
        onClick={() => onShown({ text: shown, unit: '°' })}
      >
        Type it
      </Button>
    </Box>
  );
}
