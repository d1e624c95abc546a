import type { Problem } from './model';

/** Circles fewer than this are looked at pair by pair; more of them by a list of those that are near. */
const FEW = 24;
/** Pairs that take as long as one circle's part in a step of the method. */
const STEP_WORK = 16;

/**
 * How far an arrangement is from one without overlaps: the squares of all overlaps, of circles with each other and with the wall, and
 * `press` times the growth `t` of the wall, so that least energy means no overlaps in the smallest wall. `at` holds x, y of each circle and
 * `t` last. The gradient is written into `slope`.
 */
export class Overlap {
  readonly size: number;
  /** What was looked at so far, about as many pairs: the work done, the same on every machine. */
  work = 0;
  private readonly radii: Float64Array;
  private readonly skin: number;
  private pairs: Int32Array = new Int32Array(0);
  private pairCount = 0;
  private listedAt: Float64Array | null = null;

  constructor(private readonly problem: Problem) {
    this.radii = problem.radii;
    this.size = 2 * problem.radii.length + 1;
    this.skin = problem.radii.reduce((sum, r) => sum + r, 0) / Math.max(1, problem.radii.length);
  }

  energy(at: Float64Array, slope: Float64Array, press: number): number {
    const { radii } = this;
    const n = radii.length;
    slope.fill(0);
    // What a step costs besides the pairs.
    this.work += STEP_WORK * (n + 4);
    let sum = 0;
    this.list(at);
    const { pairs, pairCount } = this;
    this.work += pairCount;
    // Nearly all the time of a search is spent in this loop.
    for (let k = 0; k < pairCount; k += 1) {
      const i = pairs[2 * k] ?? 0;
      const j = pairs[2 * k + 1] ?? 0;
      const dx = (at[2 * i] ?? 0) - (at[2 * j] ?? 0);
      const dy = (at[2 * i + 1] ?? 0) - (at[2 * j + 1] ?? 0);
      const apart = (radii[i] ?? 0) + (radii[j] ?? 0);
      const square = dx * dx + dy * dy;
      if (square >= apart * apart) continue;
      const distance = Math.sqrt(square);
      const over = apart - distance;
      sum += over * over;
      // Two in one place part sideways.
      const pull = distance > 0 ? (2 * over) / distance : 2 * over;
      const px = distance > 0 ? pull * dx : pull;
      const py = distance > 0 ? pull * dy : 0;
      slope[2 * i] = (slope[2 * i] ?? 0) - px;
      slope[2 * i + 1] = (slope[2 * i + 1] ?? 0) - py;
      slope[2 * j] = (slope[2 * j] ?? 0) + px;
      slope[2 * j + 1] = (slope[2 * j + 1] ?? 0) + py;
    }
    const last = this.size - 1;
    slope[last] = (slope[last] ?? 0) + press;
    return sum + this.wall(at, slope) + press * (at[last] ?? 0);
  }

  private wall(at: Float64Array, slope: Float64Array): number {
    const { radii } = this;
    const { wall } = this.problem;
    const last = this.size - 1;
    const t = at[last] ?? 0;
    let sum = 0;
    let pushed = 0;
    for (let i = 0; i < radii.length; i += 1) {
      const x = at[2 * i] ?? 0;
      const y = at[2 * i + 1] ?? 0;
      const r = radii[i] ?? 0;
      if (wall.kind === 'circle') {
        const out = Math.sqrt(x * x + y * y);
        const over = out + r - wall.r - t;
        if (over <= 0) continue;
        sum += over * over;
        pushed += over;
        if (out > 0) {
          slope[2 * i] = (slope[2 * i] ?? 0) + (2 * over * x) / out;
          slope[2 * i + 1] = (slope[2 * i + 1] ?? 0) + (2 * over * y) / out;
        }
      } else {
        for (let side = 0; side < 2; side += 1) {
          const v = side === 0 ? x : y;
          const over = Math.abs(v) + r - (side === 0 ? wall.a : wall.b) - t;
          if (over <= 0) continue;
          sum += over * over;
          pushed += over;
          slope[2 * i + side] = (slope[2 * i + side] ?? 0) + 2 * over * Math.sign(v);
        }
      }
    }
    slope[last] = (slope[last] ?? 0) - 2 * pushed;
    return sum;
  }

  /** The pairs that may meet before anything has moved half a skin. */
  private list(at: Float64Array): void {
    const n = this.radii.length;
    if (n <= FEW) {
      if (this.pairCount === 0 && n > 1) this.keep(everyPair(n));
      return;
    }
    if (this.listedAt !== null) {
      let moved = 0;
      for (let k = 0; k < 2 * n; k += 1)
        moved = Math.max(moved, Math.abs((at[k] ?? 0) - (this.listedAt[k] ?? 0)));
      if (moved < this.skin / 3) return;
    }
    this.listedAt = at.slice(0, 2 * n);
    const near: number[] = [];
    for (let i = 0; i < n; i += 1)
      for (let j = i + 1; j < n; j += 1) {
        const reach = (this.radii[i] ?? 0) + (this.radii[j] ?? 0) + this.skin;
        const dx = (at[2 * i] ?? 0) - (at[2 * j] ?? 0);
        const dy = (at[2 * i + 1] ?? 0) - (at[2 * j + 1] ?? 0);
        if (dx * dx + dy * dy < reach * reach) near.push(i, j);
      }
    this.keep(near);
    this.work += n;
  }

  private keep(pairs: readonly number[]): void {
    this.pairs = Int32Array.from(pairs);
    this.pairCount = pairs.length / 2;
  }
}

const everyPair = (n: number): number[] => {
  const pairs: number[] = [];
  for (let i = 0; i < n; i += 1) for (let j = i + 1; j < n; j += 1) pairs.push(i, j);
  return pairs;
};
