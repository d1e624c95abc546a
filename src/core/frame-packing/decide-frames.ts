import type { Ask, LinearProgram, ProgramAnswer } from '@/core/kernel';
import { countsOf, coverProgram, withCover, type FrameCounts } from './frame-counts';
import { programFor, type FrameModel } from './frame-model';
import type { FrameMultiset } from './frame-multisets';
import type { FrameSetting } from './frame-setting';

export type Computation<T> = Generator<Ask, T, ProgramAnswer | undefined>;

/** What trying one multiset of frames came to. `unknown`: a limit ended the search without an answer. */
export type Trial =
  | {
      readonly kind: 'fits';
      readonly counts: FrameCounts;
      readonly remeasure: number;
      readonly fewest: number;
    }
  | { readonly kind: 'no' }
  | { readonly kind: 'unknown' };

export function* solve(program: LinearProgram): Computation<ProgramAnswer> {
  const answer = yield { kind: 'solve', program };
  if (answer === undefined) throw new Error('the driver answers every program');
  return answer;
}

/** The program with only those columns whole; with none it is a bound in a moment. */
export function wholeOnly(program: LinearProgram, whole: ReadonlySet<number> = new Set()): LinearProgram {
  return { ...program, columns: program.columns.map((c, i) => ({ ...c, whole: whole.has(i) })) };
}

/**
 * Frames and rows are counted whole, what is in the rows may be divided: nearly as strong as the whole model, and far quicker, because rows
 * are few and places are many.
 */
export const rowsWhole = (model: FrameModel): ReadonlySet<number> =>
  new Set([...model.frames, ...model.rowClasses.map((c) => c.column)]);

/**
 * What the relaxed model makes of just these frames: null when it refuses them, first with nothing whole, then with whole rows; else its
 * values, which are rows that nearly work.
 */
export function* relaxedRows(
  model: FrameModel,
  frames: readonly number[],
  nodes: number,
): Computation<readonly number[] | null> {
  const program = programFor(model, model.remeasure, [], frames);
  const loose = yield* solve(wholeOnly(program));
  if (loose.status === 'infeasible') return null;
  // Any answer will do.
  const rows = yield* solve({ ...wholeOnly(program, rowsWhole(model)), gap: 1, nodes, effort: 0 });
  if (rows.status === 'infeasible') return null;
  return rows.values.length > 0 ? rows.values : loose.values;
}

/** How near to the lowest rows are low enough: they only have to leave room for what is tried next. */
const ROOMY_ENOUGH = 0.04;

const sumOf = (of: readonly number[], values: readonly number[]): number =>
  of.reduce((sum, v, i) => (v === 0 ? sum : sum + v * Math.round(values[i] ?? 0)), 0);

/**
 * Do all cables go into just these frames, with fewer than `below` places to measure again? Asked of the models, from the quick ones that can
 * only refuse to the whole one; where `whole` denies it, only the first of them is asked. `nodes` bounds each of them; what it leaves open is `unknown`.
 */
export function* decideFrames(
  setting: FrameSetting,
  { counts }: FrameMultiset,
  below: number,
  nodes: number,
  whole: boolean,
): Computation<Trial> {
  const { request, types, openingTypes, room, exact } = setting;
  const inSum = programFor(room, room.remeasure, [], counts);
  if (!whole) {
    // Large: only whether rows of whole places fit in sum; a refusal is a proof, anything else would take too long to build on.
    const any = yield* solve({ ...inSum, gap: 1, effort: 0, nodes: Math.min(nodes, 8) });
    return any.status === 'infeasible' ? { kind: 'no' } : { kind: 'unknown' };
  }
  const fewest = yield* solve({ ...inSum, nodes });
  if (fewest.status === 'infeasible') return { kind: 'no' };
  const floor = Math.ceil((fewest.bound ?? 0) - 1e-6);
  if (floor >= below) return { kind: 'no' };
  if (fewest.values.length > 0) {
    const remeasure = sumOf(room.remeasure, fewest.values);
    // The rows that leave the most room are the ones that are most easily built.
    const low = yield* solve({
      ...programFor(room, room.height, [{ of: room.remeasure, atMost: remeasure }], counts),
      gap: ROOMY_ENOUGH,
      nodes,
    });
    const lowest = countsOf(room, low.values.length > 0 ? low.values : fewest.values);
    const cover = coverProgram(lowest, types, openingTypes);
    const built = yield* solve({ ...cover.program, nodes });
    if (built.values.length > 0)
      return {
        kind: 'fits',
        counts: withCover(request, lowest, types, cover.columns, built.values),
        remeasure,
        fewest: floor,
      };
  }
  const all = yield* solve({ ...programFor(exact, exact.remeasure, [], counts), nodes });
  if (all.status === 'infeasible') return { kind: 'no' };
  if (all.values.length === 0) return { kind: 'unknown' };
  return {
    kind: 'fits',
    counts: countsOf(exact, all.values),
    remeasure: sumOf(exact.remeasure, all.values),
    fewest: Math.max(floor, Math.ceil((all.bound ?? 0) - 1e-6)),
  };
}
