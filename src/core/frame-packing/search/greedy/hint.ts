import type { FrameSetting } from '../../model/frame-setting';
import { inList } from './counts-table';
import type { Assignment } from './demand';
import type { Bench } from './workbench';

/** Where to begin, from values of the exact model: its cables rounded group by group, its sets of circuits dealt out over the openings. */
export function hintFrom(
  { exact, groups }: FrameSetting,
  { demand, openings, stock }: Bench,
  values: readonly number[],
): Assignment {
  const wanted = demand.cells.map((cells) => new Float64Array(cells.length));
  for (const { column, group, option, opening, row } of exact.cables) {
    const value = values[column] ?? 0;
    if (value <= 1e-9) continue;
    const index = inList(groups, group).options.indexOf(option);
    const at = inList(demand.cells, group).findIndex((c) => {
      const home = inList(demand.homes, c.home);
      return c.option === index && home.openingSet === opening && home.rowSet === row;
    });
    const shares = inList(wanted, group);
    if (at >= 0) shares[at] = (shares[at] ?? 0) + value;
  }
  return {
    cables: wanted.map((shares, g) => rounded(shares, inList(demand.counts, g))),
    sets: dealtSets(exact, openings, values),
    tallest: stock.kinds.length,
  };
}

/** Whole numbers near the shares that sum to `total`: what is left goes to the largest remainders. */
export function rounded(shares: Float64Array, total: number): Int32Array {
  const counts = Int32Array.from(shares, Math.floor);
  const order = [...shares].map((share, at) => ({ at, over: share - Math.floor(share) }));
  order.sort((a, b) => b.over - a.over || a.at - b.at);
  let left = total - counts.reduce((sum, n) => sum + n, 0);
  for (let i = 0; left > 0; i = (i + 1) % order.length) {
    const { at } = inList(order, i);
    counts[at] = (counts[at] ?? 0) + 1;
    left -= 1;
  }
  return counts;
}

function dealtSets(
  exact: FrameSetting['exact'],
  openings: readonly number[],
  values: readonly number[],
): number[] {
  const left = new Map<number, number[]>();
  for (const { column, type, opening } of exact.patterns) {
    const of = left.get(type) ?? exact.sets.map(() => 0);
    of[opening] = (of[opening] ?? 0) + (values[column] ?? 0);
    left.set(type, of);
  }
  return openings.map((type) => {
    const of = left.get(type) ?? [0];
    const set = of.indexOf(Math.max(...of));
    of[set] = (of[set] ?? 0) - 1;
    return set;
  });
}
