import type { Ask, LinearProgram, ProgramAnswer } from '@/core/kernel';
import { fewestRemeasured } from '../model/cable-groups';
import { countsOf, coverProgram, withCover, type FrameCounts } from '../model/frame-counts';
import { programFor, type FrameModel } from '../model/frame-model';
import type { FrameMultiset } from '../model/frame-multisets';
import type { FrameSetting } from '../model/frame-setting';

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
 * values as those of the exact model, which are rows that nearly work.
 */
export function* relaxedRows(
  { fit }: FrameSetting,
  frames: readonly number[],
  nodes: number,
): Computation<readonly number[] | null> {
  const { model } = fit;
  const program = programFor(model, model.remeasure, [], frames);
  const loose = yield* solve(wholeOnly(program));
  if (loose.status === 'infeasible') return null;
  // Any answer will do.
  const rows = yield* solve({ ...wholeOnly(program, rowsWhole(model)), gap: 1, nodes, effort: 0 });
  if (rows.status === 'infeasible') return null;
  return fit.toExact(rows.values.length > 0 ? rows.values : loose.values);
}

const sumOf = (of: readonly number[], values: readonly number[]): number =>
  of.reduce((sum, v, i) => (v === 0 ? sum : sum + v * Math.round(values[i] ?? 0)), 0);

/**
 * Plans in just these frames whose rows of each class are as many as in `values`, give or take `apart`: from rows that nearly work it is not
 * far to some that do. What this does not find may exist all the same.
 */
export function* rowsAround(
  setting: FrameSetting,
  { counts }: FrameMultiset,
  values: readonly number[],
  apart: number,
  nodes: number,
): Computation<Trial> {
  const { exact, fit } = setting;
  const near = (model: FrameModel, around: readonly number[], by: number): LinearProgram => {
    const program = programFor(model, model.remeasure, [], counts);
    const rows = new Set(model.rowClasses.map((c) => c.column));
    const columns = program.columns.map((column, i) => {
      if (!rows.has(i)) return column;
      const n = Math.round(around[i] ?? 0);
      return { ...column, lower: Math.max(0, n - by), upper: n + by };
    });
    return { ...program, columns };
  };
  // Rows are the same columns in both models.
  const any = yield* solve({ ...near(fit.model, values, apart), gap: 1, nodes });
  if (any.values.length === 0) return { kind: 'unknown' };
  // In the rows that were found, sizes may be chosen better than by the first answer.
  const fewer = yield* solve({ ...near(exact, any.values, 0), nodes });
  return fits(setting, fewer.values.length > 0 ? fewer.values : fit.toExact(any.values));
}

/**
 * Do all cables go into just these frames? The whole model is asked, which mostly refuses at once what the relaxed one did not, but takes its
 * time to find a plan: rows near those of the relaxed model come first.
 */
export function* decideFrames(
  setting: FrameSetting,
  multiset: FrameMultiset,
  nodes: number,
  wholeNodes: number,
): Computation<Trial> {
  const { fit } = setting;
  const rows = yield* relaxedRows(setting, multiset.counts, nodes);
  if (rows === null) return { kind: 'no' };
  const near = yield* rowsAround(setting, multiset, rows, 1, nodes);
  if (near.kind === 'fits') return near;
  // Nothing to be good at: what has no plan at all is found out sooner, and any plan is an answer.
  const all = yield* solve({
    ...programFor(
      fit.model,
      fit.model.height.map(() => 0),
      [],
      multiset.counts,
    ),
    gap: 1,
    nodes: wholeNodes,
  });
  if (all.status === 'infeasible') return { kind: 'no' };
  return all.values.length > 0 ? fits(setting, fit.toExact(all.values)) : { kind: 'unknown' };
}

const fits = ({ exact, groups }: FrameSetting, values: readonly number[]): Trial => ({
  kind: 'fits',
  counts: countsOf(exact, values),
  remeasure: sumOf(exact.remeasure, values),
  fewest: fewestRemeasured(groups),
});

/** How near to the lowest rows are low enough: they only have to leave room for what is tried next. */
const ROOMY_ENOUGH = 0.04;

/** Is there a plan in just these frames with fewer than `below` places to measure again? `nodes` bounds each program. */
export function* fewerIn(
  setting: FrameSetting,
  { counts }: FrameMultiset,
  below: number,
  nodes: number,
): Computation<Trial> {
  const { request, types, openingTypes, room, exact } = setting;
  const fewest = yield* solve({ ...programFor(room, room.remeasure, [], counts), nodes });
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
