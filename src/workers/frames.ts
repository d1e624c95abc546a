import * as Comlink from 'comlink';
import type { FramePlan, FrameRequest, PlaceRef } from '@/core/frame-packing';
import type { FramesWorker } from './frames.worker';

export interface RunningPlan {
  readonly plan: Promise<FramePlan>;
  /** Ends the worker at once; the promise then never settles, and what was there before stays. */
  cancel(): void;
}

/** Plans a crossing in a worker of its own, anew or around locked places. The worker ends with the run. */
export function startFrames(
  request: FrameRequest,
  around: { readonly plan: FramePlan; readonly locked: readonly PlaceRef[] } | null,
  onProgress: (stage: string, done: number, of: number) => void,
): RunningPlan {
  const worker = new Worker(new URL('./frames.worker.ts', import.meta.url), { type: 'module' });
  const remote = Comlink.wrap<FramesWorker>(worker);
  const failed = new Promise<never>((_, reject) => {
    worker.addEventListener('error', (event) =>
      reject(new Error(event.message || 'the worker could not start')),
    );
  });
  const report = Comlink.proxy(onProgress);
  const run =
    around === null
      ? remote.plan(request, report)
      : remote.replan(request, around.plan, [...around.locked], report);
  const plan = Promise.race([run, failed]).finally(() => worker.terminate());
  return { plan, cancel: () => worker.terminate() };
}
