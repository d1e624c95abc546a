import * as Comlink from 'comlink';
import type { JobChoicePlan, JobChoiceRequest } from '@/core/job-choice';
import type { ChooseJobWorker } from './choose-job.worker';

export interface RunningChoice {
  readonly plan: Promise<JobChoicePlan>;
  /** Ends the worker at once; the promise then never settles. */
  cancel(): void;
}

/** Starts a whole-job choice in a worker of its own. The worker ends with the run. */
export function startChooseJob(
  request: JobChoiceRequest,
  onProgress: (stage: string, done: number, of: number) => void,
): RunningChoice {
  const worker = new Worker(new URL('./choose-job.worker.ts', import.meta.url), { type: 'module' });
  const remote = Comlink.wrap<ChooseJobWorker>(worker);
  const failed = new Promise<never>((_, reject) => {
    worker.addEventListener('error', (event) =>
      reject(new Error(event.message || 'the worker could not start')),
    );
  });
  const plan = Promise.race([remote.choose(request, Comlink.proxy(onProgress)), failed]).finally(() =>
    worker.terminate(),
  );
  return { plan, cancel: () => worker.terminate() };
}
