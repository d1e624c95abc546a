'use client';
import { RecordFaults } from '../common/RecordFaults';
import { Problems } from '../kit-of-parts/Problems';
import { UndoesWork } from '../common/UndoesWork';
import { CrossingCautions } from './CrossingCautions';
import { STATE_WORDS } from './words';
import styles from './Crossing.module.css';
import type { CrossingRef } from '@/core/record';
import { CrossingActs } from './CrossingActs';
import { FacePane } from './FacePane';
import { SidePane } from './SidePane';
import { useCrossingSession } from './use-crossing-session';

interface Props {
  readonly at: CrossingRef;
}

/** One crossing: what goes through, the plan seen from either side, and everything that can be done with it. */
export function CrossingPage({ at }: Props) {
  const session = useCrossingSession(at);
  const { view, planning, taking, problems } = session;
  return (
    <main className={styles.page}>
      <div className={styles.left}>
        <div className={styles.title}>
          <h1>{view.name}</h1>
          <span>{view.setup.place}</span>
          <b data-state={view.state}>{STATE_WORDS[view.state]}</b>
        </div>
        <RecordFaults faults={view.faults} />
        <CrossingActs session={session} />
        <CrossingCautions view={view} />
        <Problems problems={[...planning.failure, ...problems]} />
        <UndoesWork
          code="this plan"
          words={taking.asked?.words ?? null}
          onTake={taking.confirm}
          onLeave={taking.leave}
        />
        <FacePane session={session} />
      </div>
      <SidePane session={session} />
    </main>
  );
}
