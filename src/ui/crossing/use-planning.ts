'use client';
import { startTransition, useEffect, useRef, useState } from 'react';
import type { FrameView } from '@/core/crossing';
import type { FramePlan, PlaceRef } from '@/core/frame-packing';
import { refuse, type Problem } from '@/core/kernel';
import { startFrames, type Around } from '@/workers/frame-packing';
import type { Running } from '@/workers/run-in-worker';
import { noPlanWords } from './place-words';
import { progressStore, restart } from './progress-store';

/** What is proven of a request, by its hash: of other cables, measurements or frames it says nothing. */
interface Proven {
  readonly hash: string;
  readonly cost: number;
}

/**
 * Planning a crossing in the background: anew, or around locked places of a plan. `onPlan` gets what comes out; a run that ends in no plan,
 * that was cancelled, or whose crossing has changed meanwhile leaves everything as it was and says why.
 */
export function usePlanning(view: FrameView, onPlan: (plan: FramePlan) => void) {
  const { request } = view.asked;
  const [inForce] = view.plans;
  const [working, setWorking] = useState(false);
  const [progress] = useState(progressStore);
  const [failure, setFailure] = useState<readonly Problem[]>([]);
  const running = useRef<Running<FramePlan> | null>(null);
  const proven = useRef<Proven>({
    hash: view.requestHash,
    cost: inForce && !inForce.stale ? (inForce.plan.bound ?? 0) : 0,
  });
  const hash = useRef(view.requestHash);
  useEffect(() => {
    hash.current = view.requestHash;
  }, [view.requestHash]);
  useEffect(() => () => running.current?.cancel(), []);

  const fail = (why: string) => {
    setWorking(false);
    setFailure(refuse('', why).problems);
  };
  const start = (around: Around | null) => {
    const asked = view.requestHash;
    running.current?.cancel();
    restart(progress);
    // The page is drawn anew in pieces, beside the worker.
    startTransition(() => {
      setFailure([]);
      setWorking(true);
    });
    const begun = startFrames(request, around, (stage, done, of) => progress.set({ stage, done, of }));
    running.current = begun;
    begun.result.then(
      (plan) => {
        if (hash.current !== asked) {
          fail('The crossing has changed while it was planned: plan again.');
          return;
        }
        if (plan.cost === null) {
          fail(noPlanWords(plan, request.cables.length, around !== null));
          return;
        }
        proven.current = { hash: asked, cost: Math.max(leastCost(), plan.bound ?? 0) };
        progress.set({ stage: 'drawing it', done: 1, of: 1, found: true });
        // Hundreds of places are drawn: in pieces, so that the page stays alive meanwhile.
        startTransition(() => {
          setWorking(false);
          onPlan(plan);
        });
      },
      (error: unknown) =>
        fail(`The plan could not be worked out: ${error instanceof Error ? error.message : String(error)}`),
    );
  };
  const leastCost = () => (proven.current.hash === view.requestHash ? proven.current.cost : 0);
  return {
    working,
    progress,
    failure,
    plan: () => start(null),
    planAround: (plan: FramePlan, locked: readonly PlaceRef[]) =>
      start({ plan, locked, leastCost: leastCost() }),
    cancel: () => {
      running.current?.cancel();
      setWorking(false);
    },
  };
}
