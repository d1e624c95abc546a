import { seededRandom } from '@/core/kernel';
import type { Problem } from './model';
import { Overlap } from './overlap';
import { Settler } from './settle';
import { anywhere, latticeStarts, randomStart, spread } from './starts';

/** An arrangement without overlaps, and by how much the wall has to grow for it. */
export interface Attempt {
  readonly at: Float64Array;
  readonly growth: number;
}

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
/** Of so many circles an attempt is settled less finely, and only what is best in the end to the last: it takes as long as several attempts. */
const MANY = 60;
const FAIR = [[1e-5, 120, 1e-7]] as const;
const GENTLE = [
  [0.01, 80, 1e-4],
  [1e-3, 120, 1e-5],
] as const;
/** Begun from chance so often before the best of them is worked on. */
const WARM = 5;
/** An attempt this close to the best is worth settling finely; as a share of the size of the bundle. */
const NEAR_BEST = 0.0015;

/**
 * Looks for the arrangement with the least growth of the wall: settles from rows by hand and from chance, then again and again from the best
 * with something changed. Deterministic for its seed. Yields after every attempt; sent `true`, it ends with what it has.
 */
export function* searchPacking(
  given: Problem,
  { seed, work, enough }: SearchOptions,
): Generator<SearchProgress, Attempt, boolean> {
  const { problem, scale, order } = normal(given);
  const random = seededRandom(seed);
  const overlap = new Overlap(problem);
  const settler = new Settler(overlap);
  const size = spread(problem);
  const starts = latticeStarts(problem);
  let best = laidApart(problem, starts[0] ?? randomStart(problem, random));
  let current: Attempt | null = null;
  let inVain = 0;
  const fine = problem.radii.length > MANY ? FAIR : FINE;
  const patience = 12 + problem.radii.length;
  let fromChance = WARM;
  for (const start of starts) {
    const rows = laidApart(problem, start);
    if (rows.growth < best.growth) best = rows;
  }
  while (overlap.work < work && best.growth > enough / scale) {
    const start: Float64Array | undefined = starts.shift();
    const at: Float64Array =
      start ??
      (current === null || fromChance > 0
        ? randomStart(problem, random)
        : changed(problem, current, size, random));
    const ceiling = current?.growth ?? Infinity;
    if (start === undefined) fromChance -= 1;
    let attempt = settled(
      problem,
      settler,
      at,
      pressed(random(), problem.radii.length > MANY && current !== null && start === undefined),
      ceiling,
    );
    if (attempt !== null && attempt.growth < best.growth + NEAR_BEST * size)
      attempt = better(attempt, settled(problem, settler, at, fine, ceiling));
    if (attempt !== null && attempt.growth < ceiling - 1e-9 * size) {
      current = attempt;
      inVain = 0;
    } else inVain += 1;
    if (attempt !== null) best = better(best, attempt);
    if (inVain > patience) {
      // Every other time from chance, else from the best again.
      current = random() < 0.5 ? null : best;
      inVain = 0;
    }
    if (yield { growth: best.growth * scale, share: Math.min(1, overlap.work / work) }) break;
  }
  if (fine !== FINE) best = better(best, settled(problem, settler, withGrowth(best), FINE, Infinity));
  return asGiven(given, order, scale, best);
}

const pressed = (chance: number, gently: boolean): Presses =>
  gently ? (chance < 0.15 ? HARD : chance < 0.4 ? ROUGH : GENTLE) : chance < 0.5 ? HARD : ROUGH;

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

/** The best with something else about it: one moved elsewhere, two exchanged, or all of them shaken. */
function changed(problem: Problem, from: Attempt, size: number, random: () => number): Float64Array {
  const { radii } = problem;
  const n = radii.length;
  const at = Float64Array.from(from.at);
  at[2 * n] = from.growth;
  const any = () => Math.floor(random() * n);
  const chance = random();
  // Of several sizes it is mostly which lies where that is wrong; of one size, where the holes are.
  const [moved, exchanged] =
    (radii[0] ?? 0) <= (radii[n - 1] ?? 0) * ALIKE ? [0.4, 0.75] : n > MANY ? [0.35, 0.9] : [0.25, 0.85];
  if (chance < moved) {
    const many = 1 + Math.floor((random() * n) / 25);
    for (let k = 0; k < many; k += 1) {
      const i = n > MANY && random() < 0.5 ? outermost(problem, from, random) : any();
      const [x, y] = emptiest(problem, from, i, size, random);
      at[2 * i] = x;
      at[2 * i + 1] = y;
    }
  } else if (chance < exchanged) {
    const i = any();
    const j = neighbourInSize(n, i, random);
    for (const k of [0, 1]) {
      const kept = at[2 * i + k] ?? 0;
      at[2 * i + k] = at[2 * j + k] ?? 0;
      at[2 * j + k] = kept;
    }
    // Of one size nothing is changed by it: a nudge is.
    if (radii[i] === radii[j]) shake(at, n, 0.3, random);
  } else shake(at, n, 0.2 + 0.8 * random(), random);
  return at;
}

/** Sizes that differ by more than this share are several. */
const ALIKE = 1.05;

/** Points that are looked at for a hole. */
const LOOKED_AT = 24;

/** Of some points anywhere the one with most room about it, the wall where it stands now: a circle that is put there squeezes the others least. */
function emptiest(
  { radii, wall }: Problem,
  { at, growth }: Attempt,
  without: number,
  size: number,
  random: () => number,
): [number, number] {
  let best: [number, number] = [0, 0];
  let most = -Infinity;
  const reach = wall.kind === 'circle' ? wall.r + growth : size;
  const looked = radii.length > MANY ? LOOKED_AT + radii.length : LOOKED_AT;
  for (let k = 0; k < looked; k += 1) {
    const [x, y] = anywhere(wall, reach, random);
    let room =
      wall.kind === 'circle'
        ? reach - Math.hypot(x, y)
        : Math.min(wall.a + growth - Math.abs(x), wall.b + growth - Math.abs(y));
    for (let j = 0; j < radii.length && room > most; j += 1) {
      if (j === without) continue;
      room = Math.min(room, Math.hypot(x - (at[2 * j] ?? 0), y - (at[2 * j + 1] ?? 0)) - (radii[j] ?? 0));
    }
    if (room > most) {
      most = room;
      best = [x, y];
    }
  }
  return best;
}

/** Of some circles the one that reaches farthest: what is taken from the edge lets the wall come in. */
function outermost({ radii }: Problem, { at }: Attempt, random: () => number): number {
  let found = 0;
  let far = -Infinity;
  for (let k = 0; k < 6; k += 1) {
    const i = Math.floor(random() * radii.length);
    const reach = Math.hypot(at[2 * i] ?? 0, at[2 * i + 1] ?? 0) + (radii[i] ?? 0);
    if (reach > far) [found, far] = [i, reach];
  }
  return found;
}

/** Another one of about the same size, of circles in order of it: exchanged with it, most of the arrangement stays good. */
function neighbourInSize(n: number, i: number, random: () => number): number {
  const away = 1 + Math.floor(3 * random());
  return Math.min(n - 1, Math.max(0, i + (random() < 0.5 ? -away : away)));
}

function shake(at: Float64Array, n: number, by: number, random: () => number): void {
  for (let k = 0; k < 2 * n; k += 1) at[k] = (at[k] ?? 0) + (2 * random() - 1) * by;
}
