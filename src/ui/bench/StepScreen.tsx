'use client';
import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import type { Problem } from '@/core/kernel';
import { mustTick, type BenchAct, type LookDecision, type Step, type WorkCommand } from '@/core/record';
import { Caution } from '../kit-of-parts/Caution';
import { Problems } from '../kit-of-parts/Problems';
import { useActor } from '../shell/actor';
import { HoldButton } from './HoldButton';
import { Lengths, readLengths, type TypedLengths } from './Lengths';
import { EMPTY_MIX, MixForm, readMix } from './MixForm';
import { TakeBack } from './TakeBack';
import { Ticks } from './Ticks';
import { useInstrument } from '../common/use-instrument';
import styles from './Bench.module.css';

interface StepScreenProps {
  readonly steps: readonly Step[];
  readonly acts: readonly BenchAct[];
  readonly done: readonly string[];
  readonly signedBy: string | null;
  readonly step: Step;
  /** Is it this step's turn? */
  readonly current: boolean;
  readonly busy: boolean;
  readonly problems: readonly Problem[];
  /** Why the last mix is waste. */
  readonly waste?: string | null;
  readonly onCommand: (command: WorkCommand) => void;
  /** Something was typed or ticked: what was said to the last attempt no longer stands. */
  readonly onEdit: () => void;
  readonly onBack: () => void;
  readonly onReturn: () => void;
  /** What the subject adds: a drawing under the number, a clock, its own forms and buttons. */
  readonly picture?: ReactNode;
  readonly clock?: ReactNode;
  readonly form?: ReactNode;
  readonly tools?: ReactNode;
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

/** One step, of whatever is worked at: its number from two metres, how, what to see, and the buttons that lead on or back. */
export function StepScreen(props: StepScreenProps) {
  const { steps, step, current, done, busy, problems, waste = null, onCommand, onBack, onReturn } = props;
  const [takingBack, setTakingBack] = useState(false);
  const { name } = useActor();
  const isDone = done.includes(step.id);
  const at = steps.indexOf(step);
  return (
    <div className={styles.step}>
      <StepText step={step} at={at} of={steps.length} state={isDone ? 'done' : current ? 'now' : 'later'}>
        {props.picture}
      </StepText>
      {current && waste !== null ? <Caution tone="hold">{waste}</Caution> : null}
      {current ? props.clock : null}
      {current && step.blockedBy !== undefined ? (
        <Caution tone="hold">Stop: {step.blockedBy}.</Caution>
      ) : null}
      {current ? (
        <StepAnswer
          step={step}
          busy={busy || name.trim() === '' || step.blockedBy !== undefined}
          problems={problems}
          form={props.form}
          tools={props.tools}
          first={at === 0}
          named={name.trim() !== ''}
          onCommand={onCommand}
          onEdit={props.onEdit}
          onBack={onBack}
        />
      ) : (
        <>
          {step.checks && step.checks.length > 0 ? <Seen checks={step.checks} /> : null}
          <Problems problems={problems} />
          {takingBack ? (
            <TakeBack
              steps={steps}
              acts={props.acts}
              step={step}
              signedBy={props.signedBy}
              busy={busy || name.trim() === ''}
              onClose={() => setTakingBack(false)}
              onTakeBack={(reason) => onCommand({ kind: 'correct', stepId: step.id, reason })}
            />
          ) : (
            <div className={styles.buttons}>
              <Button variant="outlined" onClick={onBack} disabled={at === 0}>
                Back
              </Button>
              {isDone ? (
                <Button variant="outlined" onClick={() => setTakingBack(true)}>
                  Held by mistake…
                </Button>
              ) : null}
              <button type="button" className={styles.primary} onClick={onReturn}>
                To the next step
              </button>
            </div>
          )}
        </>
      )}
    </div>
  );
}

const Seen = ({ checks }: { readonly checks: readonly string[] }) => (
  <ul className={styles.checks}>
    {checks.map((c) => (
      <li key={c}>{c}</li>
    ))}
  </ul>
);

/** The title of a step that has just come up takes the focus when it has gone to nobody, so that it is read out and Tab goes on from there. */
const announce = (title: HTMLElement | null): void => {
  if (title !== null && (document.activeElement === null || document.activeElement === document.body))
    title.focus({ preventScroll: true });
};

function StepText({
  step,
  at,
  of,
  state,
  children,
}: {
  readonly step: Step;
  readonly at: number;
  readonly of: number;
  readonly state: 'done' | 'now' | 'later';
  readonly children: ReactNode;
}) {
  return (
    <>
      <p className={styles.eyebrow}>
        step {at + 1} of {of}
        {step.kind === 'hold' || step.kind === 'look' || step.kind === 'cure' ? (
          <b className={styles.hold}>hold point</b>
        ) : null}
        {state === 'done' ? <b className={styles.done}>done</b> : null}
        {state === 'later' ? <b className={styles.later}>comes later</b> : null}
      </p>
      <h1 ref={announce} tabIndex={-1} className={styles.title}>
        {step.title}
      </h1>
      {step.figure ? (
        <p className={styles.figure}>
          <span className={styles.huge}>{step.figure.value}</span>
          <span className={styles.unit}>{step.figure.unit}</span>
          {step.figure.second ? <span className={styles.secondUnit}>{step.figure.second}</span> : null}
        </p>
      ) : null}
      {children}
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
      {step.caution ? <Caution>{step.caution}</Caution> : null}
    </>
  );
}

/** What the hand answers a step with: ticks, lengths, the pack, what was seen. */
function StepAnswer({
  step,
  busy,
  problems,
  form,
  tools,
  first,
  named,
  onCommand,
  onEdit,
  onBack,
}: {
  readonly step: Step;
  readonly busy: boolean;
  readonly problems: readonly Problem[];
  readonly form: ReactNode;
  readonly tools: ReactNode;
  readonly first: boolean;
  readonly named: boolean;
  readonly onCommand: (command: WorkCommand) => void;
  readonly onEdit: () => void;
  readonly onBack: () => void;
}) {
  const [ticked, setTicked] = useState<ReadonlySet<number>>(new Set());
  const [lengths, setLengths] = useState<TypedLengths>({});
  const [instrument, setInstrument] = useInstrument();
  const [mix, setMix] = useState(EMPTY_MIX);
  const { checks = [], accepts = [] } = step;
  const toTick = mustTick(step);
  const left = toTick ? checks.length - ticked.size : 0;
  const missing = accepts.some((a) => a.needed !== undefined && (lengths[a.key] ?? '').trim() === '');
  const ready = left === 0 && !missing && (step.kind !== 'mix' || readMix(mix) !== null);
  const tick = (i: number) => {
    const next = new Set(ticked);
    if (!next.delete(i)) next.add(i);
    setTicked(next);
    onEdit();
  };
  const confirm = (decision: LookDecision | null) => {
    const pack = step.kind === 'mix' ? readMix(mix) : null;
    onCommand({
      kind: 'confirm',
      stepId: step.id,
      fingerprint: step.fingerprint,
      decision,
      checked: [...ticked],
      ...(pack ? { mix: pack } : {}),
      ...(accepts.length > 0 ? { measured: readLengths(lengths), instrument } : {}),
    });
  };
  return (
    <>
      {toTick ? <Ticks checks={checks} ticked={ticked} onTick={tick} /> : null}
      {!toTick && checks.length > 0 ? <Seen checks={checks} /> : null}
      {step.kind === 'mix' ? (
        <MixForm
          value={mix}
          onChange={(typed) => {
            setMix(typed);
            onEdit();
          }}
        />
      ) : null}
      {accepts.length > 0 ? (
        <Lengths
          accepts={accepts}
          typed={lengths}
          instrument={instrument}
          onType={(key, text) => {
            setLengths({ ...lengths, [key]: text });
            onEdit();
          }}
          onInstrument={setInstrument}
        />
      ) : null}
      <Problems problems={problems} />
      {form}
      {named ? null : <Caution tone="hold">Type your name at the top: the record says who.</Caution>}
      <div className={styles.buttons}>
        <Button variant="outlined" onClick={onBack} disabled={first}>
          Back
        </Button>
        {step.kind === 'look' ? (
          (step.branches ?? []).map((branch) => (
            <HoldButton
              key={branch.decision}
              quiet={branch.backTo !== null}
              disabled={busy}
              onConfirm={() => confirm(branch.decision)}
            >
              {branch.button}
            </HoldButton>
          ))
        ) : (
          <>
            {tools}
            <HoldButton disabled={busy || !ready} onConfirm={() => confirm(null)}>
              {left > 0
                ? `Tick what you have seen: ${left} left`
                : missing
                  ? 'Type what you measured first'
                  : confirmWords(step)}
            </HoldButton>
          </>
        )}
      </div>
    </>
  );
}
