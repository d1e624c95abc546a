'use client';
import { useState } from 'react';
import type { LookDecision, Step } from '@/core/procedure';
import type { TerminationView } from '@/core/termination-view';
import { trimNumber } from '@/core/units';
import { Caution } from '../common/Caution';
import { Problems } from '../common/Problems';
import { useActor } from '../shell/actor';
import type { ConfirmMore, TerminationActions } from '../termination/actions';
import { HoldButton } from './HoldButton';
import { MarkStrip } from './MarkStrip';
import { EMPTY_MIX, MixForm, readMix } from './MixForm';
import { RecutForm } from './RecutForm';
import { StepClock } from './StepClock';
import styles from './Bench.module.css';

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

/** One step: its number from two metres, how, what to see, and the buttons that lead on or back. */
export function StepScreen({
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
        {step.kind === 'hold' || step.kind === 'look' || step.kind === 'cure' ? (
          <b className={styles.hold}>hold point</b>
        ) : null}
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
      <p className={styles.why}>{step.reason}</p>
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
