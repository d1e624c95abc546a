import type { Overlap } from './overlap';

const MEMORY = 8;

/**
 * Lets an arrangement settle at the least energy that is near: the limited-memory method of Broyden, Fletcher, Goldfarb and Shanno, with
 * steps halved until the energy falls. Changes `at` in place.
 */
export function settle(
  overlap: Overlap,
  at: Float64Array,
  press: number,
  steps: number,
  still: number,
): void {
  const n = at.length;
  let slope = new Float64Array(n);
  const next = new Float64Array(n);
  let nextSlope = new Float64Array(n);
  const moves: Float64Array[] = [];
  const turns: Float64Array[] = [];
  const shares: number[] = [];
  let energy = overlap.energy(at, slope, press);
  for (let step = 0; step < steps; step += 1) {
    if (largest(slope) < still) return;
    const way = downhill(slope, moves, turns, shares);
    let along = dot(way, slope);
    if (!(along < 0)) {
      moves.length = turns.length = shares.length = 0;
      for (let k = 0; k < n; k += 1) way[k] = -(slope[k] ?? 0);
      along = dot(way, slope);
    }
    let length = moves.length === 0 ? Math.min(1, 0.25 / Math.sqrt(-along)) : 1;
    let fallen = false;
    for (let half = 0; half < 30; half += 1) {
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
    const move = new Float64Array(n);
    const turn = new Float64Array(n);
    for (let k = 0; k < n; k += 1) {
      move[k] = (next[k] ?? 0) - (at[k] ?? 0);
      turn[k] = (nextSlope[k] ?? 0) - (slope[k] ?? 0);
    }
    const curve = dot(move, turn);
    if (curve > 1e-18) {
      moves.push(move);
      turns.push(turn);
      shares.push(1 / curve);
      if (moves.length > MEMORY) {
        moves.shift();
        turns.shift();
        shares.shift();
      }
    }
    at.set(next);
    [slope, nextSlope] = [nextSlope, slope];
  }
}

/** The direction of the quasi-Newton step, by the two-loop recursion. */
function downhill(
  slope: Float64Array,
  moves: readonly Float64Array[],
  turns: readonly Float64Array[],
  shares: readonly number[],
): Float64Array {
  const way = new Float64Array(slope.length);
  for (let k = 0; k < way.length; k += 1) way[k] = -(slope[k] ?? 0);
  const kept = new Float64Array(moves.length);
  for (let m = moves.length - 1; m >= 0; m -= 1) {
    const [move, turn] = [moves[m], turns[m]];
    if (!move || !turn) continue;
    const share = (shares[m] ?? 0) * dot(move, way);
    kept[m] = share;
    add(way, turn, -share);
  }
  const [lastMove, lastTurn] = [moves[moves.length - 1], turns[turns.length - 1]];
  if (lastMove && lastTurn) {
    const scale = dot(lastMove, lastTurn) / dot(lastTurn, lastTurn);
    for (let k = 0; k < way.length; k += 1) way[k] = (way[k] ?? 0) * scale;
  }
  for (let m = 0; m < moves.length; m += 1) {
    const [move, turn] = [moves[m], turns[m]];
    if (!move || !turn) continue;
    add(way, move, (kept[m] ?? 0) - (shares[m] ?? 0) * dot(turn, way));
  }
  return way;
}

function dot(a: Float64Array, b: Float64Array): number {
  let sum = 0;
  for (let k = 0; k < a.length; k += 1) sum += (a[k] ?? 0) * (b[k] ?? 0);
  return sum;
}

function add(to: Float64Array, what: Float64Array, times: number): void {
  for (let k = 0; k < to.length; k += 1) to[k] = (to[k] ?? 0) + times * (what[k] ?? 0);
}

function largest(values: Float64Array): number {
  let most = 0;
  for (const v of values) most = Math.max(most, Math.abs(v));
  return most;
}
