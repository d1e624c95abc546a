'use client';
import Link from 'next/link';
import { useMemo, useState } from 'react';
import type { CrossingView } from '@/core/crossing';
import { replay } from '@/core/procedure';
import { HoldButton } from '../bench/HoldButton';
import { Caution } from '../common/Caution';
import { Problems } from '../common/Problems';
import { ActorField } from '../shell/TopBar';
import { useRun } from '../termination/use-run';
import type { CrossingActions } from './actions';
import { FaceView } from './FaceView';
import { crossingPath } from './words';
import styles from './Build.module.css';

const HOLD_WORDS = { hold: 'Hold: checked', sign: 'Hold: sign' } as const;

/** The building of a crossing on the bench: one step at a time, with its row lit in the face view. */
export function BuildPage({
  view,
  actions,
}: {
  readonly view: CrossingView;
  readonly actions: CrossingActions;
}) {
  const { steps, acts } = view;
  const progress = useMemo(() => replay(steps, acts), [steps, acts]);
  const [back, setBack] = useState<number | null>(null);
  const { run, busy, problems } = useRun();
  const [inForce] = view.plans;
  const nextAt = progress.next ? steps.findIndex((s) => s.id === progress.next?.id) : steps.length;
  const at = back ?? nextAt;
  const step = steps[at];
  const home = crossingPath(view.job, view.name);
  const row = /^row\.(\d+)([A-L])\.(\d+)$/.exec(step?.id ?? '');
  const frame = /\.(\d+)[A-L](\.|$)/.exec(step?.id ?? '');
  const confirm = () => {
    if (!step) return;
    const id = crypto.randomUUID();
    void run(() =>
      actions.confirm(
        { job: view.job, crossing: view.name },
        { id, stepId: step.id, fingerprint: step.fingerprint, at: new Date().toISOString() },
      ),
    ).then((r) => r.ok && setBack(null));
  };
  const places =
    row && inForce
      ? (inForce.plan.frames[Number(row[1]) - 1]?.openings[(row[2] ?? 'A').charCodeAt(0) - 65]?.rows[
          Number(row[3]) - 1
        ]?.places ?? [])
      : [];
  return (
    <main className={styles.bench}>
      <header className={styles.head}>
        <Link href={home}>{view.name}</Link>
        <span>{view.setup.place}</span>
        <span className={styles.count}>
          {Math.min(at + 1, steps.length)} of {steps.length}
        </span>
        <ActorField />
      </header>
      <div className={styles.track} aria-hidden>
        <span style={{ width: `${(progress.done.size / Math.max(1, steps.length)) * 100}%` }} />
      </div>
      {!inForce || steps.length === 0 ? (
        <div className={styles.step}>
          <h1>Nothing to build yet</h1>
          <p>
            <Link href={home}>Plan the crossing first.</Link>
          </p>
        </div>
      ) : step ? (
        <div className={styles.columns}>
          <section className={styles.step} aria-label="Step" tabIndex={0}>
            <h1>{step.title}</h1>
            {step.figure ? (
              <p className={styles.figure}>
                <b>{step.figure.value}</b> {step.figure.unit} <small>{step.figure.second}</small>
              </p>
            ) : null}
            <p className={styles.detail}>{step.detail}</p>
            <p className={styles.reason}>{step.reason}</p>
            {step.caution ? <Caution>{step.caution}</Caution> : null}
            {step.list && step.list.length > 0 ? (
              <ol className={styles.listing}>
                {step.list.map((line) => (
                  <li key={line}>{line}</li>
                ))}
              </ol>
            ) : null}
            {step.checks && step.checks.length > 0 ? (
              <ul className={styles.checks}>
                {step.checks.map((line) => (
                  <li key={line}>{line}</li>
                ))}
              </ul>
            ) : null}
            <Problems problems={problems} />
          </section>
          <section className={styles.face} aria-label="Face view">
            <FaceView
              request={inForce.request}
              plan={inForce.plan}
              side="front"
              only={frame ? Number(frame[1]) - 1 : null}
              lit={null}
              picked={null}
              target={null}
              locked={places.map((_, i) => ({
                frame: Number(row?.[1] ?? 1) - 1,
                opening: (row?.[2] ?? 'A').charCodeAt(0) - 65,
                row: Number(row?.[3] ?? 1) - 1,
                place: i,
              }))}
              marks="row"
              onLight={() => undefined}
              onPick={() => undefined}
              onOver={() => undefined}
              onDrop={() => undefined}
            />
          </section>
        </div>
      ) : (
        <div className={styles.step}>
          <h1>Built and signed</h1>
          <p className={styles.detail}>
            Signed by {progress.signedBy}. {acts.length} entries in the record.
          </p>
          <p>
            <Link href={home}>Back to {view.name}</Link>
          </p>
        </div>
      )}
      {inForce && steps.length > 0 ? (
        <footer className={styles.foot}>
          <button
            type="button"
            className={styles.quiet}
            disabled={at === 0}
            onClick={() => setBack(Math.max(0, at - 1))}
          >
            Look back
          </button>
          {step && at === nextAt ? (
            <HoldButton onConfirm={confirm} disabled={busy}>
              {step.kind === 'hold' || step.kind === 'sign' ? HOLD_WORDS[step.kind] : 'Hold: done'}
            </HoldButton>
          ) : step ? (
            <button
              type="button"
              className={styles.quiet}
              onClick={() => setBack(at + 1 >= nextAt ? null : at + 1)}
            >
              On, towards the next open step
            </button>
          ) : null}
        </footer>
      ) : null}
    </main>
  );
}
