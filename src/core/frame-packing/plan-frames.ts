import { toUm, type Ask, type LinearProgram, type ProgramAnswer } from '@/core/kernel';
import { arrange } from './arrange';
import { groupCables, type CableGroup } from './cable-groups';
import { countCrossings } from './crossings';
import { countsOf, coverProgram, withCover, type FrameCounts } from './frame-counts';
import { frameModel, programFor, type FrameModel } from './frame-model';
import { frameMultisets, type FrameMultiset } from './frame-multisets';
import type { FramePlan, PlannedFrame } from './frame-plan';
import type { FrameRequest } from './frame-request';
import { openingPatterns, type OpeningPatterns } from './row-patterns';

type Computation<T> = Generator<Ask, T, ProgramAnswer | undefined>;

/** What does not change while frames are tried. */
interface Setting {
  readonly request: FrameRequest;
  readonly groups: readonly CableGroup[];
  readonly types: readonly OpeningPatterns[];
  readonly openingTypes: readonly (readonly number[])[];
  readonly room: FrameModel;
  /** Built when it is first needed: most requests never do. */
  exact: FrameModel | null;
}

/** What trying one multiset of frames came to. `unknown`: a limit ended the search without an answer. */
type Trial =
  | {
      readonly kind: 'fits';
      readonly counts: FrameCounts;
      readonly remeasure: number;
      readonly proven: boolean;
    }
  | { readonly kind: 'no' }
  | { readonly kind: 'unknown' };

interface Best {
  readonly trial: Extract<Trial, { kind: 'fits' }>;
  readonly cost: number;
}

/**
 * Frames, rows and places for all cables: least total cost of frames, then fewest places to measure again. The cost is bounded from below
 * by a model in which rows only have to fit in sum; multisets of frames are then tried in order of cost, first whether such rows can be
 * built, and only where they cannot with every pattern of every opening. Circuits that are kept apart and spares are part of the models.
 * Within the answer, rows stand largest first and farthest from the press unit, spares nearest to it, cables from left to right as the
 * trays come: those orders are good and not proven best. `gap` when a limit left a cheaper multiset unanswered.
 */
export function* planFrames(request: FrameRequest): Computation<FramePlan> {
  const { types, openingTypes } = openingTypesOf(request);
  const usable = request.frames.flatMap((f, i) =>
    (f.available ?? 1) > 0 && (openingTypes[i] ?? []).every((t) => (types[t]?.patterns.length ?? 0) > 0)
      ? [i]
      : [],
  );
  const { sizes, corners } = placesOffered(
    request,
    usable.flatMap((i) => openingTypes[i] ?? []),
    types,
  );
  const { groups, unplaced } = groupCables(request, sizes, corners);
  const nothing = { frames: [], unplaced, crossings: { front: 0, back: 0 }, parts: [] };
  if (groups.length === 0) return { status: 'optimal', cost: 0, bound: 0, ...nothing };
  const room = frameModel(request, groups, types, openingTypes, 'room');
  const setting: Setting = { request, groups, types, openingTypes, room, exact: null };

  yield { kind: 'progress', stage: 'least cost', done: 0, of: 2 };
  const floor = yield* solve(relaxed(programFor(room, room.cost, [])));
  if (floor.status === 'infeasible') return { status: 'infeasible', cost: null, bound: null, ...nothing };
  const least = Math.max(0, floor.bound ?? 0);
  let bound = Infinity;
  let best: Best | null = null;
  for (const multiset of candidates(request, usable, openingTypes, least)) {
    if (best !== null && multiset.cost > best.cost + 1e-9) break;
    const below: number = best === null ? Infinity : best.trial.remeasure;
    const trial: Trial = yield* tryFrames(setting, multiset, below);
    if (trial.kind === 'unknown') bound = Math.min(bound, multiset.cost);
    if (trial.kind === 'fits' && (best === null || trial.remeasure < best.trial.remeasure))
      best = { trial, cost: multiset.cost };
    yield { kind: 'progress', stage: 'least cost', done: best === null ? 0 : 1, of: 2 };
  }
  if (best === null)
    return Number.isFinite(bound)
      ? { status: 'gap', cost: null, bound, ...nothing }
      : { status: 'infeasible', cost: null, bound: null, ...nothing };
  const frames = arrange(request, groups, types, openingTypes, best.trial.counts);
  const proven = bound >= best.cost - 1e-9;
  return {
    status: proven ? 'optimal' : 'gap',
    cost: best.cost,
    bound: proven ? best.cost : bound,
    frames,
    unplaced,
    crossings: countCrossings(request, frames),
    parts: partsOf(frames),
  };
}

function* solve(program: LinearProgram): Computation<ProgramAnswer> {
  const answer = yield { kind: 'solve', program };
  if (answer === undefined) throw new Error('the driver answers every program');
  return answer;
}

/** Multisets in order of cost, window by window: dear ones are only made when all cheaper ones have been refused. */
function* candidates(
  request: FrameRequest,
  usable: readonly number[],
  openingTypes: readonly (readonly number[])[],
  least: number,
): Generator<FrameMultiset> {
  const prices = usable.map((i) => request.frames[i]?.cost ?? 0);
  const dearest = Math.max(0, ...prices);
  // Enough frames for every cable to have one of its own and for its spare are always enough, if any are.
  const limit = usable.reduce(
    (sum, i) =>
      sum +
      (request.frames[i]?.cost ?? 0) *
        Math.min(request.frames[i]?.available ?? Infinity, 2 * request.cables.length),
    0,
  );
  let from = least;
  for (let step = Math.max(1, dearest); from <= limit + 1e-9; step *= 2) {
    const to = Math.min(limit, from + step);
    yield* frameMultisets(request, usable, openingTypes, from, to);
    if (to >= limit) return;
    from = to + 1e-6;
  }
}

/** How near to the lowest rows are low enough: they only have to leave room for what is tried next. */
const ROOMY_ENOUGH = 0.04;

/** The program without whole numbers: a bound in a moment. */
const relaxed = (program: LinearProgram): LinearProgram => ({
  ...program,
  columns: program.columns.map((c) => ({ ...c, whole: false })),
});

const sumOf = (of: readonly number[], values: readonly number[]): number =>
  of.reduce((sum, v, i) => (v === 0 ? sum : sum + v * Math.round(values[i] ?? 0)), 0);

/** Do all cables go into just these frames, with fewer than `below` places to measure again? */
function* tryFrames(setting: Setting, { counts }: FrameMultiset, below: number): Computation<Trial> {
  const { request, types, openingTypes, room } = setting;
  const fewest = yield* solve(programFor(room, room.remeasure, [], counts));
  if (fewest.status === 'infeasible') return { kind: 'no' };
  const floor = Math.ceil((fewest.bound ?? 0) - 1e-6);
  if (floor >= below) return { kind: 'no' };
  if (fewest.values.length > 0) {
    const remeasure = sumOf(room.remeasure, fewest.values);
    // The rows that leave the most room are the ones that are most easily built.
    const low = yield* solve({
      ...programFor(room, room.height, [{ of: room.remeasure, atMost: remeasure }], counts),
      gap: ROOMY_ENOUGH,
    });
    const rows = countsOf(room, low.values.length > 0 ? low.values : fewest.values);
    const cover = coverProgram(rows, types, openingTypes);
    const built = yield* solve(cover.program);
    if (built.values.length > 0)
      return {
        kind: 'fits',
        counts: withCover(request, rows, types, cover.columns, built.values),
        remeasure,
        proven: fewest.status === 'optimal',
      };
  }
  setting.exact ??= frameModel(request, setting.groups, types, openingTypes, 'exact');
  const whole = yield* solve(programFor(setting.exact, setting.exact.remeasure, [], counts));
  if (whole.status === 'infeasible') return { kind: 'no' };
  if (whole.values.length === 0) return { kind: 'unknown' };
  return {
    kind: 'fits',
    counts: countsOf(setting.exact, whole.values),
    remeasure: sumOf(setting.exact.remeasure, whole.values),
    proven: whole.status === 'optimal',
  };
}

/** Sizes of plain places and ids of corner modules that the offered openings have. */
function placesOffered(
  request: FrameRequest,
  offered: readonly number[],
  types: readonly OpeningPatterns[],
): { sizes: Set<number>; corners: Set<string> } {
  const sizes = new Set<number>();
  const corners = new Set<string>();
  for (const t of offered)
    for (const pattern of types[t]?.patterns ?? [])
      for (const key of pattern.rows.keys()) {
        const kind = types[t]?.kinds.get(key);
        if (!kind) continue;
        if (kind.corner !== null) corners.add(kind.corner);
        if (kind.blocks === 0) continue;
        for (const m of request.modules)
          if (!m.corner && kind.height % toUm(m.size) === 0) sizes.add(toUm(m.size));
      }
  return { sizes, corners };
}

/** Distinct openings over all frames, and which of them each frame has. Frames share what is alike. */
function openingTypesOf(request: FrameRequest): {
  types: OpeningPatterns[];
  openingTypes: number[][];
} {
  const known = new Map<string, number>();
  const types: OpeningPatterns[] = [];
  const openingTypes = request.frames.map((frame) =>
    frame.openings.map((opening) => {
      const key = JSON.stringify(opening);
      const at = known.get(key) ?? types.length;
      if (at === types.length) {
        types.push(openingPatterns(opening, request.modules));
        known.set(key, at);
      }
      return at;
    }),
  );
  return { types, openingTypes };
}

/** Frames and modules to be drawn from the store, by id. */
export function partsOf(frames: readonly PlannedFrame[]): { id: string; quantity: number }[] {
  const counts = new Map<string, number>();
  const add = (id: string) => counts.set(id, (counts.get(id) ?? 0) + 1);
  for (const frame of frames) {
    add(frame.frame);
    for (const opening of frame.openings)
      for (const row of opening.rows) for (const place of row.places) add(place.module);
  }
  return [...counts].map(([id, quantity]) => ({ id, quantity })).sort((a, b) => (a.id < b.id ? -1 : 1));
}
