import type { Overlap } from './overlap';

/** Steps that the method remembers. */
const MEMORY = 6;
/** Halvings of a step before it is given up. */
const HALVINGS = 30;

/**
 * Lets arrangements settle at the least energy that is near: the limited-memory method of Broyden, Fletcher, Goldfarb and Shanno, with steps halved
 * until the energy falls. Its store is made once: an arrangement settles many thousand times in a search.
 */
export class Settler {
  private readonly n: number;
  private readonly slope: Float64Array;
  private readonly nextSlope: Float64Array;
  private readonly next: Float64Array;
  private readonly way: Float64Array;
  /** The last moves and what the slope turned by, one row after the other, the oldest written over. */
  private readonly moves: Float64Array;
  private readonly turns: Float64Array;
  private readonly shares = new Float64Array(MEMORY);
  private readonly kept = new Float64Array(MEMORY);
  private count = 0;
  private newest = -1;

  constructor(private readonly overlap: Overlap) {
    const n = overlap.size;
    this.n = n;
    this.slope = new Float64Array(n);
    this.nextSlope = new Float64Array(n);
    this.next = new Float64Array(n);
    this.way = new Float64Array(n);
    this.moves = new Float64Array(MEMORY * n);
    this.turns = new Float64Array(MEMORY * n);
  }

  /** Changes `at` in place: at most so many steps, until no part of the slope is larger than `still`. */
  settle(at: Float64Array, press: number, steps: number, still: number): void {
    const { n, overlap, slope, nextSlope, next, way } = this;
    this.count = 0;
    this.newest = -1;
    let energy = overlap.energy(at, slope, press);
    for (let step = 0; step < steps; step += 1) {
      if (largest(slope) < still) return;
      this.downhill();
      let along = dot(way, 0, slope, n);
      if (!(along < 0)) {
        this.count = 0;
        for (let k = 0; k < n; k += 1) way[k] = -(slope[k] ?? 0);
        along = dot(way, 0, slope, n);
      }
      let length = this.count === 0 ? Math.min(1, 0.25 / Math.sqrt(-along)) : 1;
      let fallen = false;
      for (let half = 0; half < HALVINGS; half += 1) {
        for (let k = 0; k < n; k += 1) next[k] = (at[k] ?? 0) + length * (way[k] ?? 0);
        const there = overlap.energy(next, nextSlope, press);
        if (there <= energy + 1e-4 * length * along) {
          energy = there;
          fallen = true;
          break;
        }
        length /= 2;
      }
      if (!fallen) return;
      this.remember(at);
      at.set(next);
      slope.set(nextSlope);
    }
  }

  /** Keeps the step from `at` to what comes next, where the slope turned with it. */
  private remember(at: Float64Array): void {
    const { n, next, slope, nextSlope, moves, turns } = this;
    const row = ((this.newest + 1) % MEMORY) * n;
    let curve = 0;
    for (let k = 0; k < n; k += 1) {
      const move = (next[k] ?? 0) - (at[k] ?? 0);
      const turn = (nextSlope[k] ?? 0) - (slope[k] ?? 0);
      moves[row + k] = move;
      turns[row + k] = turn;
      curve += move * turn;
    }
    if (curve <= 1e-18) {
      // The row is written over: what stood there is gone.
      if (this.count === MEMORY) this.count -= 1;
      return;
    }
    this.newest = (this.newest + 1) % MEMORY;
    this.shares[this.newest] = 1 / curve;
    this.count = Math.min(MEMORY, this.count + 1);
  }

  /** The direction of the quasi-Newton step, by the two-loop recursion. */
  private downhill(): void {
    const { n, slope, way, moves, turns, shares, kept, count, newest } = this;
    for (let k = 0; k < n; k += 1) way[k] = -(slope[k] ?? 0);
    if (count === 0) return;
    for (let m = 0; m < count; m += 1) {
      const at = (newest - m + MEMORY) % MEMORY;
      const share = (shares[at] ?? 0) * dot(moves, at * n, way, n);
      kept[at] = share;
      add(way, turns, at * n, -share, n);
    }
    const last = newest * n;
    let square = 0;
    for (let k = last; k < last + n; k += 1) square += (turns[k] ?? 0) * (turns[k] ?? 0);
    // The share is one over move · turn.
    const scale = 1 / ((shares[newest] ?? 1) * square);
    for (let k = 0; k < n; k += 1) way[k] = (way[k] ?? 0) * scale;
    for (let m = count - 1; m >= 0; m -= 1) {
      const at = (newest - m + MEMORY) % MEMORY;
      add(way, moves, at * n, (kept[at] ?? 0) - (shares[at] ?? 0) * dot(turns, at * n, way, n), n);
    }
  }
}

/** A row of `rows` from `from` on, times `b`. */
function dot(rows: Float64Array, from: number, b: Float64Array, n: number): number {
  let sum = 0;
  for (let k = 0; k < n; k += 1) sum += (rows[from + k] ?? 0) * (b[k] ?? 0);
  return sum;
}

function add(to: Float64Array, rows: Float64Array, from: number, times: number, n: number): void {
  for (let k = 0; k < n; k += 1) to[k] = (to[k] ?? 0) + times * (rows[from + k] ?? 0);
}

function largest(values: Float64Array): number {
  let most = 0;
  for (let k = 0; k < values.length; k += 1) {
    const v = Math.abs(values[k] ?? 0);
    if (v > most) most = v;
  }
  return most;
}
