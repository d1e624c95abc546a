import { arrange } from './arrange';
import { countCrossings } from '../order/crossings';
import { NO_HURRY, type TimePassed } from '@/core/kernel';
import { bestOrder } from '../order/best-order';
import { solve, wholeOnly, type Computation } from './decide-frames';
import { findFrames, type FoundFrames, type FrameSearch } from './find-frames';
import { programFor } from '../model/frame-model';
import { partsOf } from '../model/frame-parts';
import type { FramePlan, PlannedFrame } from '../model/frame-plan';
import { sparesOwed, type FrameRequest } from '../model/frame-request';
import { frameSetting, type FrameSetting } from '../model/frame-setting';
import { orderOf } from '../order/plan-order';
import { refill } from '../replan/refill';
import { unplacedWords } from '../words';
import { settlePlaces } from './settle-places';

/**
 * Frames, rows and places for all cables: least total cost of frames, then fewest places to measure again, then fewest cables to take out to
 * reach spares, then cheapest modules, then fewest crossings; large rows far from the press unit where nothing of this speaks against it.
 * Circuits that are kept apart and spares are part of the search. `gap` when a cheaper multiset of frames was left unanswered; `bound` is then
 * what is proven. What comes after the frames is proven for small crossings and a local best for large ones: `order.proven` says which.
 */
export function* planFrames(request: FrameRequest, passed: TimePassed = NO_HURRY): Computation<FramePlan> {
  const setting = frameSetting(request, passed);
  const unplaced = setting.unplaced.map(({ tag, case: said }) => ({ tag, reason: unplacedWords(said) }));
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
  const { best, bound } = setting.allSets ? yield* findFrames(setting) : yield* findAmongSome(setting);
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

/**
 * The search where not every set of circuits could be told apart: a plan that is found is one, but what is not found may exist, so that only a
 * bound without the rules of what is kept apart is proven.
 */
function* findAmongSome(setting: FrameSetting): Computation<FrameSearch> {
  const { best } = yield* findFrames(setting);
  const { model } = frameSetting({ ...setting.request, apart: [] }).fit;
  const free = yield* solve(wholeOnly(programFor(model, model.cost, [])));
  if (best === null && free.status === 'infeasible') return { best, bound: null };
  return { best, bound: Math.max(0, free.bound ?? 0) };
}

/** Share of the time after which what is in order is left in it. */
const TIME_TO_ORDER = 0.8;

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
  const hurried = setting.passed() >= TIME_TO_ORDER;
  const all = hurried ? null : bestOrder(setting, best.cost);
  if (all !== null) {
    const { frames, remeasure, crossingsToo } = all;
    return { frames, remeasure: { places: remeasure, atLeast: remeasure }, proven: crossingsToo };
  }
  const arranged = arrange(request, setting.groups, setting.types, setting.openingTypes, best.counts);
  return {
    // Rows and cables first; then what the spares are, which may make another order of rows the better one.
    frames: hurried ? arranged : settled(setting, arranged),
    remeasure: { places: best.remeasure, atLeast: best.fewest },
    proven: false,
  };
}

function settled({ request, passed }: FrameSetting, arranged: PlannedFrame[]): PlannedFrame[] {
  const once = settlePlaces(request, arranged, new Set(), passed);
  return passed() >= 1 ? once : settlePlaces(request, refill(request, once), new Set(), passed);
}
