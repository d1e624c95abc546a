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
import { loadSolver } from '@/solver/highs';
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
    const limit = request.limitSeconds;
    const solve = await loadSolver(limit === undefined ? {} : { totalSeconds: limit });
    return audited(request, drive(planFrames(request), solve, onProgress));
  },
  /** Plans again around places that are locked. What these make impossible to keep is left for the check on the screen to name. */
  async replan(
    request: FrameRequest,
    plan: FramePlan,
    locked: readonly PlaceRef[],
    leastCost: number,
    onProgress: OnProgress,
  ): Promise<FramePlan> {
    const solve = await loadSolver({});
    return drive(replanAround(request, plan, locked, leastCost), solve, onProgress);
  },
};
export type FramesWorker = typeof api;

Comlink.expose(api);
