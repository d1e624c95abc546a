'use client';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useMemo, useState } from 'react';
import type { CrossingView } from '@/core/crossing';
import { replay, type CrossingRef, type Step } from '@/core/record';
import bench from '../bench/Bench.module.css';
import { HoldButton } from '../bench/HoldButton';
import { StepScreen } from '../bench/StepScreen';
import { useGate } from '../bench/use-gate';
import { useWakeLock } from '../bench/use-wake-lock';
import { useWork } from '../bench/use-work';
import { Caution } from '../kit-of-parts/Caution';
import { RecordFaults } from '../common/RecordFaults';
import { ActorField } from '../shell/TopBar';
import { FaceView } from './FaceView';
import { crossingPath } from './words';
import styles from './Build.module.css';
import { useShown } from '../data/use-look';

interface Props {
  readonly at: CrossingRef;
}

/** The building of a crossing on the bench: one step at a time, with its row lit in the face view. */
export function BuildPage({ at: ref }: Props) {
  const view = useShown(['viewCrossing', ref]);
  const { steps, acts } = view;
  const progress = useMemo(() => replay(steps, acts), [steps, acts]);
  const subject = useMemo(
    () => ({ kind: 'crossing', job: view.job, crossing: view.name }) as const,
    [view.job, view.name],
  );
  const [looking, setLooking] = useState<number | null>(null);
  const [gateOpen, passGate] = useGate(`ac_gate_crossing_${view.job}_${view.name}`);
  const wake = useWakeLock();
  const { command, unsent, busy, problems, clear } = useWork(subject);
  const nextAt = progress.next ? steps.findIndex((s) => s.id === progress.next?.id) : steps.length;
  const at = looking ?? nextAt;
  const step = steps[at];
  const home = crossingPath(view.job, view.name);
  return (
    <main className={styles.bench} data-bench="">
      <header className={styles.head}>
        <Link href={home}>{view.name}</Link>
        <span>{view.setup.place}</span>
        <span className={styles.count}>
          {progress.done.size} of {steps.length} done
        </span>
        {unsent ? <b className={styles.unsent}>not sent yet, trying again</b> : null}
        {wake === 'off' ? <span className={styles.sleep}>screen may sleep</span> : null}
        <ActorField />
      </header>
      <RecordFaults faults={view.faults} />
      <NotYet view={view} />
      <div className={styles.track} aria-hidden>
        <span style={{ width: `${(progress.done.size / Math.max(1, steps.length)) * 100}%` }} />
      </div>
      {view.plans.length === 0 || steps.length === 0 ? (
        <div className={styles.step}>
          <h1>Nothing to build yet</h1>
          <p>
            <Link href={home}>Plan the crossing first.</Link>
          </p>
        </div>
      ) : !gateOpen && step ? (
        <Gate place={view.setup.place || view.name} onPass={passGate} />
      ) : step ? (
        <div className={styles.columns}>
          <section className={styles.step} aria-label="Step" tabIndex={0}>
            <StepScreen
              key={step.id}
              steps={steps}
              acts={acts}
              done={[...progress.done]}
              signedBy={progress.signedBy}
              step={step}
              current={at === nextAt}
              busy={busy}
              problems={problems}
              onCommand={(sent) => {
                setLooking(null);
                command(sent);
              }}
              onEdit={clear}
              onBack={() => setLooking(Math.max(0, at - 1))}
              onReturn={() => setLooking(null)}
            />
          </section>
          <section className={styles.face} aria-label="Face view">
            <StepFace view={view} step={step} />
          </section>
        </div>
      ) : (
        <div className={styles.step}>
          <h1>Built and signed</h1>
          <p className={styles.detail}>
            Signed by {progress.signedBy}. {view.events.length} entries in the record.
          </p>
          <div className={bench.buttons}>
            <Button variant="outlined" onClick={() => setLooking(steps.length - 1)}>
              Look back
            </Button>
            <Link className={bench.primary} href={crossingPath(view.job, view.name, '/record')}>
              See the record
            </Link>
          </div>
        </div>
      )}
    </main>
  );
}

/** Why nothing can be confirmed at this plan, said before anybody reaches for a module. */
function NotYet({ view }: { readonly view: CrossingView }) {
  const { provisional } = view.asked;
  if (view.plans.length === 0) return null;
  if (view.state === 'stale')
    return (
      <Caution tone="hold">The plan is stale: cables or measurements have changed. Plan again first.</Caution>
    );
  if (provisional.length === 0) return null;
  const more = provisional.length - 1;
  return (
    <Caution tone="hold">
      The plan is provisional, and nothing can be confirmed on it: {provisional[0]}
      {more > 0 ? `, and ${more} more` : ''}. Measure first.
    </Caution>
  );
}

function Gate({ place, onPass }: { readonly place: string; readonly onPass: () => void }) {
  return (
    <div className={`${styles.step} ${styles.gate}`}>
      <h1>Before the bench opens at {place}</h1>
      <p className={styles.detail}>
        In a classified area this tablet, its camera, testers, torches and power tools are themselves ignition
        sources.
      </p>
      <Caution>
        Go on only where the area on both sides of the wall is not classified, or where a permit and a gas
        test cover this very device.
      </Caution>
      <div className={bench.buttons}>
        <HoldButton onConfirm={onPass}>Hold: not classified, or permitted</HoldButton>
      </div>
    </div>
  );
}

const NOTHING = () => undefined;

/** The frame as it will be, with the row of this step lit. */
function StepFace({ view, step }: { readonly view: CrossingView; readonly step: Step }) {
  const [inForce] = view.plans;
  if (!inForce) return null;
  const { target } = step;
  const frame = target?.kind === 'row' || target?.kind === 'opening' ? target.frame : null;
  const places =
    target?.kind === 'row'
      ? (inForce.plan.frames[target.frame]?.openings[target.opening]?.rows[target.row]?.places ?? [])
      : [];
  return (
    <FaceView
      request={inForce.request}
      plan={inForce.plan}
      side="front"
      only={frame}
      lit={null}
      picked={null}
      target={null}
      locked={
        target?.kind === 'row'
          ? places.map((_, place) => ({
              frame: target.frame,
              opening: target.opening,
              row: target.row,
              place,
            }))
          : []
      }
      marks="row"
      onLight={NOTHING}
      onPick={NOTHING}
      onOver={NOTHING}
      onDrop={NOTHING}
    />
  );
}
