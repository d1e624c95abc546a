import { arrange } from './arrange';
import { countCrossings } from './crossings';
import type { Computation } from './decide-frames';
import { findFrames } from './find-frames';
import { partsOf } from './frame-parts';
import type { FramePlan } from './frame-plan';
import type { FrameRequest } from './frame-request';
import { frameSetting } from './frame-setting';
import { settlePlaces } from './settle-places';

/**
 * Frames, rows and places for all cables: least total cost of frames, then fewest places to measure again. Circuits that are kept apart and
 * spares are part of the search. Within the answer, rows and cables are set so that spares lie near the press unit, then cables cross little, then large rows
 * stand far from it: those orders are a local best and not proven. `gap` when a cheaper multiset of frames was left
 * unanswered; `bound` is then what is proven.
 */
export function* planFrames(request: FrameRequest): Computation<FramePlan> {
  const setting = frameSetting(request);
  const { unplaced } = setting;
  const nothing = { frames: [], unplaced, crossings: { front: 0, back: 0 }, parts: [], remeasure: null };
  if (setting.groups.length === 0) return { status: 'optimal', cost: 0, bound: 0, ...nothing };
  const { best, bound } = yield* findFrames(setting);
  if (best === null)
    return bound === null
      ? { status: 'infeasible', cost: null, bound: null, ...nothing }
      : { status: 'gap', cost: null, bound, ...nothing };
  const frames = settlePlaces(
    request,
    arrange(request, setting.groups, setting.types, setting.openingTypes, best.counts),
  );
  const least = bound ?? best.cost;
  return {
    status: least >= best.cost - 1e-9 ? 'optimal' : 'gap',
    cost: best.cost,
    bound: Math.min(least, best.cost),
    frames,
    unplaced,
    crossings: countCrossings(request, frames),
    parts: partsOf(frames),
    remeasure: { places: best.remeasure, atLeast: best.fewest },
  };
}
