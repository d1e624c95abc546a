import { lowerBound, type Bound } from './bounds';
import { checkPacking } from './check';
import { HAIR_MM, problemOf, type Placed, type Shape } from './model';
import { searchPacking, type SearchProgress } from './search';

export interface PackingOptions {
  /** Least gap between two circles, mm. None is asked for to the wall. */
  readonly clearance: number;
  readonly seed: number;
  readonly limitSeconds: number;
}

export interface Bundle {
  /** `optimal`: no smaller circle is possible, by the bound. */
  readonly status: 'optimal' | 'gap';
  readonly diameter: number;
  /** No circle smaller than this holds them, mm. */
  readonly bound: number;
  /** The centre of the bundle is 0, 0. */
  readonly circles: readonly Placed[];
}

export type Enclosure =
  | { readonly answer: 'fits'; readonly circles: readonly Placed[] }
  /** Proven: the shape would have to be larger by `shortBy` mm across at least. */
  | {
      readonly answer: 'cannot';
      readonly shortBy: number;
      readonly bound: Bound;
      readonly circles: readonly [];
    }
  /** Neither proven nor found: the best attempt would need a shape larger by `shortBy` mm across. */
  | { readonly answer: 'notFound'; readonly shortBy: number; readonly circles: readonly [] };

export type PackingRun<T> = Generator<SearchProgress, T, boolean>;

/** Pairs that are looked at for each second of the limit. A desk machine of today needs less than that. */
const WORK_PER_SECOND = 6e7;

/** The smallest circle round circles of these diameters, mm, that keep their clearance from each other. */
export function* bundle(diameters: readonly number[], options: PackingOptions): PackingRun<Bundle> {
  const { clearance, seed, limitSeconds } = options;
  const problem = problemOf(diameters, clearance, null);
  const across = (growth: number) => 2 * growth - clearance;
  const least = lowerBound(problem).growth;
  const { at, growth } = yield* searchPacking(problem, {
    seed,
    work: limitSeconds * WORK_PER_SECOND,
    enough: least + HAIR_MM / 4,
  });
  return {
    status: growth - least <= HAIR_MM ? 'optimal' : 'gap',
    diameter: across(growth),
    bound: across(least),
    circles: placedAt(diameters, at, 0, 0),
  };
}

/** No circle smaller than this holds circles of these diameters that keep their clearance, mm: proven, not found. */
export const bundleBound = (diameters: readonly number[], clearance: number): number =>
  2 * lowerBound(problemOf(diameters, clearance, null)).growth - clearance;

/** Do circles of these diameters fit into a shape? Yes with an arrangement, no with a proof, or neither, and then by how much it was short. */
export function* enclose(
  shape: Shape,
  diameters: readonly number[],
  options: PackingOptions,
): PackingRun<Enclosure> {
  const { clearance, seed, limitSeconds } = options;
  const problem = problemOf(diameters, clearance, shape);
  const bound = lowerBound(problem);
  if (bound.growth > HAIR_MM) return { answer: 'cannot', shortBy: 2 * bound.growth, bound, circles: [] };
  const { at, growth } = yield* searchPacking(problem, {
    seed,
    work: limitSeconds * WORK_PER_SECOND,
    enough: HAIR_MM,
  });
  if (growth > HAIR_MM) return { answer: 'notFound', shortBy: 2 * growth, circles: [] };
  const circles =
    shape.kind === 'circle'
      ? placedAt(diameters, at, 0, 0)
      : placedAt(diameters, at, shape.w / 2, shape.h / 2);
  const wrong = checkPacking(diameters, clearance, shape, circles);
  if (wrong.length > 0)
    throw new Error(`an arrangement that was found does not pass its audit: ${JSON.stringify(wrong[0])}`);
  return { answer: 'fits', circles };
}

const placedAt = (diameters: readonly number[], at: Float64Array, x0: number, y0: number): Placed[] =>
  diameters.map((d, i) => ({ i, x: (at[2 * i] ?? 0) + x0, y: (at[2 * i + 1] ?? 0) + y0, d }));

/** Runs a packing, or what is made of several, to its end or until its time is over; the clock is given, in milliseconds. */
export function finishPacking<T>(
  run: Generator<unknown, T, boolean>,
  limitSeconds: number,
  clock: () => number,
): T {
  // The last step ends after the clock has been looked at.
  const until = clock() + 970 * limitSeconds;
  let step = run.next();
  while (step.done !== true) step = run.next(clock() >= until);
  return step.value;
}
