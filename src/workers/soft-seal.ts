import type { SealAsk, SealPlan } from '@/core/crossing';
import type { Result } from '@/core/kernel';
import type { LaterAnswer, SleevePlan, SleeveRequest } from '@/core/soft-seal';
import type { StubsAnswer, StubsRequest } from '@/core/stub-choice';
import { runInWorker, type OnProgress, type Running } from './run-in-worker';
import type { SealWorker } from './soft-seal.worker';

const begun = () => new Worker(new URL('./soft-seal.worker', import.meta.url), { type: 'module' });
const SILENT: OnProgress = () => undefined;

/** Plans a soft seal in a worker of its own. */
export const startSeal = (ask: SealAsk, onProgress: OnProgress): Running<SealPlan> =>
  runInWorker<SealWorker, SealPlan>(begun(), onProgress, (remote, report) => remote.plan(ask, report));

/** Looks for a place for one more cable in a sleeve that is closed. */
export const startLater = (
  request: SleeveRequest,
  plan: SleevePlan,
  cable: SleeveRequest['cables'][number],
  onProgress: OnProgress,
): Running<LaterAnswer> =>
  runInWorker<SealWorker, LaterAnswer>(begun(), onProgress, (remote, report) =>
    remote.later(request, plan, cable, report),
  );

/** Looks for the stubs of least cost that take all cables, and which lies in which. */
export const startStubs = (asked: StubsRequest, onProgress: OnProgress): Running<Result<StubsAnswer>> =>
  runInWorker<SealWorker, Result<StubsAnswer>>(begun(), onProgress, (remote, report) =>
    remote.stubs(asked, report),
  );

/** Lays a cable elsewhere, and the rest round it. */
export const startMove = (
  request: SleeveRequest,
  plan: SleevePlan,
  tag: string,
  to: { readonly x: number; readonly y: number },
): Running<Result<SleevePlan>> =>
  runInWorker<SealWorker, Result<SleevePlan>>(begun(), SILENT, (remote) =>
    remote.move(request, plan, tag, to),
  );
