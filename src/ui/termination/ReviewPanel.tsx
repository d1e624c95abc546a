'use client';
import { DataTable } from '../kit-of-parts/DataTable';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import Button from '@mui/material/Button';
import Link from 'next/link';
import type { TerminationView } from '@/core/termination-view';
import { Problems } from '../kit-of-parts/Problems';
import { stationPath } from '../rack/summaries';
import { useRun } from './use-run';
import styles from './ReviewPanel.module.css';
import { useSend } from '../data/use-send';

/** A plan that is stale, or whose sheet has moved on: what would stay, what would change, what has to be done again; made anew only when somebody says so. */
export function ReviewPanel({ view }: { readonly view: TerminationView }) {
  const send = useSend();
  const { run, busy, problems } = useRun();
  const { review } = view;
  if (!review) return null;
  const ref = { job: view.job.slug, cable: view.cable, end: view.end };
  const accept = () => void run(() => send('replan', ref), 'Planned again.');
  return (
    <section
      className={styles.panel}
      aria-label={view.stale ? 'The plan is stale' : 'The sheet has moved on'}
    >
      {view.stale ? <h2 className={styles.head}>Stale: something this plan stands on has changed</h2> : null}
      {review.sheet === null ? null : (
        <p className={styles.line}>
          <b>
            Sheet {review.sheet.code}: revision {review.sheet.to} is in force, and this plan stands on
            revision {review.sheet.from}.
          </b>{' '}
          The sheet that came with the gland leads. By revision {review.sheet.to}:
        </p>
      )}
      {review.refusal !== null ? (
        <>
          <p>{review.refusal}</p>
          <Button
            variant="contained"
            color="secondary"
            component={Link}
            href={stationPath(view.job.slug, view.cable, view.end, 'choose')}
          >
            Choose another size
          </Button>
        </>
      ) : (
        <>
          <p className={styles.line}>
            {review.size} still {review.provisional.length > 0 ? 'may stand, provisionally' : 'fits'}.{' '}
            {review.restamped.length} decisions stay as they are
            {review.changed.length === 0
              ? ', none changes.'
              : `, ${review.changed.length} ${review.changed.length === 1 ? 'changes' : 'change'}:`}
          </p>
          {review.changed.length > 0 ? (
            <DataTable className={styles.changes}>
              <TableBody>
                {review.changed.map((c) => (
                  <TableRow key={c.id}>
                    <TableCell component="th" scope="row">
                      {c.label}
                    </TableCell>
                    <TableCell>
                      <s>{c.before ?? 'not there'}</s> → <b>{c.after ?? 'gone'}</b>
                    </TableCell>
                  </TableRow>
                ))}
              </TableBody>
            </DataTable>
          ) : null}
          {review.redo.length > 0 ? (
            <p className={styles.line}>
              To be done again at the bench: {review.redo.map((s) => s.title).join(' · ')}.
            </p>
          ) : null}
          <Problems problems={problems} />
          <Button variant="contained" color="secondary" onClick={accept} disabled={busy}>
            {review.changed.length === 0 ? 'Restamp the plan' : 'Plan again'}
          </Button>
        </>
      )}
    </section>
  );
}
