import { DataTable } from '../kit-of-parts/DataTable';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
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
    <DataTable className={styles.table}>
      <caption className={styles.caption}>
        <b>{candidate.code}</b> {candidate.familyTitle} · {candidate.sheet}
        {candidate.printedInches ? ` · outer seal printed as ${candidate.printedInches}` : ''}
      </caption>
      <TableHead className="ac-visually-hidden">
        <TableRow>
          <TableCell>Criterion</TableCell>
          <TableCell>Reason</TableCell>
          <TableCell>Margin</TableCell>
          <TableCell>Source</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {candidate.findings.map((f) => (
          <TableRow key={f.criterion} data-verdict={f.verdict}>
            <TableCell component="th" scope="row">
              <NutMark verdict={f.verdict} size={16} /> {CRITERION_TITLES[f.criterion]}
              <span className="ac-visually-hidden">{VERDICT_WORDS[f.verdict]}</span>
            </TableCell>
            <TableCell>{f.reason}</TableCell>
            <TableCell className={styles.margin}>{marginText(f)}</TableCell>
            <TableCell className={styles.source}>{f.source}</TableCell>
          </TableRow>
        ))}
      </TableBody>
    </DataTable>
  );
}
