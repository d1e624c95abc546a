import type { FramePlan, FrameRequest, PlaceRef } from '@/core/frame-packing';
import type { FramesWorker } from './frame-packing.worker';
import { runInWorker, type OnProgress, type Running } from './run-in-worker';

/** A plan of which some places are locked. `leastCost`: what is proven of the request, 0 when nothing is. */
export interface Around {
  readonly plan: FramePlan;
  readonly locked: readonly PlaceRef[];
  readonly leastCost: number;
}

/** Plans a crossing in a worker of its own, anew or around locked places. A run that is cancelled leaves what was there before. */
export function startFrames(
  request: FrameRequest,
  around: Around | null,
  onProgress: OnProgress,
): Running<FramePlan> {
  const worker = new Worker(new URL('./frame-packing.worker', import.meta.url), { type: 'module' });
  return runInWorker<FramesWorker, FramePlan>(worker, onProgress, (remote, report) =>
    around === null
      ? remote.plan(request, report)
      : remote.replan(request, around.plan, [...around.locked], around.leastCost, report),
  );
}
