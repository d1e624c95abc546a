import * as Comlink from 'comlink';
import { drive } from '@/core/kernel';
import { checkJobChoice, chooseJob, type JobChoicePlan, type JobChoiceRequest } from '@/core/job-choice';
import { loadSolver } from '@/solver/highs';
import type { OnProgress } from './run-in-worker';

/** One program gets this long; then the best that was found has to do, and the answer says how far from proven it is. */
const SECONDS = 30;

const api = {
  /** Chooses for the whole job and audits the answer before it leaves the worker. */
  async choose(request: JobChoiceRequest, onProgress: OnProgress): Promise<JobChoicePlan> {
    const solve = await loadSolver({ seconds: SECONDS });
    const plan = drive(chooseJob(request), solve, onProgress);
    const audit = checkJobChoice(request, plan);
    if (!audit.ok) throw new Error(audit.problems.map((p) => `${p.path} ${p.message}`).join('; '));
    return plan;
  },
};
export type ChooseJobWorker = typeof api;

Comlink.expose(api);
