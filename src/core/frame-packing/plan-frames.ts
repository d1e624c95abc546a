import type { Ask, LinearProgram, ProgramAnswer } from '@/core/kernel';
import { arrange } from './arrange';
import { groupCables } from './cable-groups';
import { countCrossings } from './crossings';
import { frameModel, programFor, type FrameModel } from './frame-model';
import type { FramePlan, PlannedFrame } from './frame-plan';
import type { FrameRequest } from './frame-request';
import { openingPatterns, type OpeningPatterns } from './row-patterns';

type Computation<T> = Generator<Ask, T, ProgramAnswer | undefined>;

/**
 * Frames, rows and places for all cables: least total cost of frames, then fewest places to measure again, then cheapest modules, each
 * proven by the solver before the next is asked; circuits that are kept apart and spares are part of the model. Within that, rows are
 * ordered largest first and farthest from the press unit, spares nearest to it, cables from left to right as the trays come: those last
 * orders are good and not proven. `gap` when a limit cut the proof off.
 */
export function* planFrames(request: FrameRequest): Computation<FramePlan> {
  const { types, openingTypes } = openingTypesOf(request);
  const usable = request.frames.flatMap((f, i) =>
    (f.available ?? 1) > 0 && (openingTypes[i] ?? []).every((t) => (types[t]?.patterns.length ?? 0) > 0)
      ? [i]
      : [],
  );
  const sizes = new Set<number>();
  const corners = new Set<string>();
  for (const i of usable)
    for (const t of openingTypes[i] ?? [])
      for (const pattern of types[t]?.patterns ?? [])
        for (const key of pattern.rows.keys()) {
          const kind = types[t]?.kinds.get(key);
          if (!kind) continue;
          if (kind.corner !== null) corners.add(kind.corner);
          if (kind.blocks > 0)
            for (const m of request.modules)
              if (!m.corner && kind.height % Math.round(m.size * 1000) === 0)
                sizes.add(Math.round(m.size * 1000));
        }
  const { groups, unplaced } = groupCables(request, sizes, corners);
  const nothing = { frames: [], unplaced, crossings: { front: 0, back: 0 }, parts: [] };
  if (groups.length === 0) return { status: 'optimal', cost: 0, bound: 0, ...nothing };

  const model = frameModel(request, groups, types, openingTypes);
  yield { kind: 'progress', stage: 'fewest frames by cost', done: 0, of: 3 };
  const cheapest = yield* solve(programFor(model, model.cost, []));
  if (cheapest.values.length === 0) return { status: 'infeasible', cost: null, bound: null, ...nothing };
  const cost = costOf(request, model, cheapest.values);
  const held = [{ of: model.cost, atMost: cost }];
  let values = cheapest.values;
  let proven = cheapest.status === 'optimal';
  const goals = [
    ['fewest to measure again', model.remeasure],
    ['cheapest modules', model.moduleCost],
  ] as const;
  for (const [i, [stage, goal]] of goals.entries()) {
    if (goal.every((v) => v === 0)) continue;
    yield { kind: 'progress', stage, done: 1 + i, of: 3 };
    const better = yield* solve(programFor(model, goal, held));
    if (better.values.length === 0) {
      proven = false;
      break;
    }
    values = better.values;
    held.push({ of: goal, atMost: total(goal, values) });
  }
  const frames = arrange(request, groups, types, openingTypes, model, values);
  const bound = proven ? cost : Math.min(cost, Math.max(0, cheapest.bound ?? 0));
  return {
    status: cheapest.status === 'optimal' ? 'optimal' : 'gap',
    cost,
    bound: cheapest.status === 'optimal' ? cost : bound,
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

const total = (of: readonly number[], values: readonly number[]): number =>
  of.reduce((sum, v, i) => (v === 0 ? sum : sum + v * Math.round(values[i] ?? 0)), 0);

const costOf = (request: FrameRequest, model: FrameModel, values: readonly number[]): number =>
  model.frames.reduce(
    (sum, column, i) => sum + (request.frames[i]?.cost ?? 0) * Math.round(values[column] ?? 0),
    0,
  );

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
