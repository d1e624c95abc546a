import { arrange } from './arrange';
import { countCrossings } from './crossings';
import { bestOrder } from './best-order';
import type { Computation } from './decide-frames';
import { findFrames, type FoundFrames } from './find-frames';
import { partsOf } from './frame-parts';
import type { FramePlan, PlannedFrame } from './frame-plan';
import { sparesOwed, type FrameRequest } from './frame-request';
import { frameSetting, type FrameSetting } from './frame-setting';
import { orderOf } from './plan-order';
import { refill } from './refill';
import { settlePlaces } from './settle-places';

/**
 * Frames, rows and places for all cables: least total cost of frames, then fewest places to measure again, then fewest cables to take out to
 * reach spares, then cheapest modules, then fewest crossings; large rows far from the press unit where nothing of this speaks against it.
 * Circuits that are kept apart and spares are part of the search. `gap` when a cheaper multiset of frames was left unanswered; `bound` is then
 * what is proven. What comes after the frames is proven for small crossings and a local best for large ones: `order.proven` says which.
 */
export function* planFrames(request: FrameRequest): Computation<FramePlan> {
  const setting = frameSetting(request);
  const { unplaced } = setting;
  const nothing = {
    frames: [],
    unplaced,
    crossings: { front: 0, back: 0 },
    parts: [],
    remeasure: null,
    order: null,
  };
  const owed = (request.spare.extra ?? []).some((e) => sparesOwed(request.spare.share, 0, e.count) > 0);
  if (setting.groups.length === 0 && !owed) return { status: 'optimal', cost: 0, bound: 0, ...nothing };
  const { best, bound } = yield* findFrames(setting);
  if (best === null)
    return bound === null
      ? { status: 'infeasible', cost: null, bound: null, ...nothing }
      : { status: 'gap', cost: null, bound, ...nothing };
  const least = bound ?? best.cost;
  const { frames, remeasure, proven } = ordered(setting, best);
  return {
    status: least >= best.cost - 1e-9 ? 'optimal' : 'gap',
    cost: best.cost,
    bound: Math.min(least, best.cost),
    frames,
    unplaced,
    crossings: countCrossings(request, frames),
    parts: partsOf(frames),
    remeasure,
    order: { ...orderOf(request, frames), proven },
  };
}

/** Everything in its place: by exhaustive search where the crossing is small enough, else by exchanging what helps. */
function ordered(
  setting: FrameSetting,
  best: FoundFrames,
): {
  frames: readonly PlannedFrame[];
  remeasure: { places: number; atLeast: number };
  proven: boolean;
} {
  const { request } = setting;
  const all = bestOrder(setting, best.cost);
  if (all !== null) {
    const { frames, remeasure, crossingsToo } = all;
    return { frames, remeasure: { places: remeasure, atLeast: remeasure }, proven: crossingsToo };
  }
  const arranged = arrange(request, setting.groups, setting.types, setting.openingTypes, best.counts);
  return {
    // Rows and cables first; then what the spares are, which may make another order of rows the better one.
    frames: settlePlaces(request, refill(request, settlePlaces(request, arranged))),
    remeasure: { places: best.remeasure, atLeast: best.fewest },
    proven: false,
  };
}
