'use client';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { ProgressBar } from './ProgressBar';
import { crossingPath } from './words';
import styles from './Crossing.module.css';
import type { CrossingSession } from './use-crossing-session';

/** What can be done with the plan of a crossing. */
export function CrossingActs({ session }: { readonly session: CrossingSession }) {
  const { view, inForce, request, draft, planning, busy, plan, shown, begin, take } = session;
  return (
    <div className={styles.acts}>
      {planning.working ? (
        <>
          <ProgressBar store={planning.progress} />
          <Button variant="outlined" onClick={planning.cancel}>
            Cancel
          </Button>
        </>
      ) : (
        <>
          <Button
            variant={plan ? 'outlined' : 'contained'}
            color="secondary"
            disabled={busy || request.cables.length === 0}
            onClick={begin}
          >
            {draft.locked.length > 0
              ? `Plan again around ${draft.locked.length} locked`
              : plan
                ? 'Plan again'
                : 'Plan it'}
          </Button>
          <Button disabled={!draft.changed || busy} onClick={draft.undo} data-shortcut="z">
            Undo
          </Button>
          {draft.changed && !shown ? (
            <Button
              variant="contained"
              color="secondary"
              disabled={busy || draft.violations.length > 0}
              onClick={() => take('planned', '')}
            >
              Take this plan
            </Button>
          ) : null}
          {inForce && !draft.changed ? (
            <Link
              className={styles.link}
              href={crossingPath(view.job, view.name, '/build')}
              data-shortcut="b"
            >
              Build it
            </Link>
          ) : null}
          {view.events.length > 0 ? (
            <Link className={styles.link} href={crossingPath(view.job, view.name, '/record')}>
              Record
            </Link>
          ) : null}
        </>
      )}
    </div>
  );
}
