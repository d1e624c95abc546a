'use client';
import Link from 'next/link';
import { useCallback, useMemo, useState } from 'react';
import type { CrossingConfirm, CrossingView } from '@/core/crossing';
import { replay } from '@/core/procedure';
import { trimNumber } from '@/core/units';
import { HoldButton } from '../bench/HoldButton';
import { confirmationOf, useConfirm } from '../bench/use-confirm';
import { useGate } from '../bench/use-gate';
import { useWakeLock } from '../bench/use-wake-lock';
import { Caution } from '../common/Caution';
import { readNumber } from '../common/Fields';
import { RecordFaults } from '../common/RecordFaults';
import { Problems } from '../common/Problems';
import { useActor } from '../shell/actor';
import { ActorField } from '../shell/TopBar';
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
  // What was typed stays while its step does: a refusal does not wipe it.
  const [typed, setTyped] = useState({ step: '', text: '' });
  const [gateOpen, passGate] = useGate(`ac_gate_crossing_${view.job}_${view.name}`);
  const { name } = useActor();
  const wake = useWakeLock();
  const { send, unsent, sending, problems } = useConfirm(
    useCallback(
      (event: CrossingConfirm) => actions.confirm({ job: view.job, crossing: view.name }, event),
      [actions, view.job, view.name],
    ),
  );
  const [inForce] = view.plans;
  const nextAt = progress.next ? steps.findIndex((s) => s.id === progress.next?.id) : steps.length;
  const at = back ?? nextAt;
  const step = steps[at];
  const home = crossingPath(view.job, view.name);
  const row = /^row\.(\d+)([A-L])\.(\d+)$/.exec(step?.id ?? '');
  const frame = /\.(\d+)[A-L](\.|$)/.exec(step?.id ?? '');
  const measured = typed.step === step?.id ? typed.text : '';
  const confirm = () => {
    if (!step) return;
    send({
      ...confirmationOf(step),
      ...(step.accept && measured.trim() !== '' ? { measuredMm: readNumber(measured) } : {}),
    });
    setBack(null);
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
        {unsent ? <b className={styles.unsent}>not sent yet, trying again</b> : null}
        {wake === 'off' ? <span className={styles.sleep}>screen may sleep</span> : null}
        <ActorField />
      </header>
      <RecordFaults faults={view.faults} />
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
      ) : !gateOpen && step ? (
        <div className={`${styles.step} ${styles.gate}`}>
          <h1>Before the bench opens at {view.setup.place || view.name}</h1>
          <p className={styles.detail}>
            In a classified area this tablet, its camera, testers, torches and power tools are themselves
            ignition sources.
          </p>
          <Caution>
            Go on only where the area on both sides of the wall is not classified, or where a permit and a gas
            test cover this very device.
          </Caution>
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
            {at === nextAt && step.accept ? (
              <label className={styles.accept}>
                {step.accept.label}, as measured
                <input
                  name="measured"
                  inputMode="decimal"
                  autoComplete="off"
                  value={measured}
                  onChange={(e) => setTyped({ step: step.id, text: e.target.value })}
                />
                <span>
                  mm, {trimNumber(step.accept.minMm, 2)}–{trimNumber(step.accept.maxMm, 2)} asked for
                </span>
              </label>
            ) : null}
            <Problems problems={problems} />
            {at === nextAt && name.trim() === '' ? (
              <Caution tone="hold">Type your name at the top: the record says who.</Caution>
            ) : null}
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
            disabled={at === 0 || !gateOpen}
            onClick={() => setBack(Math.max(0, at - 1))}
          >
            Look back
          </button>
          {step && !gateOpen ? (
            <HoldButton onConfirm={passGate}>Hold: not classified, or permitted</HoldButton>
          ) : step && at === nextAt ? (
            <HoldButton key={step.id} onConfirm={confirm} disabled={sending || unsent || name.trim() === ''}>
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
