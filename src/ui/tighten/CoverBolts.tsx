'use client';
import { useState } from 'react';
import { BOLTS, coverBolts, coverPasses, type CoverShape } from '@/core/tightening';
import { trimNumber } from '@/core/units';
import { readNumber } from '../common/read-number';
import { NumberFields } from '../kit-of-parts/NumberFields';
import { Segments } from '../kit-of-parts/Segments';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Acts } from '../kit-of-parts/Acts';
import { Folded } from '../kit-of-parts/Folded';
import styles from './Tools.module.css';

const SHAPES = [
  ['circle', 'Round cover'],
  ['rectangle', 'Rectangular cover'],
] as const satisfies readonly (readonly [CoverShape, string])[];

const FIELDS = [
  { key: 'count', name: 'bolt-count', label: `Bolts, ${BOLTS.min} to ${BOLTS.max}`, unit: '' },
  { key: 'torque', name: 'bolt-torque', label: 'Torque by the box’s sheet', unit: 'N·m' },
] as const;

/** The order in which the cover of the box is closed again: criss-cross, in passes. */
export function CoverBolts() {
  const [shape, setShape] = useState<CoverShape>('rectangle');
  const [fields, setFields] = useState<Readonly<Record<'count' | 'torque', string>>>({
    count: '8',
    torque: '12',
  });
  const count = readNumber(fields.count);
  const bolts = coverBolts(count, shape);
  const passes = coverPasses(count, shape, readNumber(fields.torque));
  const place = passes.ok ? (passes.value[0]?.order ?? []) : [];
  return (
    <Folded title="Cover bolts, criss-cross">
      <Acts>
        <Segments label="Shape of the cover" options={SHAPES} value={shape} onChange={setShape} />
        <NumberFields fields={FIELDS} values={fields} onChange={setFields} />
      </Acts>
      {bolts.ok && passes.ok ? (
        <Acts>
          <svg
            viewBox="-1.35 -1.2 2.7 2.4"
            className={styles.cover}
            role="img"
            aria-label={`Order: ${place.join(', ')}`}
          >
            {shape === 'circle' ? (
              <circle r="1.18" className={styles.plate} />
            ) : (
              <rect x="-1.22" y="-0.72" width="2.44" height="1.44" className={styles.plate} />
            )}
            {bolts.value.map((b) => (
              <g key={b.number}>
                <circle cx={b.x} cy={b.y} r="0.14" className={styles.bolt} />
                <text x={b.x} y={b.y + 0.055} className={styles.turn}>
                  {place.indexOf(b.number) + 1}
                </text>
              </g>
            ))}
          </svg>
          <Box component="ol" sx={{ m: 0, pl: 2.75, lineHeight: 1.8 }}>
            {passes.value.map((p, i) => (
              <li key={i}>
                <b>{trimNumber(p.torqueNm, 1)} N·m</b>{' '}
                {i === passes.value.length - 1 ? 'once more, clockwise round' : 'in the order of the numbers'}
              </li>
            ))}
          </Box>
        </Acts>
      ) : (
        <Typography sx={{ color: 'error.main' }}>
          {[...(bolts.ok ? [] : bolts.problems), ...(passes.ok || !bolts.ok ? [] : passes.problems)]
            .map((p) => p.message)
            .join('; ')}
        </Typography>
      )}
      <Typography variant="quiet">
        Flameproof joint faces clean, undamaged, greased only as the box’s own sheet says.
      </Typography>
    </Folded>
  );
}
