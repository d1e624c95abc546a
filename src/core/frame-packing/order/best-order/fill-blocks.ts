import { sparesOwed } from '../../model/frame-request';
import { divides } from '../../model/row-patterns';
import type { Asked } from './asked';
import type { Budget } from './budget';

/** A row with what the cables take of it. Lengths in µm, sizes by index. */
export interface TakenRow {
  readonly height: number;
  readonly undivided: boolean;
  /** Blocks that no cable needs. */
  readonly free: number;
  /** Places that a block divided for cables has left over, by size. */
  readonly left: readonly number[];
  /** Cables that come out when this row does, its own among them. */
  readonly out: number;
}

/** What a fill must know of the request. */
export type FillAsked = Pick<Asked, 'sizes' | 'spareCost' | 'extra' | 'share' | 'cables'>;

/** What comes after cost of frames and second measurings. */
export interface FillWorth {
  readonly toSpares: number;
  readonly cost: number;
}

export interface Fill extends FillWorth {
  /** For each row how many free blocks are divided into each size. */
  readonly blocks: readonly (readonly number[])[];
}

const EPSILON = 1e-9;

export const worseThan = (a: FillWorth, b: FillWorth): boolean =>
  a.toSpares > b.toSpares || (a.toSpares === b.toSpares && a.cost > b.cost + EPSILON);

/**
 * Divides the blocks that no cable needs, so that the spares that are owed are there, the nearest spare of each size that carries cables costs
 * the fewest cables to reach, and modules cost least. `carrying` are cables by size. Null when the spares have no room, or when every fill is
 * worse than `than`, or when
 * the budget is used up before one was found.
 */
export function fillBlocks(
  asked: FillAsked,
  rows: readonly TakenRow[],
  carrying: readonly number[],
  than: FillWorth,
  budget: Budget,
): Fill | null {
  const { sizes, spareCost } = asked;
  const need = sizes.map((_, s) => sparesOwed(asked.share, carrying[s] ?? 0, asked.extra[s] ?? 0));
  const have = sizes.map((_, s) => rows.reduce((sum, r) => sum + (r.left[s] ?? 0), 0));
  const nearest = sizes.map((_, s) =>
    Math.min(asked.cables, ...rows.filter((r) => (r.left[s] ?? 0) > 0).map((r) => r.out)),
  );
  // From the press unit on: a spare in an earlier row is never farther than in a later one. Where no cables lie between, the nearer row all the same.
  const order = rows
    .flatMap((r, i) => (r.free > 0 ? [i] : []))
    .sort((a, b) => (rows[a]?.out ?? 0) - (rows[b]?.out ?? 0) || b - a);
  const blocks = rows.map(() => sizes.map(() => 0));
  let best: FillWorth = { toSpares: than.toSpares, cost: than.cost };
  let found: number[][] | null = null;
  const sumOf = (beyond: number): number =>
    sizes.reduce((sum, _, s) => ((carrying[s] ?? 0) > 0 ? sum + Math.min(nearest[s] ?? 0, beyond) : sum), 0);

  const walk = (at: number, cost: number): void => {
    if (!budget.spend()) return;
    const index = order[at];
    const row = rows[index ?? -1];
    if (index === undefined || !row) {
      const worth = { toSpares: sumOf(Infinity), cost };
      if (need.some((n, s) => (have[s] ?? 0) < n) || worseThan(worth, best)) return;
      if (found !== null && !worseThan(best, worth)) return;
      best = worth;
      found = blocks.map((b) => [...b]);
      return;
    }
    if (worseThan({ toSpares: sumOf(row.out), cost }, best)) return;
    const fits = sizes.flatMap((size, s) => (divides(row, size) ? [s] : []));
    const priceOf = (s: number): number => (row.height / (sizes[s] ?? 1)) ** 2 * (spareCost[s] ?? 0);
    const cheapest = fits.reduce((a, b) => (priceOf(b) < priceOf(a) - EPSILON ? b : a), fits[0] ?? 0);
    const mine = blocks[index] ?? [];
    // More blocks of a size than bring a spare near and settle what is owed are of no use; the rest costs least.
    const choose = (f: number, left: number, paid: number): void => {
      const s = fits[f];
      if (s === undefined) {
        put(cheapest, left, () => walk(at + 1, paid + left * priceOf(cheapest)));
        return;
      }
      const each = (row.height / (sizes[s] ?? 1)) ** 2;
      const owed = Math.ceil(Math.max(0, (need[s] ?? 0) - (have[s] ?? 0)) / each);
      const near = (carrying[s] ?? 0) > 0 && (nearest[s] ?? 0) > row.out ? 1 : 0;
      for (let n = Math.min(left, Math.max(owed, near)); n >= 0; n -= 1)
        put(s, n, () => choose(f + 1, left - n, paid + n * priceOf(s)));
    };
    const put = (s: number, n: number, then: () => void): void => {
      const before = nearest[s] ?? 0;
      const places = n * (row.height / (sizes[s] ?? 1)) ** 2;
      mine[s] = (mine[s] ?? 0) + n;
      have[s] = (have[s] ?? 0) + places;
      if (n > 0) nearest[s] = Math.min(before, row.out);
      then();
      nearest[s] = before;
      have[s] = (have[s] ?? 0) - places;
      mine[s] = (mine[s] ?? 0) - n;
    };
    choose(0, row.free, cost);
  };
  const leftOver = rows.reduce(
    (sum, r) => sum + r.left.reduce((cost, n, s) => cost + n * (spareCost[s] ?? 0), 0),
    0,
  );
  walk(0, leftOver);
  return found === null ? null : { ...best, blocks: found };
}
