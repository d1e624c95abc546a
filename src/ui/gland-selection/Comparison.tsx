'use client';
import { DataTable } from '../kit-of-parts/DataTable';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { CRITERION_TITLES } from '@/core/gland-selection';
import type { CandidateView } from '@/core/termination-view';
import { trimNumber } from '@/core/units';
import { NutMark, VERDICT_WORDS } from '../verdict/NutMark';
import styles from './Comparison.module.css';

interface Props {
  readonly candidates: readonly CandidateView[];
  readonly pair: readonly [string, string];
  readonly onPair: (pair: readonly [string, string]) => void;
}

/** Two sizes side by side, criterion by criterion; where they answer alike the line is quiet. */
export function Comparison({ candidates, pair, onPair }: Props) {
  const two = pair.map((code) => candidates.find((c) => c.code === code) ?? candidates[0]);
  const [left, right] = two;
  if (!left || !right) return null;
  const pick = (side: 0 | 1, code: string) => onPair(side === 0 ? [code, right.code] : [left.code, code]);
  return (
    <DataTable className={styles.table} label="Two sizes compared">
      <TableHead>
        <TableRow>
          <TableCell scope="col">
            <span className="ac-visually-hidden">Criterion</span>
          </TableCell>
          {([left, right] as const).map((candidate, side) => (
            <TableCell key={side} scope="col">
              <span className={styles.pick}>
                <NutMark verdict={candidate.verdict} size={18} />
                <select
                  className={styles.select}
                  aria-label={side === 0 ? 'Left size' : 'Right size'}
                  value={candidate.code}
                  onChange={(e) => pick(side === 0 ? 0 : 1, e.target.value)}
                >
                  {candidates.map((c) => (
                    <option key={c.code} value={c.code}>
                      {c.code} ({VERDICT_WORDS[c.verdict]})
                    </option>
                  ))}
                </select>
              </span>
              <span className={styles.sheet}>{candidate.familyTitle}</span>
            </TableCell>
          ))}
        </TableRow>
      </TableHead>
      <TableBody>
        {left.findings.map((a) => {
          const b = right.findings.find((f) => f.criterion === a.criterion);
          if (!b || (a.code === 'absent' && b.code === 'absent')) return null;
          const alike = a.reason === b.reason;
          return (
            <TableRow key={a.criterion} data-alike={alike ? 'yes' : undefined}>
              <TableCell component="th" scope="row">
                {CRITERION_TITLES[a.criterion]}
              </TableCell>
              {[a, b].map((f, side) => (
                <TableCell key={side} data-verdict={f.verdict}>
                  <NutMark verdict={f.verdict} size={14} />
                  <span>
                    {f.reason}
                    {f.margin === null || f.range === undefined ? null : (
                      <b className={styles.margin}> {trimNumber(f.margin, 2)} mm</b>
                    )}
                  </span>
                </TableCell>
              ))}
            </TableRow>
          );
        })}
        {[
          ['Ring and stop', left.ringWords, right.ringWords],
          ['Goes with it', left.goesWith.join(' · '), right.goesWith.join(' · ')],
        ].map(([title, a, b]) => (
          <TableRow key={title} data-alike={a === b ? 'yes' : undefined}>
            <TableCell component="th" scope="row">
              {title}
            </TableCell>
            <TableCell>{a === '' ? '–' : a}</TableCell>
            <TableCell>{b === '' ? '–' : b}</TableCell>
          </TableRow>
        ))}
      </TableBody>
    </DataTable>
  );
}
