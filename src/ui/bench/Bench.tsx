'use client';
import Link from 'next/link';
import { useMemo, useState, useSyncExternalStore } from 'react';
import type { ArcStation, LookDecision, Step } from '@/core/procedure';
import type { CompoundEnd, TerminationView } from '@/core/termination-view';
import { trimNumber } from '@/core/units';
import { Caution } from '../common/Caution';
import { ClockList } from '../compound/ClockList';
import { Problems } from '../common/Problems';
import { stationPath } from '../rack/summaries';
import { ActorField } from '../shell/TopBar';
import { useActor } from '../shell/actor';
import { useShortcuts } from '../shell/shortcuts';
import type { ConfirmMore, TerminationActions } from '../termination/actions';
import { ReviewPanel } from '../termination/ReviewPanel';
import { BenchCollar } from './BenchCollar';
import { BenchMeasure } from './BenchMeasure';
import { HoldButton } from './HoldButton';
import { MarkStrip } from './MarkStrip';
import { EMPTY_MIX, MixForm, readMix } from './MixForm';
import { RecutForm } from './RecutForm';
import { StepClock } from './StepClock';
import { useConfirm } from './use-confirm';
import { useWakeLock } from './use-wake-lock';
import styles from './Bench.module.css';

interface Props {
  readonly view: TerminationView;
  /** Pot lives and cures that run at other ends of the job. */
  readonly others: readonly CompoundEnd[];
  readonly actions: TerminationActions;
}

/** Asked once for each area and visit, before any device is used there. */
function useGate(key: string): readonly [boolean, () => void] {
  const open = useSyncExternalStore(
    (listener) => {
      window.addEventListener('amber-collar:gate', listener);
      return () => window.removeEventListener('amber-collar:gate', listener);
    },
    () => sessionStorage.getItem(key) === 'open',
    () => false,
  );
  const pass = () => {
    sessionStorage.setItem(key, 'open');
    window.dispatchEvent(new Event('amber-collar:gate'));
  };
  return [open, pass];
}

/** One step a screen, full screen, for gloves and glare. */
export function Bench({ view, others, actions }: Props) {
  const reference = useMemo(
    () => ({ job: view.job.slug, cable: view.cable, end: view.end }),
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
  const { confirmStep, unsent, sending, problems, waste } = useConfirm(reference, actions.confirmStep);
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
    <div className={styles.bench} data-dark="">
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
        {zone !== null && !gateOpen ? (
          <Gate area={view.place?.area ?? ''} zone={zone} onPass={passGate} back={back} />
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
            <ReviewPanel view={view} actions={actions} />
          </div>
        ) : provisional || measuring ? (
          <BenchMeasure
            view={view}
            actions={actions}
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
            view={view}
            step={shown}
            current={shown.id === view.nextStep}
            busy={sending || unsent}
            problems={problems}
            onConfirm={(decision, more) => {
              setLooking(null);
              confirmStep(shown, decision, more);
            }}
            actions={actions}
            waste={waste}
            onBack={() => setLooking(view.steps[at - 1]?.id ?? null)}
            onReturn={() => setLooking(null)}
            onMeasure={() => setMeasuring(true)}
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

interface StepScreenProps {
  readonly actions: TerminationActions;
  readonly waste: string | null;
  readonly view: TerminationView;
  readonly step: Step;
  readonly current: boolean;
  readonly busy: boolean;
  readonly problems: Parameters<typeof Problems>[0]['problems'];
  readonly onConfirm: (decision: LookDecision | null, more?: ConfirmMore) => void;
  readonly onBack: () => void;
  readonly onReturn: () => void;
  readonly onMeasure: () => void;
}

const WORDS: Readonly<Record<Step['kind'], string>> = {
  sign: 'Hold: sign',
  hold: 'Hold: checked',
  mix: 'Hold: mixed now',
  cure: 'Hold: it is hard',
  look: '',
  confirm: 'Hold: done',
};
const confirmWords = (step: Step): string =>
  step.station === 'cut' && step.kind === 'confirm' ? 'Hold: marked and cut' : WORDS[step.kind];

/** A length typed at the bench; what cannot be read is refused by the server with its field. */
const readMm = (text: string): number => Number(text.trim().replace(',', '.'));

function StepScreen({
  view,
  step,
  current,
  busy,
  problems,
  onConfirm,
  onBack,
  onReturn,
  onMeasure,
  actions,
  waste,
}: StepScreenProps) {
  const { name } = useActor();
  const cut = view.plan?.plan.cut ?? null;
  const done = view.done.includes(step.id);
  const [measured, setMeasured] = useState('');
  const [mix, setMix] = useState(EMPTY_MIX);
  const [recutting, setRecutting] = useState(false);
  const ready = step.kind !== 'mix' || readMix(mix) !== null;
  return (
    <div className={styles.step}>
      <p className={styles.eyebrow}>
        step {view.steps.indexOf(step) + 1} of {view.steps.length}
        {step.kind === 'hold' || step.kind === 'look' ? <b className={styles.hold}>hold point</b> : null}
        {done ? (
          <b className={styles.done}>done</b>
        ) : current ? null : (
          <b className={styles.later}>comes later</b>
        )}
      </p>
      <h1 className={styles.title}>{step.title}</h1>
      {step.figure ? (
        <p className={styles.figure}>
          <span className={styles.huge}>{step.figure.value}</span>
          <span className={styles.unit}>{step.figure.unit}</span>
          {step.figure.second ? <span className={styles.secondUnit}>{step.figure.second}</span> : null}
        </p>
      ) : null}
      {step.figure?.markId && cut ? (
        <MarkStrip cut={cut} markId={step.figure.markId} text={`${step.figure.value} ${step.figure.unit}`} />
      ) : null}
      <p className={styles.detail}>
        {step.tool ? <b>{step.tool}. </b> : null}
        {step.detail}
      </p>
      {step.list && step.list.length > 0 ? (
        <ol className={styles.list}>
          {step.list.map((item) => (
            <li key={item}>{item}</li>
          ))}
        </ol>
      ) : null}
      {step.checks && step.checks.length > 0 ? (
        <ul className={styles.checks}>
          {step.checks.map((c) => (
            <li key={c}>{c}</li>
          ))}
        </ul>
      ) : null}
      {step.caution ? <Caution>{step.caution}</Caution> : null}
      {current && waste !== null ? <Caution tone="hold">{waste}</Caution> : null}
      {current ? <StepClock view={view} actions={actions} step={step} /> : null}
      {current && step.kind === 'mix' ? <MixForm value={mix} onChange={setMix} /> : null}
      {current && step.accept ? (
        <label className={styles.accept}>
          {step.accept.label}, as cut
          <input
            className={styles.asCut}
            name="AsCut"
            inputMode="decimal"
            autoComplete="off"
            value={measured}
            onChange={(e) => setMeasured(e.target.value)}
          />
          <span>
            mm, {trimNumber(step.accept.minMm, 1)}–{trimNumber(step.accept.maxMm, 1)} asked for
          </span>
        </label>
      ) : null}
      <Problems problems={problems} />
      {recutting ? <RecutForm view={view} actions={actions} onDone={() => setRecutting(false)} /> : null}
      {current && name.trim() === '' ? (
        <Caution tone="hold">Type your name at the top: the record says who.</Caution>
      ) : null}
      <div className={styles.buttons}>
        <button
          type="button"
          className={styles.back}
          onClick={onBack}
          disabled={view.steps.indexOf(step) === 0}
        >
          Back
        </button>
        {!current ? (
          <button type="button" className={styles.primary} onClick={onReturn}>
            To the next step
          </button>
        ) : step.kind === 'look' ? (
          (step.branches ?? []).map((branch) => (
            <HoldButton
              key={branch.decision}
              quiet={branch.backTo !== null}
              disabled={busy || name.trim() === ''}
              onConfirm={() => onConfirm(branch.decision)}
            >
              {branch.button}
            </HoldButton>
          ))
        ) : (
          <>
            <button type="button" className={styles.back} onClick={onMeasure}>
              Measured…
            </button>
            {step.station === 'cut' || step.station === 'makeOff' ? (
              <button type="button" className={styles.back} onClick={() => setRecutting(!recutting)}>
                Damaged…
              </button>
            ) : null}
            <HoldButton
              disabled={busy || name.trim() === '' || !ready}
              onConfirm={() => {
                const pack = step.kind === 'mix' ? readMix(mix) : null;
                onConfirm(null, {
                  ...(pack ? { mix: pack } : {}),
                  ...(step.accept && measured.trim() !== '' ? { measuredMm: readMm(measured) } : {}),
                });
              }}
            >
              {confirmWords(step)}
            </HoldButton>
          </>
        )}
      </div>
    </div>
  );
}
