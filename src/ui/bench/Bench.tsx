'use client';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useMemo, useState } from 'react';
import { faultWords, type ArcStation, type TerminationRef } from '@/core/record';
import type { CompoundEnd, TerminationView } from '@/core/termination-view';
import { RecordFaults } from '../common/RecordFaults';
import { Caution } from '../kit-of-parts/Caution';
import { ClockList } from '../compound-cure/job/ClockList';
import { stationPath } from '../rack/summaries';
import { ActorField } from '../shell/TopBar';
import { useShortcuts } from '../shell/shortcuts';
import { ReviewPanel } from '../termination/ReviewPanel';
import { BenchCollar } from './BenchCollar';
import { BenchMeasure } from './BenchMeasure';
import { HoldButton } from './HoldButton';
import { MarkStrip } from './MarkStrip';
import { StepScreen } from './StepScreen';
import { RecutForm } from './RecutForm';
import { StepClock } from './StepClock';
import { useWork } from './use-work';
import { useGate } from './use-gate';
import { useWakeLock } from './use-wake-lock';
import styles from './Bench.module.css';
import { useLook, useShown } from '../data/use-look';

interface Props {
  readonly end: TerminationRef;
}

/** One step a screen, full screen, for gloves and glare. */
export function Bench({ end }: Props) {
  const view = useShown(['viewTermination', end]);
  const others = useOthers(view);
  const subject = useMemo(
    () => ({ kind: 'termination', job: view.job.slug, cable: view.cable, end: view.end }) as const,
    [view.job.slug, view.cable, view.end],
  );
  const zone = view.place?.enclosure.zone ?? null;
  const [gateOpen, passGate] = useGate(`ac_gate_${view.place?.area ?? ''}`);
  const [looking, setLooking] = useState<string | null>(null);
  // Measuring ends by itself when the plan under it is made again.
  const [measuringFor, setMeasuringFor] = useState<string | null>(null);
  const measuring = measuringFor !== null && measuringFor === view.plan?.hash;
  const setMeasuring = (on: boolean) => setMeasuringFor(on ? (view.plan?.hash ?? null) : null);
  const wake = useWakeLock();
  const { command, unsent, busy, problems, clear, waste } = useWork(subject);
  const [recutting, setRecutting] = useState<string | null>(null);
  const index = view.steps.findIndex((s) => s.id === view.nextStep);
  const shown = view.steps.find((s) => s.id === looking) ?? view.steps[index] ?? null;
  const at = shown ? view.steps.indexOf(shown) : view.steps.length - 1;
  const pick = (station: ArcStation) => {
    const first =
      view.steps.find((s) => s.station === station && !view.done.includes(s.id)) ??
      view.steps.find((s) => s.station === station);
    setMeasuring(
      station === 'measure' && !view.steps.some((s) => s.station === 'measure' && s.id === view.nextStep),
    );
    setLooking(first?.id ?? null);
  };
  useShortcuts({
    ArrowLeft: () => setLooking(view.steps[at - 1]?.id ?? null),
    ArrowRight: () => setLooking(view.steps[at + 1]?.id ?? null),
  });
  const provisional = (view.plan?.plan.provisional.length ?? 0) > 0 && !view.stale;
  const back = stationPath(view.job.slug, view.cable, view.end, 'makeOff');

  return (
    <div className={styles.bench} data-dark="" data-bench="">
      <header className={styles.head}>
        <Link href={back} className={styles.tag}>
          {view.tag}
        </Link>
        <span className={styles.where}>
          {view.plan?.plan.size ?? 'no gland'} · {view.place?.enclosure.title ?? 'no entry'}
        </span>
        <span className={styles.state}>
          {unsent ? <b className={styles.unsent}>not sent yet, trying again</b> : null}
          {wake === 'off' ? <span className={styles.sleep}>screen may sleep</span> : null}
          <ActorField />
        </span>
      </header>
      <aside className={styles.side}>
        <BenchCollar
          arcs={view.collar.arcs}
          active={shown?.station ?? null}
          step={Math.min(view.done.length + 1, view.steps.length)}
          steps={view.steps.length}
          onPick={pick}
        />
        <dl className={styles.facts}>
          <dt>Done</dt>
          <dd>
            {view.done.length} of {view.steps.length} steps
          </dd>
          {view.loops > 0 ? (
            <>
              <dt>Looks that sent back</dt>
              <dd>{view.loops}</dd>
            </>
          ) : null}
          <dt>Entry</dt>
          <dd>{view.place ? `${view.place.enclosure.tag}, ${view.place.entry.label}` : '–'}</dd>
        </dl>
        {others.length > 0 ? (
          <section aria-label="Running at other ends">
            <h2 className={styles.othersHead}>Running elsewhere</h2>
            <ClockList job={view.job.slug} ends={others} />
          </section>
        ) : null}
      </aside>
      <main className={styles.main}>
        {view.review?.sheet && !view.stale ? (
          <Caution tone="marginal">
            Sheet {view.review.sheet.code}: revision {view.review.sheet.to} is in force; these steps are those
            of revision {view.review.sheet.from}. Go by the sheet that came with the gland
            {view.review.refusal === null ? '.' : `. By the new one: ${view.review.refusal}.`}
          </Caution>
        ) : null}
        {zone !== null && !gateOpen ? (
          <Gate area={view.place?.area ?? ''} zone={zone} onPass={passGate} back={back} />
        ) : view.chainFaults.length > 0 ? (
          <div className={styles.step}>
            <h1 className={styles.title}>Stop: this record does not hold</h1>
            <RecordFaults faults={view.chainFaults.map(faultWords)} />
            <div className={styles.buttons}>
              <Link
                href={stationPath(view.job.slug, view.cable, view.end, 'prove')}
                className={styles.primary}
              >
                See the record
              </Link>
            </div>
          </div>
        ) : view.plan === null ? (
          <Message
            title="No gland chosen"
            text="The steps follow from the gland and its sheet."
            href={stationPath(view.job.slug, view.cable, view.end, 'choose')}
            action="Choose a gland"
          />
        ) : view.stale ? (
          <div className={styles.step}>
            <h1 className={styles.title}>Stop: the plan is stale</h1>
            <ReviewPanel view={view} />
          </div>
        ) : provisional || measuring ? (
          <BenchMeasure
            view={view}

            demanded={provisional}
            onClose={() => setMeasuring(false)}
          />
        ) : shown === null || view.steps.length === 0 ? (
          view.steps.length === 0 ? (
            <Message
              title="No steps can be led"
              text={view.collar.blockedBy ?? 'This plan has no steps.'}
              href={stationPath(view.job.slug, view.cable, view.end, 'cut')}
              action="See why"
            />
          ) : (
            <Message
              title={`Signed by ${view.signedBy ?? 'somebody'}`}
              text="Every step of this termination is recorded."
              href={stationPath(view.job.slug, view.cable, view.end, 'prove')}
              action="See the record"
            />
          )
        ) : (
          <StepScreen
            key={shown.id}
            steps={view.steps}
            acts={view.acts}
            done={view.done}
            signedBy={view.signedBy}
            step={shown}
            current={shown.id === view.nextStep}
            busy={busy}
            problems={problems}
            waste={waste}
            onCommand={(sent) => {
              setLooking(null);
              command(sent);
            }}
            onEdit={clear}
            onBack={() => setLooking(view.steps[at - 1]?.id ?? null)}
            onReturn={() => setLooking(null)}
            picture={
              shown.figure?.markId && view.plan?.plan.cut ? (
                <MarkStrip
                  cut={view.plan.plan.cut}
                  markId={shown.figure.markId}
                  text={`${shown.figure.value} ${shown.figure.unit}`}
                />
              ) : null
            }
            clock={<StepClock view={view} step={shown} />}
            form={recutting === shown.id ? <RecutForm view={view} onDone={() => setRecutting(null)} /> : null}
            tools={
              <>
                <Button variant="outlined" onClick={() => setMeasuring(true)}>
                  Measured…
                </Button>
                {shown.station === 'cut' || shown.station === 'makeOff' ? (
                  <Button
                    variant="outlined"
                    onClick={() => setRecutting(recutting === shown.id ? null : shown.id)}
                  >
                    Damaged…
                  </Button>
                ) : null}
              </>
            }
          />
        )}
      </main>
    </div>
  );
}

function Gate({
  area,
  zone,
  onPass,
  back,
}: {
  readonly area: string;
  readonly zone: number;
  readonly onPass: () => void;
  readonly back: string;
}) {
  return (
    <div className={styles.step}>
      <h1 className={styles.title}>
        {area} is classified: zone {zone}
      </h1>
      <p className={styles.detail}>
        This tablet, its camera, testers, torches, heat guns and power tools are themselves ignition sources
        there.
      </p>
      <Caution>
        Open the bench only outside the zone, or with a permit and a gas test that cover this very device.
      </Caution>
      <div className={styles.buttons}>
        <Link href={back} className={styles.back}>
          Not now
        </Link>
        <HoldButton onConfirm={onPass}>Hold: permit covers this device</HoldButton>
      </div>
    </div>
  );
}

function Message({
  title,
  text,
  href,
  action,
}: {
  readonly title: string;
  readonly text: string;
  readonly href: string;
  readonly action: string;
}) {
  return (
    <div className={styles.step}>
      <h1 className={styles.title}>{title}</h1>
      <p className={styles.detail}>{text}</p>
      <div className={styles.buttons}>
        <Link href={href} className={styles.primary}>
          {action}
        </Link>
      </div>
    </div>
  );
}

/** Pot lives and cures that run at other ends of the job. */
function useOthers({ job, tag }: TerminationView): readonly CompoundEnd[] {
  const { view } = useLook(['viewCompound', job.slug]);
  return (view?.ends ?? []).filter((e) => (e.state === 'curing' || e.state === 'mixed') && e.tag !== tag);
}
