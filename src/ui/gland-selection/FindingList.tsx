import { CRITERION_TITLES, type FindingView } from '@/core/gland-selection';
import type { CandidateView } from '@/core/termination-view';
import { trimNumber } from '@/core/units';
import { NutMark, VERDICT_WORDS } from '../verdict/NutMark';
import styles from './FindingList.module.css';

const marginText = (f: FindingView): string =>
  f.margin === null
    ? ''
    : `${f.margin > 0 ? '+' : ''}${trimNumber(f.margin, 2)} ${f.criterion === 'temperature' ? '°C' : 'mm'}`;

/** Every criterion of one size: verdict, numbers compared, margin, reason and where the figure stands. */
export function FindingList({ candidate }: { readonly candidate: CandidateView }) {
  return (
    <table className={styles.table}>
      <caption className={styles.caption}>
        <b>{candidate.code}</b> {candidate.familyTitle} · {candidate.sheet}
        {candidate.printedInches ? ` · outer seal printed as ${candidate.printedInches}` : ''}
      </caption>
      <thead className="ac-visually-hidden">
        <tr>
          <th>Criterion</th>
          <th>Reason</th>
          <th>Margin</th>
          <th>Source</th>
        </tr>
      </thead>
      <tbody>
        {candidate.findings.map((f) => (
          <tr key={f.criterion} data-verdict={f.verdict}>
            <th scope="row">
              <NutMark verdict={f.verdict} size={16} /> {CRITERION_TITLES[f.criterion]}
              <span className="ac-visually-hidden">{VERDICT_WORDS[f.verdict]}</span>
            </th>
            <td>{f.reason}</td>
            <td className={styles.margin}>{marginText(f)}</td>
            <td className={styles.source}>{f.source}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
