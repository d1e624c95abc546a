'use client';
import { startTransition, useCallback, useEffect, useRef, useState } from 'react';
import type { LaterCable, Made, SealKindId, SealPlan, SealSetup, SealView } from '@/core/crossing';
import { refuse, type Problem } from '@/core/kernel';
import type { CrossingRef } from '@/core/record';
import type { SleevePlan, SleeveRequest } from '@/core/soft-seal';
import type { Running } from '@/workers/run-in-worker';
import { startMove, startSeal } from '@/workers/soft-seal';
import { useSend } from '../../data/use-send';
import { useRun } from '../../termination/use-run';
import { progressStore, restart } from '../progress-store';
import { useTaking } from '../use-taking';

export type SealMade = Made<SealKindId>;

/** A plan beside what it was made from: both come out of one planner. */
const madeOf = (of: SealKindId, request: unknown, plan: SealPlan): SealMade =>
  ({ of, request, plan }) as unknown as SealMade;

/** What is worked out in the background: a plan for what is asked today, or a cable that is laid elsewhere. */
function useWorking() {
  const [working, setWorking] = useState(false);
  const [failure, setFailure] = useState<readonly Problem[]>([]);
  const [progress] = useState(progressStore);
  const running = useRef<Running<unknown> | null>(null);
  const stop = useCallback(() => {
    running.current?.cancel();
    running.current = null;
    setWorking(false);
  }, []);
  useEffect(() => () => running.current?.cancel(), []);
  const start = useCallback(
    <T>(begin: () => Running<T>, then: (value: T) => void) => {
      running.current?.cancel();
      restart(progress);
      progress.set({ stage: 'laying it out', done: 0, of: 100 });
      // The page is drawn anew in pieces, beside the worker; the same when it is done.
      startTransition(() => {
        setFailure([]);
        setWorking(true);
      });
      const begun = begin();
      running.current = begun;
      begun.result.then(
        (value) => {
          if (running.current !== begun) return;
          running.current = null;
          startTransition(() => {
            setWorking(false);
            then(value);
          });
        },
        (error: unknown) => {
          if (running.current !== begun) return;
          running.current = null;
          setWorking(false);
          const why = error instanceof Error ? error.message : String(error);
          setFailure(refuse('', `It could not be worked out: ${why}`).problems);
        },
      );
    },
    [progress],
  );
  return { working, failure, setFailure, progress, start, stop };
}

/** What is going on at a soft seal: the plan on the screen, what was laid by hand, and everything that can be done. */
export function useSeal(ref: CrossingRef, view: SealView) {
  const send = useSend();
  const { run, busy: saving, problems: unsaved } = useRun();
  const taking = useTaking();
  const work = useWorking();
  const { start, progress } = work;
  const [inForce]: readonly (SealMade & { readonly stale: boolean })[] = view.plans;
  const [drafts, setPast] = useState<readonly (readonly [hash: string, made: SealMade])[]>([]);
  const [words, setWords] = useState<{ readonly good: boolean; readonly text: string } | null>(null);
  const { request } = view.asked;
  const { kind, requestHash } = view;
  const put = useCallback(
    (made: SealMade) => setPast((before) => [...before, [requestHash, made]]),
    [requestHash],
  );
  // What was drawn of another request says nothing of this one.
  const past = drafts.filter(([hash]) => hash === requestHash).map(([, made]) => made);

  const plan = useCallback(() => {
    if (request === null) return;
    // Its request is that of its kind: the server read both as one.
    const ask = { kind, asked: { request } } as Parameters<typeof startSeal>[0];
    start(
      () => startSeal(ask, (stage, done, of) => progress.set({ stage, done, of })),
      (made) => {
        setWords(null);
        put(madeOf(kind, request, made));
      },
    );
  }, [kind, progress, put, request, start]);

  // What is asked has changed, and nothing in force answers it: it is answered at once, and taken by whoever looks at it.
  const answered = useRef<string | null>(null);
  const unanswered = requestHash !== '' && (inForce === undefined || inForce.stale);
  useEffect(() => {
    if (!unanswered || answered.current === requestHash) return;
    answered.current = requestHash;
    setPast([]);
    plan();
  }, [unanswered, requestHash, plan]);

  const shown: SealMade | null = past.at(-1) ?? (unanswered ? null : (inForce ?? null));
  const take = (note: string) => {
    if (past.length === 0 || shown === null) return;
    taking.take({
      send: (id, knowing) =>
        send('takeCrossingPlan', ref, {
          id,
          knowing,
          kind: 'planned',
          requestHash,
          plan: shown.plan,
          note,
        }),
      said: 'This plan is in force now.',
      then: () => setPast([]),
    });
  };
  const save = useCallback(
    (setup: SealSetup, version: number) =>
      void run(() => send('setCrossing', { job: view.job, crossing: view.name }, version, setup), 'Saved.'),
    [run, send, view.job, view.name],
  );
  const takeLater = (later: SealPlan, cables: readonly LaterCable[], without: readonly string[] = []) =>
    taking.take({
      send: (id, knowing) =>
        send('takeReentry', ref, { id, knowing, version: view.version, cables, without, plan: later }),
      said: 'Taken: what it sends back is to be built again.',
      then: () => setPast([]),
    });
  const move = (sleeve: SleeveRequest, now: SleevePlan, tag: string, to: { x: number; y: number }) =>
    start(
      () => startMove(sleeve, now, tag, to),
      (moved) => {
        if (!moved.ok) {
          setWords({ good: false, text: moved.problems[0]?.message ?? '' });
          return;
        }
        setWords({ good: true, text: `${tag} lies there, and the rest fits beside it.` });
        put(madeOf('sleeve', sleeve, moved.value));
      },
    );
  /** The setup says which bundle of a wrap a cable lies in: it is saved, and answered at once. */
  const bundle = (tag: string, id: string) => {
    const { setup } = view;
    if (setup.kind !== 'wrap') return;
    const members = setup.members.map((m) => (m.tag === tag ? { ...m, bundle: id } : m));
    setWords(null);
    save({ ...setup, members }, view.version);
  };
  return {
    view,
    work,
    taking,
    bundle,
    busy: saving || taking.busy,
    /** What kept the setup from being saved; and everything else that was refused. */
    unsaved,
    problems: [...work.failure, ...taking.problems],
    inForce: inForce ?? null,
    shown,
    changed: past.length > 0,
    mayUndo: past.length > 1 || (past.length === 1 && !unanswered),
    undo: () => {
      setWords(null);
      setPast((before) => {
        const last = before.findLastIndex(([hash]) => hash === requestHash);
        return before.filter((_, i) => i !== last);
      });
    },
    plan,
    put,
    take,
    takeLater,
    save,
    move,
    words,
  };
}

export type SealSession = ReturnType<typeof useSeal>;
