import * as Comlink from 'comlink';
import { drive } from '@/core/kernel';
import {
  checkFramePlan,
  planFrames,
  replanAround,
  type FramePlan,
  type FrameRequest,
  type PlaceRef,
} from '@/core/frame-packing';
import { loadSolver, solverLimits } from '@/solver/highs';
import { timePassed } from '@/solver/time-passed';
import type { OnProgress } from './run-in-worker';

function audited(request: FrameRequest, plan: FramePlan): FramePlan {
  const audit = checkFramePlan(request, plan);
  if (!audit.ok && plan.cost !== null)
    throw new Error(audit.problems.map((p) => `${p.path} ${p.message}`).join('; '));
  return plan;
}

const api = {
  /** Plans a crossing and audits the answer before it leaves the worker. */
  async plan(request: FrameRequest, onProgress: OnProgress): Promise<FramePlan> {
    const passed = timePassed(request.limitSeconds);
    const solve = await loadSolver(solverLimits(request.limitSeconds));
    return audited(request, drive(planFrames(request, passed), solve, onProgress));
  },
  /** Plans again around places that are locked. What these make impossible to keep is left for the check on the screen to name. */
  async replan(
    request: FrameRequest,
    plan: FramePlan,
    locked: readonly PlaceRef[],
    leastCost: number,
    onProgress: OnProgress,
  ): Promise<FramePlan> {
    const passed = timePassed(request.limitSeconds);
    const solve = await loadSolver(solverLimits(request.limitSeconds));
    return drive(replanAround(request, plan, locked, leastCost, passed), solve, onProgress);
  },
};
export type FramesWorker = typeof api;

Comlink.expose(api);
