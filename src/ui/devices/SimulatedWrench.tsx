'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useEffect, useRef, useState } from 'react';
import { pulledTorque, torqueAt } from '@/devices/torque-wrench';
import { Choice } from '../kit-of-parts/Choice';
import { CASE, DISPLAY, PRESS } from './case';
import styles from './devices.module.css';
import type { DeviceProps } from './device-props';

const PACES = [
  ['8', 'slowly'],
  ['20', 'steadily'],
  ['45', 'with a jerk'],
] as const;
const NOISE_NM = 0.3;
const TICK_MS = 50;
/** The scale of its dial, N·m. */
const FULL_NM = 120;

/** A torque wrench that ships: held down it is pulled; let go, it holds its peak, which is a little more than the hand meant. */
export function SimulatedWrench({ onShown }: DeviceProps) {
  const [pace, setPace] = useState<(typeof PACES)[number][0]>('20');
  const [since, setSince] = useState<number | null>(null);
  const [seconds, setSeconds] = useState(0);
  const [peak, setPeak] = useState<number | null>(null);
  const pulls = useRef(0);
  useEffect(() => {
    if (since === null) return undefined;
    const timer = setInterval(() => setSeconds((performance.now() - since) / 1000), TICK_MS);
    return () => clearInterval(timer);
  }, [since]);
  const begin = () => {
    if (since !== null) return;
    setSeconds(0);
    setPeak(null);
    setSince(performance.now());
  };
  const end = () => {
    if (since === null) return;
    pulls.current += 1;
    const pulled = (performance.now() - since) / 1000;
    const { peakNm } = pulledTorque({
      paceNm: Number(pace),
      seconds: pulled,
      noiseNm: NOISE_NM,
      seed: pulls.current,
    });
    setSince(null);
    setPeak(peakNm);
    onShown({ text: peakNm.toFixed(1), unit: 'N·m' });
  };
  const now = since === null ? (peak ?? 0) : torqueAt({ paceNm: Number(pace), seconds: Infinity }, seconds);
  const turn = -60 + Math.min(1, now / FULL_NM) * 120;
  return (
    <Box sx={CASE}>
      <svg
        viewBox="0 0 260 110"
        className={styles.wrench}
        role="img"
        aria-label={`Wrench at ${now.toFixed(1)} N·m`}
      >
        <circle cx="34" cy="72" r="22" className={styles.metal} />
        <rect x="24" y="62" width="20" height="20" className={styles.hole} />
        <rect x="54" y="64" width="150" height="16" rx="4" className={styles.metal} />
        <rect x="196" y="60" width="58" height="24" rx="10" className={styles.slide} />
        <path d="M78 52 a44 44 0 0 1 76 0" className={styles.scale} />
        <line
          x1="116"
          y1="64"
          x2="116"
          y2="24"
          className={styles.needle}
          transform={`rotate(${turn} 116 64)`}
        />
      </svg>
      <Box sx={{ display: 'grid', gap: 1 }}>
        <Box role="status" sx={DISPLAY}>
          <b>{now.toFixed(1)}</b>
          <span>{since !== null ? 'N·m, pulling' : peak === null ? 'N·m' : 'N·m, peak held'}</span>
        </Box>
        <Choice label="Pulled" value={pace} options={PACES} onChange={setPace} width={190} />
      </Box>
      <Button
        variant="contained"
        color="secondary"
        sx={PRESS}
        onPointerDown={begin}
        onPointerUp={end}
        onPointerLeave={end}
        onKeyDown={(e) => {
          if ((e.key === ' ' || e.key === 'Enter') && !e.repeat) begin();
        }}
        onKeyUp={end}
        onBlur={end}
      >
        Hold to pull
      </Button>
    </Box>
  );
}
