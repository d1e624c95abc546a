import * as Comlink from 'comlink';
import { planSeal, type SealAsk, type SealPlan } from '@/core/crossing';
import {
  addLater,
  moveCable,
  type LaterAnswer,
  type SleeveCircle,
  type SleevePlan,
  type SleeveRequest,
} from '@/core/soft-seal';
import { ok, type Result } from '@/core/kernel';
import { planStubs, taskOf, type StubsAnswer, type StubsRequest } from '@/core/stub-choice';
import type { OnProgress } from './run-in-worker';

/** Longest that an arrangement is looked for: a bundle is worked out after another. */
const LIMIT_MS = 30_000;

interface Share {
  readonly share: number;
}

/** Runs a search to its end or until its time is over, and tells how far it is. */
function driven<T>(run: Generator<Share | void, T, boolean>, onProgress: OnProgress): T {
  const begun = performance.now();
  const until = begun + LIMIT_MS;
  let told = 0;
  let step = run.next();
  while (step.done !== true) {
    const now = performance.now();
    if (now - told > 100) {
      // A search that does not know how far it is has its time as a measure.
      const share = step.value?.share ?? (now - begun) / LIMIT_MS;
      onProgress('packing', Math.round(100 * share), 100);
      told = now;
    }
    step = run.next(now >= until);
  }
  return step.value;
}

const api = {
  plan: (ask: SealAsk, onProgress: OnProgress): Promise<SealPlan> =>
    Promise.resolve(driven(planSeal(ask), onProgress)),
  later: (
    request: SleeveRequest,
    plan: SleevePlan,
    cable: SleeveRequest['cables'][number],
    onProgress: OnProgress,
  ): Promise<LaterAnswer> => Promise.resolve(driven(addLater(request, plan, cable), onProgress)),
  stubs: (asked: StubsRequest, onProgress: OnProgress): Promise<Result<StubsAnswer>> => {
    const task = taskOf(asked);
    return Promise.resolve(task.ok ? ok(driven(planStubs(task.value), onProgress)) : task);
  },
  move: (
    request: SleeveRequest,
    plan: SleevePlan,
    tag: string,
    to: Pick<SleeveCircle, 'x' | 'y'>,
  ): Promise<Result<SleevePlan>> => Promise.resolve(moveCable(request, plan, tag, to)),
};
export type SealWorker = typeof api;

Comlink.expose(api);
