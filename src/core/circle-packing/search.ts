import { seededRandom } from '@/core/kernel';
import { anneal, type Annealing } from './anneal';
import { changed, oneSize } from './change';
import type { Attempt, Problem } from './model';
import { Overlap } from './overlap';
import { Settler } from './settle';
import { latticeStarts, randomStart, spread } from './starts';

export interface SearchProgress {
  /** Of the best so far. */
  readonly growth: number;
  /** Of the work that is allowed, 0 … 1. */
  readonly share: number;
}

interface SearchOptions {
  readonly seed: number;
  /** Pairs that may be looked at: the same answer on every machine that has the time for them. */
  readonly work: number;
  /** Good enough: the search ends there. */
  readonly enough: number;
}

/** How hard the wall presses while an arrangement settles: hard at first, so that it closes, then ever less, until overlaps are a hair. */
const ROUGH = [
  [0.1, 60, 1e-3],
  [0.01, 100, 1e-4],
  [1e-3, 200, 1e-5],
] as const;
/** Now and then so hard that circles slip through one another. */
const HARD = [[0.6, 60, 1e-2], ...ROUGH] as const;
const FINE = [
  [1e-5, 400, 1e-8],
  [1e-7, 400, 1e-10],
  [1e-9, 400, 1e-13],
] as const;
/** Begun from chance so often before the best of them is worked on. */
const WARM = 5;
/** An attempt this close to the best is worth settling finely; as a share of the size of the bundle. */
const NEAR_BEST = 0.0015;

/**
 * Looks for the arrangement with the least growth of the wall. More than a few circles of several sizes are shaken under ever more
 * pressure; then, and else from the beginning, arrangements settle from rows by hand and from chance, and again and again from the best with
 * something changed. Deterministic for its seed. Yields after every attempt, and within long ones; sent `true`, it ends with what it has.
 */
export function* searchPacking(given: Problem, options: SearchOptions): Search<Attempt> {
  const { problem, scale, order } = normal(given);
  const random = seededRandom(options.seed);
  const overlap = new Overlap(problem);
  const starts = latticeStarts(problem);
  let best = laidApart(problem, starts[0] ?? randomStart(problem, random));
  for (const start of starts) best = better(laidApart(problem, start), best);
  const state: State = {
    problem,
    overlap,
    settler: new Settler(overlap),
    random,
    starts,
    size: spread(problem),
    enough: options.enough / scale,
    scale,
    work: options.work,
    shaken: 0,
    best,
    over: false,
  };
  const plan = annealings(problem, options.work);
  for (let round = 0; round < plan.rounds && goesOn(state); round += 1)
    yield* fromShaking(state, plan.work, plan.annealing);
  yield* changeOver(state, plan.rounds > 0);
  return asGiven(given, order, scale, state.best);
}

type Search<T> = Generator<SearchProgress, T, boolean>;

/** A search under way. */
interface State {
  readonly problem: Problem;
  readonly overlap: Overlap;
  readonly settler: Settler;
  readonly random: () => number;
  /** Rows by hand that were not begun from yet. */
  readonly starts: Float64Array[];
  /** Radius about which the circles lie. */
  readonly size: number;
  readonly enough: number;
  readonly scale: number;
  readonly work: number;
  /** Work of shaking so far. */
  shaken: number;
  best: Attempt;
  over: boolean;
}

const goesOn = ({ over, overlap, shaken, work, best, enough }: State): boolean =>
  !over && overlap.work + shaken < work && best.growth > enough;

const progress = ({ best, scale, overlap, shaken, work }: State): SearchProgress => ({
  growth: best.growth * scale,
  share: Math.min(1, (overlap.work + shaken) / work),
});

/** Shakes an arrangement from chance, and settles what comes of it. */
function* fromShaking(state: State, work: number, annealing: Annealing): Search<void> {
  const { problem, settler, random, enough } = state;
  const begun = settled(problem, settler, randomStart(problem, random), HARD, Infinity);
  state.best = better(state.best, begun);
  state.over = yield progress(state);
  if (begun === null || !goesOn(state)) return;
  const before = state.shaken;
  const run = anneal(problem, begun.at, work, random, annealing);
  let step = run.next();
  while (step.done !== true) {
    state.shaken = before + step.value.worked;
    // What is found while it is shaken has only to be settled.
    if (step.value.growth >= enough) state.over = yield progress(state);
    step = run.next(state.over || step.value.growth < enough);
  }
  const at = withGrowth(laidApart(problem, step.value));
  state.best = better(state.best, settled(problem, settler, at, FINE, Infinity));
}

/** Settles from rows and from chance, unless there is one to begin with, then again and again from the best with something changed. */
function* changeOver(state: State, begun: boolean): Search<void> {
  const { problem, settler, random, starts, size } = state;
  let current: Attempt | null = begun ? state.best : null;
  let fromChance = begun ? 0 : WARM;
  let inVain = 0;
  const patience = 12 + problem.radii.length;
  while (goesOn(state)) {
    const start: Float64Array | undefined = starts.shift();
    const at: Float64Array =
      start ??
      (current === null || fromChance > 0
        ? randomStart(problem, random)
        : changed(problem, current, size, random));
    const ceiling = current?.growth ?? Infinity;
    if (start === undefined) fromChance -= 1;
    let attempt = settled(problem, settler, at, random() < 0.5 ? HARD : ROUGH, ceiling);
    if (attempt !== null && attempt.growth < state.best.growth + NEAR_BEST * size)
      attempt = better(attempt, settled(problem, settler, at, FINE, ceiling));
    if (attempt !== null && attempt.growth < ceiling - 1e-9 * size) {
      current = attempt;
      inVain = 0;
    } else inVain += 1;
    state.best = better(state.best, attempt);
    if (inVain > patience) {
      // Every other time from chance, else from the best again.
      current = random() < 0.5 ? null : state.best;
      inVain = 0;
    }
    state.over = yield progress(state);
  }
}

/** Of more circles than this, shaking finds more than changing one thing after the other; of fewer it only begins. */
const MANY = 60;
/** Of fewer circles, changing one thing after the other goes through them all. */
const FEW = 12;

/** How a problem is shaken: so many times anew, with so much work each. Few circles, and circles of one size, are not. */
function annealings(
  { radii }: Problem,
  work: number,
): { readonly rounds: number; readonly work: number; readonly annealing: Annealing } {
  const n = radii.length;
  const annealing = { exchanges: 0.4, jumps: 0.1, apart: Math.max(3, Math.round(n / 10)) };
  if (n <= FEW || oneSize(radii)) return { rounds: 0, work: 0, annealing };
  const share = n > MANY ? 1 : 0.5;
  const rounds = n > MANY ? 1 : 2;
  return { rounds, work: (share * work) / rounds, annealing };
}

/** An arrangement as it is settled: the growth of the wall stands last. */
function withGrowth({ at, growth }: Attempt): Float64Array {
  const own = Float64Array.from(at);
  own[own.length - 1] = growth;
  return own;
}

/** Grid that radii are brought to: two problems that differ by a scale are then the same to the last bit. */
const GRID = 2 ** 34;

/**
 * The same with circles of about 1, the largest first: what comes out then depends neither on the unit nor on the order in which they were
 * given. `order` says which circle stands where.
 */
function normal({ radii, wall }: Problem): {
  readonly problem: Problem;
  readonly scale: number;
  readonly order: readonly number[];
} {
  const order = Array.from(radii.keys()).sort((i, j) => (radii[j] ?? 0) - (radii[i] ?? 0));
  const sorted = order.map((i) => radii[i] ?? 0);
  const scale = sorted.reduce((sum, r) => sum + r, 0) / sorted.length;
  const brought = (mm: number) => Math.round((mm / scale) * GRID) / GRID;
  return {
    order,
    scale,
    problem: {
      radii: Float64Array.from(sorted, brought),
      wall:
        wall.kind === 'circle'
          ? { kind: 'circle', r: brought(wall.r) }
          : { kind: 'rectangle', a: brought(wall.a), b: brought(wall.b) },
    },
  };
}

/** An arrangement of the normal problem, of the circles as they were given; drawn apart anew for what the grid took from them. */
function asGiven(given: Problem, order: readonly number[], scale: number, { at }: Attempt): Attempt {
  const mine = new Float64Array(at.length);
  order.forEach((i, k) => {
    mine[2 * i] = (at[2 * k] ?? 0) * scale;
    mine[2 * i + 1] = (at[2 * k + 1] ?? 0) * scale;
  });
  return laidApart(given, mine);
}

type Presses = readonly (readonly [press: number, steps: number, still: number])[];

/**
 * Lets `at` settle under ever less pressure. Null as soon as the wall is expected to stand no nearer than the ceiling: under pressure circles
 * overlap, and without their overlaps it would stand farther out still.
 */
function settled(
  problem: Problem,
  settler: Settler,
  at: Float64Array,
  presses: Presses,
  ceiling: number,
): Attempt | null {
  let before: { readonly press: number; readonly growth: number } | null = null;
  for (const [press, steps, still] of presses) {
    settler.settle(at, press, steps, still);
    const growth = at[at.length - 1] ?? 0;
    // Overlaps grow about as the pressure: where the wall would stand without any is seen from two of them.
    const expected =
      before === null ? growth : growth + ((growth - before.growth) * press) / (before.press - press);
    if (expected >= ceiling) return null;
    before = { press, growth };
  }
  return laidApart(problem, at);
}

const better = (a: Attempt, b: Attempt | null): Attempt => (b !== null && b.growth < a.growth ? b : a);

/** Drawn out from the centre, or together, until the two that lie closest just touch: no overlap is left, and the wall is as large as that asks for. */
export function laidApart({ radii, wall }: Problem, at: Float64Array): Attempt {
  const n = radii.length;
  let out = 0;
  for (let i = 0; i < n; i += 1)
    for (let j = i + 1; j < n; j += 1) {
      const dx = (at[2 * i] ?? 0) - (at[2 * j] ?? 0);
      const dy = (at[2 * i + 1] ?? 0) - (at[2 * j + 1] ?? 0);
      const distance = Math.sqrt(dx * dx + dy * dy);
      out = Math.max(out, ((radii[i] ?? 0) + (radii[j] ?? 0)) / distance);
    }
  const apart = at.map((v) => v * out);
  let growth = -Infinity;
  for (let i = 0; i < n; i += 1) {
    const [x, y, r] = [apart[2 * i] ?? 0, apart[2 * i + 1] ?? 0, radii[i] ?? 0];
    growth = Math.max(
      growth,
      wall.kind === 'circle'
        ? Math.hypot(x, y) + r - wall.r
        : Math.max(Math.abs(x) + r - wall.a, Math.abs(y) + r - wall.b),
    );
  }
  // Two in one place cannot be drawn apart.
  return { at: apart, growth: Number.isFinite(out) ? growth : Infinity };
}
