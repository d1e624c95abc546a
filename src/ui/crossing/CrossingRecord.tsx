import Link from 'next/link';
import type { CrossingView } from '@/core/crossing';
import { replay } from '@/core/record';
import { RecordOf } from '../prove/RecordOf';
import { crossingPath } from './words';
import styles from './CrossingRecord.module.css';

/** The record of a crossing's building: who did what when, whether it holds, and what is still open. */
export function CrossingRecord({
  view,
  secondPerson,
}: {
  readonly view: CrossingView;
  readonly secondPerson: boolean;
}) {
  const { done, next, signedBy } = replay(view.steps, view.acts);
  const [inForce] = view.plans;
  const home = crossingPath(view.job, view.name);
  return (
    <main className={styles.page}>
      <p className={styles.where}>
        <Link href={home}>{view.name}</Link> {view.setup.place}
      </p>
      <RecordOf
        events={view.events}
        faults={view.faults}
        signedBy={signedBy}
        titles={new Map(view.steps.map((s) => [s.id, s.title]))}
        begins="The record begins at the bench, with the first building step."
        signing={secondPerson ? 'This job asks for a signature by another person than the fitter.' : ''}
      />
      <dl className={styles.facts}>
        <dt>Plan in force</dt>
        <dd>
          {inForce
            ? `${inForce.kind === 'asBuilt' ? 'as built' : 'as planned'}, by ${inForce.actor}, hash ${inForce.planHash.slice(0, 12)}${inForce.stale ? ', stale' : ''}`
            : 'none yet'}
        </dd>
        <dt>Done</dt>
        <dd>
          {done.size} of {view.steps.length} steps{next ? `; next: ${next.title}` : ''}
        </dd>
        <dt>Wall’s rating</dt>
        <dd>{view.setup.rating.trim() === '' ? 'nobody has said' : view.setup.rating}</dd>
      </dl>
    </main>
  );
}
