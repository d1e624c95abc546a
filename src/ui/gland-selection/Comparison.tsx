'use client';
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
    <table className={styles.table} aria-label="Two sizes compared">
      <thead>
        <tr>
          <th scope="col">
            <span className="ac-visually-hidden">Criterion</span>
          </th>
          {([left, right] as const).map((candidate, side) => (
            <th key={side} scope="col">
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
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {left.findings.map((a) => {
          const b = right.findings.find((f) => f.criterion === a.criterion);
          if (!b || (a.code === 'absent' && b.code === 'absent')) return null;
          const alike = a.reason === b.reason;
          return (
            <tr key={a.criterion} data-alike={alike ? 'yes' : undefined}>
              <th scope="row">{CRITERION_TITLES[a.criterion]}</th>
              {[a, b].map((f, side) => (
                <td key={side} data-verdict={f.verdict}>
                  <NutMark verdict={f.verdict} size={14} />
                  <span>
                    {f.reason}
                    {f.margin === null || f.range === undefined ? null : (
                      <b className={styles.margin}> {trimNumber(f.margin, 2)} mm</b>
                    )}
                  </span>
                </td>
              ))}
            </tr>
          );
        })}
        {[
          ['Ring and stop', left.ringWords, right.ringWords],
          ['Goes with it', left.goesWith.join(' · '), right.goesWith.join(' · ')],
        ].map(([title, a, b]) => (
          <tr key={title} data-alike={a === b ? 'yes' : undefined}>
            <th scope="row">{title}</th>
            <td>{a === '' ? '–' : a}</td>
            <td>{b === '' ? '–' : b}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
