import type { JobChoicePlan, JobChoiceRequest } from '@/core/job-choice';
import type { ChooseJobWorker } from './job-choice.worker';
import { runInWorker, type OnProgress, type Running } from './run-in-worker';

/** Starts a whole-job choice in a worker of its own. */
export function startChooseJob(request: JobChoiceRequest, onProgress: OnProgress): Running<JobChoicePlan> {
  const worker = new Worker(new URL('./job-choice.worker', import.meta.url), { type: 'module' });
  return runInWorker<ChooseJobWorker, JobChoicePlan>(worker, onProgress, (remote, report) =>
    remote.choose(request, report),
  );
}
