'use client';
import Button from '@mui/material/Button';
import { Acts } from '../kit-of-parts/Acts';
import { To } from '../kit-of-parts/To';
import dynamic from 'next/dynamic';
import { crossingPath } from './words';
import type { CrossingSession } from './use-crossing-session';
import { For } from '../shell/may';

// Seen only while a plan is worked out.
const UnderWay = dynamic(() => import('./ProgressBar').then((m) => m.UnderWay), { ssr: false });

/** What can be done with the plan of a crossing. */
export function CrossingActs({ session }: { readonly session: CrossingSession }) {
  const { planning } = session;
  if (planning.working) return <UnderWay store={planning.progress} onCancel={planning.cancel} />;
  return <Idle session={session} />;
}

function Idle({ session }: { readonly session: CrossingSession }) {
  const { view, inForce, request, draft, busy, plan, shown, begin, take } = session;
  const locked = draft.locked.length;
  const words = locked > 0 ? `Plan again around ${locked} locked` : plan ? 'Plan again' : 'Plan it';
  return (
    <Acts>
      <Button
        variant={plan ? 'outlined' : 'contained'}
        color="secondary"
        disabled={busy || request.cables.length === 0}
        onClick={begin}
      >
        {words}
      </Button>
      <Button disabled={!draft.changed || busy} onClick={draft.undo} data-shortcut="z">
        Undo
      </Button>
      {draft.changed && !shown ? (
        <For what="takeCrossingPlan" said>
          <Button
            variant="contained"
            color="secondary"
            disabled={busy || draft.violations.length > 0}
            onClick={() => take('planned', '')}
          >
            Take this plan
          </Button>
        </For>
      ) : null}
      {inForce && !draft.changed ? (
        <To href={crossingPath(view.job, view.name, '/build')} shortcut="b">
          Build it
        </To>
      ) : null}
      {view.events.length > 0 ? <To href={crossingPath(view.job, view.name, '/record')}>Record</To> : null}
    </Acts>
  );
}
