'use client';
import { DataTable } from '../kit-of-parts/DataTable';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { useState } from 'react';
import { wrenchSetting } from '@/core/tightening';
import { trimNumber } from '@/core/units';
import { readNumber } from '../common/read-number';
import { NumberFields } from '../kit-of-parts/NumberFields';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Acts } from '../kit-of-parts/Acts';
import { Tray } from '../devices/Tray';
import { Folded } from '../kit-of-parts/Folded';
import styles from './Tools.module.css';

const ANGLE_GAUGE = ['angleGauge'] as const;

const FIELDS = [
  { key: 'lever', name: 'wrench-lever', label: 'L, handle to drive', unit: 'mm' },
  { key: 'head', name: 'wrench-head', label: 'E, drive to head', unit: 'mm' },
  { key: 'angle', name: 'wrench-angle', label: 'θ, head from the handle’s line', unit: '°' },
] as const;

/** An open-end head on a torque wrench changes the lever: what to set so that the nut gets what the sheet asks for. */
export function WrenchHead({ targets }: { readonly targets: readonly number[] }) {
  const [fields, setFields] = useState<Readonly<Record<'lever' | 'head' | 'angle', string>>>({
    lever: '400',
    head: '45',
    angle: '0',
  });
  const head = {
    leverMm: readNumber(fields.lever),
    headMm: readNumber(fields.head),
    angleDeg: readNumber(fields.angle),
  };
  const rad = (head.angleDeg * Math.PI) / 180;
  const x = 210 + 70 * Math.cos(rad);
  const y = 46 - 70 * Math.sin(rad) * 0.5;
  return (
    <Folded title="Wrench with an open-end head">
      <Acts>
        <NumberFields fields={FIELDS} values={fields} onChange={setFields} />
        <svg
          viewBox="0 0 330 92"
          className={styles.picture}
          role="img"
          aria-label="Wrench from the side: lever L, head E, angle"
        >
          <line x1="14" y1="46" x2="210" y2="46" className={styles.bar} />
          <circle cx="14" cy="46" r="7" className={styles.knob} />
          <line x1="210" y1="46" x2={x} y2={y} className={styles.head} />
          <circle cx="210" cy="46" r="8" className={styles.drive} />
          <circle cx={x} cy={y} r="9" className={styles.nut} />
          <text x="112" y="38" className={styles.letter}>
            L
          </text>
          <text x={(210 + x) / 2} y={(46 + y) / 2 - 9} className={styles.letter}>
            E
          </text>
          <text x="226" y="70" className={styles.letter}>
            θ
          </text>
        </svg>
      </Acts>
      <Tray kinds={ANGLE_GAUGE} onShown={({ text }) => setFields({ ...fields, angle: text })} />
      <DataTable>
        <TableBody>
          {targets.map((target) => {
            const setting = wrenchSetting(target, head);
            return (
              <TableRow key={target}>
                <TableCell component="th" scope="row">
                  for {trimNumber(target, 1)} N·m set
                </TableCell>
                <TableCell>
                  {setting.ok ? (
                    <Box component="b" sx={{ fontSize: 18 }}>
                      {trimNumber(setting.value, 1)} N·m
                    </Box>
                  ) : (
                    <Box component="span" sx={{ color: 'error.main' }}>
                      {setting.problems[0]?.message}
                    </Box>
                  )}
                </TableCell>
              </TableRow>
            );
          })}
        </TableBody>
      </DataTable>
      <Typography variant="quiet">
        T_set = T · L / (L + E · cos θ). The head’s own sheet may limit its torque.
      </Typography>
    </Folded>
  );
}
