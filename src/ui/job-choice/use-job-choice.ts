'use client';
import { useEffect, useRef, useState } from 'react';
import type { JobChoicePlan } from '@/core/job-choice';
import { refuse, type Problem } from '@/core/kernel';
import type { JobChoiceView } from '@/core/termination-view';
import { startChooseJob } from '@/workers/job-choice';
import type { Running } from '@/workers/run-in-worker';

type State =
  | { readonly kind: 'idle' }
  | { readonly kind: 'running'; readonly stage: string; readonly done: number; readonly of: number }
  | { readonly kind: 'found'; readonly plan: JobChoicePlan; readonly seconds: number };

/** The choice for a whole job, worked out in a worker: begun, watched, cancelled. */
export function useJobChoice(view: JobChoiceView) {
  const [state, setState] = useState<State>({ kind: 'idle' });
  const [failure, setFailure] = useState<readonly Problem[]>([]);
  const running = useRef<Running<JobChoicePlan> | null>(null);
  useEffect(() => () => running.current?.cancel(), []);
  const start = () => {
    setFailure([]);
    setState({ kind: 'running', stage: 'loading the solver', done: 0, of: 3 });
    const began = performance.now();
    const choice = startChooseJob(view.request, (stage, done, of) =>
      setState({ kind: 'running', stage, done, of }),
    );
    running.current = choice;
    choice.result.then(
      (plan) => setState({ kind: 'found', plan, seconds: (performance.now() - began) / 1000 }),
      (error: unknown) => {
        setState({ kind: 'idle' });
        const words = error instanceof Error ? error.message : String(error);
        setFailure(refuse('', `The choice could not be worked out: ${words}`).problems);
      },
    );
  };
  const leave = () => setState({ kind: 'idle' });
  return {
    state,
    failure,
    start,
    leave,
    cancel: () => {
      running.current?.cancel();
      leave();
    },
  };
}
