'use client';
import Button from '@mui/material/Button';
import { Acts } from '../../kit-of-parts/Acts';
import { To } from '../../kit-of-parts/To';
import { UnderWay } from '../ProgressBar';
import { crossingPath } from '../words';
import type { SealSession } from './use-seal';
import { For } from '../../shell/may';

/** What can be done with the plan of a soft seal. */
export function SealActs({ session }: { readonly session: SealSession }) {
  const { view, work, busy, changed, shown, inForce } = session;
  if (work.working) return <UnderWay store={work.progress} onCancel={work.stop} />;
  const takes = changed && shown !== null && shown.plan.answer !== 'refused';
  return (
    <Acts>
      <Button
        variant={shown === null ? 'contained' : 'outlined'}
        color="secondary"
        disabled={busy || view.asked.request === null}
        onClick={session.plan}
      >
        {shown === null ? 'Plan it' : 'Plan again'}
      </Button>
      <Button disabled={!session.mayUndo || busy} onClick={session.undo} data-shortcut="z">
        Undo
      </Button>
      {takes ? (
        <For what="takeCrossingPlan" said>
          <Button variant="contained" color="secondary" disabled={busy} onClick={() => session.take('')}>
            Take this plan
          </Button>
        </For>
      ) : null}
      {inForce !== null && !inForce.stale && !changed ? (
        <To href={crossingPath(view.job, view.name, '/build')} shortcut="b">
          Build it
        </To>
      ) : null}
      {view.events.length > 0 ? <To href={crossingPath(view.job, view.name, '/record')}>Record</To> : null}
    </Acts>
  );
}
