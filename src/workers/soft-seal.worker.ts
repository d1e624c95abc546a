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
import type { Result } from '@/core/kernel';
import type { OnProgress } from './run-in-worker';

/** Longest that an arrangement is looked for: a bundle is worked out after another. */
const LIMIT_MS = 30_000;

interface Share {
  readonly share: number;
}

/** Runs a search to its end or until its time is over, and tells how far it is. */
function driven<T>(run: Generator<Share, T, boolean>, onProgress: OnProgress): T {
  const until = performance.now() + LIMIT_MS;
  let told = 0;
  let step = run.next();
  while (step.done !== true) {
    const now = performance.now();
    if (now - told > 100) {
      onProgress('packing', Math.round(100 * step.value.share), 100);
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
  move: (
    request: SleeveRequest,
    plan: SleevePlan,
    tag: string,
    to: Pick<SleeveCircle, 'x' | 'y'>,
  ): Promise<Result<SleevePlan>> => Promise.resolve(moveCable(request, plan, tag, to)),
};
export type SealWorker = typeof api;

Comlink.expose(api);
