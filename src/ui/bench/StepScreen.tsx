'use client';
import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import type { Measuring } from '@/core/instrument';
import type { Problem } from '@/core/kernel';
import type { BenchAct, Step, SubjectRef, WorkCommand } from '@/core/record';
import { Caution } from '../kit-of-parts/Caution';
import { Problems } from '../kit-of-parts/Problems';
import { BenchButtons, BenchPrimary, BenchStep } from './parts';
import { StepAnswer } from './StepAnswer';
import { Seen, StepText } from './StepText';
import { TakeBack } from './TakeBack';

interface StepScreenProps {
  readonly subject: SubjectRef;
  readonly steps: readonly Step[];
  readonly acts: readonly BenchAct[];
  readonly done: readonly string[];
  readonly signedBy: string | null;
  readonly step: Step;
  /** By what readings are judged. */
  readonly measuring: Measuring;
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

/** One step, of whatever is worked at: what it asks for, what to see, and the buttons that lead on or back. */
export function StepScreen(props: StepScreenProps) {
  const { steps, step, current } = props;
  const at = steps.indexOf(step);
  const state = props.done.includes(step.id) ? 'done' : current ? 'now' : 'later';
  return (
    <BenchStep>
      <StepText step={step} at={at} of={steps.length} state={state}>
        {props.picture}
      </StepText>
      {current ? <Now {...props} first={at === 0} /> : <Elsewhere {...props} first={at === 0} />}
    </BenchStep>
  );
}

type PartProps = StepScreenProps & { readonly first: boolean };

/** The step whose turn it is. */
function Now({ step, busy, problems, waste = null, first, ...rest }: PartProps) {
  return (
    <>
      {waste === null ? null : <Caution tone="hold">{waste}</Caution>}
      {rest.clock}
      {step.blockedBy === undefined ? null : <Caution tone="hold">Stop: {step.blockedBy}.</Caution>}
      <StepAnswer
        subject={rest.subject}
        step={step}
        measuring={rest.measuring}
        busy={busy || step.blockedBy !== undefined}
        problems={problems}
        form={rest.form}
        tools={rest.tools}
        first={first}
        onCommand={rest.onCommand}
        onEdit={rest.onEdit}
        onBack={rest.onBack}
      />
    </>
  );
}

/** A step that was done or comes later: to be read, or taken back. */
function Elsewhere({ steps, acts, step, done, signedBy, busy, problems, first, ...rest }: PartProps) {
  const [takingBack, setTakingBack] = useState(false);
  const { checks = [] } = step;
  return (
    <>
      {checks.length > 0 ? <Seen checks={checks} /> : null}
      <Problems problems={problems} />
      {takingBack ? (
        <TakeBack
          steps={steps}
          acts={acts}
          step={step}
          signedBy={signedBy}
          busy={busy}
          onClose={() => setTakingBack(false)}
          onTakeBack={(reason) => rest.onCommand({ kind: 'correct', stepId: step.id, reason })}
        />
      ) : (
        <BenchButtons>
          <Button variant="outlined" onClick={rest.onBack} disabled={first}>
            Back
          </Button>
          {done.includes(step.id) ? (
            <Button variant="outlined" onClick={() => setTakingBack(true)}>
              Held by mistake…
            </Button>
          ) : null}
          <BenchPrimary onClick={rest.onReturn}>To the next step</BenchPrimary>
        </BenchButtons>
      )}
    </>
  );
}
