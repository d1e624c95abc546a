'use client';
import Button from '@mui/material/Button';
import dynamic from 'next/dynamic';
import { useState, type ReactNode } from 'react';
import type { Measuring } from '@/core/instrument';
import type { Problem } from '@/core/kernel';
import { subjectKey } from '@/core/kept-work';
import {
  isHoldPoint,
  mustTick,
  unitOf,
  type LookDecision,
  type MixRecord,
  type Step,
  type SubjectRef,
  type WorkCommand,
} from '@/core/record';
import { useInstrument, type MeasuredHere } from '../common/use-instrument';
import { Problems } from '../kit-of-parts/Problems';
import { Choices, unsaid, type Chosen } from './Choices';
import { HoldButton } from './HoldButton';
import { Lengths, NOTHING_TYPED, openOf, readLengths, type Open, type TypedLengths } from './Lengths';
import { BenchButtons } from './parts';
import { PhotoStrip } from './photos/PhotoStrip';
import { usePhotos } from './photos/use-photos';
import { Seen } from './StepText';
import { Ticks } from './Ticks';

// Only a step that mixes asks for what stands on a pack.
const MixForm = dynamic(() => import('./MixForm').then((m) => m.MixForm), { ssr: false });

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

const OPEN_WORDS: Readonly<Record<Open, string>> = {
  first: 'Type what you measured first',
  again: 'Read it a second time first',
};

/** What a step waits for before it can be held; null when for nothing. */
function waitsFor(left: number, missing: Open | null, unmixed: boolean, toSay: number): string | null {
  if (toSay > 0) return `Not said yet: ${toSay} left`;
  if (left > 0) return `Tick what you have seen: ${left} left`;
  if (unmixed) return 'Batch, date and warmth first';
  return missing === null ? null : OPEN_WORDS[missing];
}

/** What is measured at a step. */
function measuredAt({ kind, accepts = [] }: Step): MeasuredHere {
  if (kind === 'mix') return 'temperature';
  if (accepts.some((a) => unitOf(a) === 'MΩ')) return 'insulation';
  if (accepts.some((a) => unitOf(a) === '°')) return 'angle';
  return accepts.some((a) => unitOf(a) === 'N·m') ? 'torque' : 'length';
}

/** What a hand has answered so far, and whether that is all. */
function useAnswer(step: Step, subject: SubjectRef, measuring: Measuring, onEdit: () => void) {
  const photos = usePhotos(subject.job, `${subjectKey(subject)} ${step.id}`);
  const [ticked, setTicked] = useState<ReadonlySet<number>>(new Set());
  const [lengths, setLengths] = useState<TypedLengths>(NOTHING_TYPED);
  const [mix, setMix] = useState<MixRecord | null>(null);
  const [chosen, setChosen] = useState<Chosen>({});
  const [instrument, setInstrument] = useInstrument(measuredAt(step));
  const { checks = [], accepts = [], choices = [] } = step;
  const toSay = unsaid(choices, chosen);
  const left = mustTick(step) ? checks.length - ticked.size : 0;
  const unmixed = step.kind === 'mix' && mix === null;
  const missing = openOf(accepts, lengths, measuring, instrument);
  const edited = (set: () => void) => {
    set();
    onEdit();
  };
  const confirm = (decision: LookDecision | null): WorkCommand => {
    return {
      kind: 'confirm',
      stepId: step.id,
      fingerprint: step.fingerprint,
      decision,
      checked: [...ticked],
      ...(choices.length > 0 ? { chosen } : {}),
      ...(mix ? { mix, instrument } : {}),
      ...(accepts.length > 0 ? { ...readLengths(accepts, lengths, measuring, instrument), instrument } : {}),
      ...(photos.all.length > 0 ? { photos: photos.all.map((p) => p.hash) } : {}),
    };
  };
  return {
    photos,
    ticked,
    chosen,
    lengths,
    instrument,
    setInstrument,
    tick: (i: number) =>
      edited(() => {
        const next = new Set(ticked);
        if (!next.delete(i)) next.add(i);
        setTicked(next);
      }),
    choose: (said: Chosen) => edited(() => setChosen(said)),
    type: (typed: TypedLengths) => edited(() => setLengths(typed)),
    typeMix: (typed: MixRecord | null) => edited(() => setMix(typed)),
    /** Why it cannot be held yet; null when it can. */
    waits: waitsFor(left, missing, unmixed, toSay),
    ready: left === 0 && missing === null && !unmixed && toSay === 0,
    confirm,
  };
}

interface Props {
  readonly subject: SubjectRef;
  readonly step: Step;
  /** By what readings are judged. */
  readonly measuring: Measuring;
  readonly busy: boolean;
  readonly problems: readonly Problem[];
  readonly form: ReactNode;
  readonly tools: ReactNode;
  readonly first: boolean;
  readonly onCommand: (command: WorkCommand) => void;
  readonly onEdit: () => void;
  readonly onBack: () => void;
}

/** What the hand answers a step with: ticks, lengths, the pack, what was seen. */
export function StepAnswer(props: Props) {
  const { step, problems, onCommand, onBack } = props;
  const answer = useAnswer(step, props.subject, props.measuring, props.onEdit);
  const { checks = [], accepts = [], choices = [] } = step;
  return (
    <>
      {choices.length > 0 ? (
        <Choices choices={choices} chosen={answer.chosen} onChoose={answer.choose} />
      ) : null}
      {mustTick(step) ? (
        <Ticks checks={checks} ticked={answer.ticked} onTick={answer.tick} />
      ) : checks.length > 0 ? (
        <Seen checks={checks} />
      ) : null}
      {step.kind === 'mix' ? (
        <MixForm
          onChange={answer.typeMix}
          instrument={answer.instrument}
          onInstrument={answer.setInstrument}
        />
      ) : null}
      {accepts.length > 0 ? (
        <Lengths
          accepts={accepts}
          typed={answer.lengths}
          measuring={props.measuring}
          instrument={answer.instrument}
          onType={answer.type}
          onInstrument={answer.setInstrument}
        />
      ) : null}
      {isHoldPoint(step) ? <PhotoStrip photos={answer.photos} /> : null}
      <Problems problems={problems} />
      {props.form}
      <BenchButtons>
        <Button variant="outlined" onClick={onBack} disabled={props.first}>
          Back
        </Button>
        {step.kind === 'look' ? (
          (step.branches ?? []).map((branch) => (
            <HoldButton
              key={branch.decision}
              quiet={branch.backTo !== null}
              disabled={props.busy}
              onConfirm={() => onCommand(answer.confirm(branch.decision))}
            >
              {branch.button}
            </HoldButton>
          ))
        ) : (
          <>
            {props.tools}
            <HoldButton
              disabled={props.busy || !answer.ready}
              onConfirm={() => onCommand(answer.confirm(null))}
            >
              {answer.waits ?? confirmWords(step)}
            </HoldButton>
          </>
        )}
      </BenchButtons>
    </>
  );
}
