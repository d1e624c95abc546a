import { seededRandom, type TimePassed } from '@/core/kernel';
import type { FrameCounts } from '../../model/frame-counts';
import type { FrameMultiset } from '../../model/frame-multisets';
import { extraSpares } from '../../model/frame-request';
import type { FrameSetting } from '../../model/frame-setting';
import { countsFor } from './counts-for';
import { CountsTable, inList } from './counts-table';
import { carriedBy, demandOf, type Assignment, type Cell } from './demand';
import { openingFiller } from './fill-openings';
import { hintFrom } from './hint';
import { fillFrom, rowsOf, type Bench } from './workbench';

/** A plan found by hand rules, with its second measurings and the fewest that any plan has. */
export interface GreedyPlan {
  readonly counts: FrameCounts;
  readonly remeasure: number;
  readonly fewest: number;
}

interface Standing {
  readonly score: number;
  readonly over: number;
  readonly remeasure: number;
}

/** Share of the time after which no more changes are tried. */
const TIME_TO_SEARCH = 0.75;

/** A step back is taken when it is better than where the search stood so many steps ago. */
const MEMORY = 40;

export type RowBuilder = (
  frames: FrameMultiset,
  tries: number,
  values?: readonly number[],
) => GreedyPlan | { readonly over: number };

/**
 * Looks for plans that fit into just the frames that are asked: sizes for the cables, rows for the sizes, openings for the rows, and changes
 * of the first as long as that helps. `values` of the exact model are a hint where to begin. Quick, and never a proof: without a plan it says
 * by how much (µm of rows) the best attempt of so many tries did not fit, `Infinity` where some cable goes into corner places only.
 */
export function rowBuilder(setting: FrameSetting): RowBuilder {
  const { request, groups, types, openingTypes, exact } = setting;
  return (frames, tries, values) => {
    const openings = frames.counts.flatMap((n, f) =>
      Array.from({ length: n }, () => openingTypes[f] ?? []).flat(),
    );
    const typeAt = (t: number) => inList(types, t);
    const widths = [...new Set(openings.map((t) => typeAt(t).width))];
    const demand = demandOf(groups, exact.sets, widths, request.spare.extra ?? []);
    if (demand === null || openings.length === 0) return { over: Infinity };
    const stands = (t: number, key: string) => typeAt(t).kinds.has(key);
    const kinds = [...new Map(openings.flatMap((t) => [...typeAt(t).kinds])).values()]
      .filter(({ key }) => openings.some((t) => stands(t, key)))
      .sort((a, b) => b.height - a.height);
    const bench: Bench = {
      demand,
      stock: {
        kinds,
        stands: CountsTable.of(demand.bays, kinds, ({ width }, { key }) =>
          Number(openings.some((t) => typeAt(t).width === width && stands(t, key))),
        ),
        allowed: CountsTable.of(demand.homes, kinds, ({ openingSet, rowSet }, { beside }) =>
          Number(beside.every((c) => exact.sets[openingSet]?.rows[rowSet]?.includes(c))),
        ),
        plate: Math.min(...openings.map((t) => typeAt(t).plate)),
        share: request.spare.share,
        extra: demand.sizes.map((size) => extraSpares(request, size)),
      },
      filler: openingFiller(types, openings, kinds),
      openings,
      bayOf: openings.map((t) =>
        exact.sets.map((held, set) =>
          typeAt(t).beside.every((c) => held.opening.includes(c))
            ? demand.bays.findIndex((b) => b.openingSet === set && b.width === typeAt(t).width)
            : -1,
        ),
      ),
    };
    const begin = starts(bench, exact.sets.length);
    if (values) begin.unshift(hintFrom(setting, bench, values));
    const found = improve(bench, begin, seededRandom(request.seed ?? 1), tries, setting.passed);
    if (found.at.over > 0) return { over: found.at.over };
    const rows = rowsOf(bench, found.assignment);
    if (rows === null) throw new Error('what was built once is built again');
    return {
      counts: countsFor(setting, bench, frames.counts, found.assignment, rows),
      remeasure: found.at.remeasure,
      fewest: demand.fewestRemeasured,
    };
  };
}

interface Found {
  readonly assignment: Assignment;
  readonly at: Standing;
}

function improve(
  bench: Bench,
  begin: readonly Assignment[],
  random: () => number,
  tries: number,
  passed: TimePassed,
): Found {
  const pick = (n: number): number => Math.floor(random() * n);
  let best: Found | null = null;
  for (const start of begin) {
    let here: Found = { assignment: start, at: standing(bench, start) };
    const memory = new Array<number>(MEMORY).fill(here.at.score);
    for (let i = 0; ; i += 1) {
      if (best === null || here.at.score < best.at.score) best = here;
      if (best.at.over === 0 && best.at.remeasure === bench.demand.fewestRemeasured) return best;
      if (i >= tries || (i % 8 === 7 && passed() >= TIME_TO_SEARCH)) break;
      const next = changed(bench, here.assignment, pick);
      const at = standing(bench, next);
      if (at.score <= here.at.score || at.score <= inList(memory, i % MEMORY))
        here = { assignment: next, at };
      memory[i % MEMORY] = here.at.score;
    }
  }
  if (best === null) throw new Error('there is always somewhere to begin');
  return best;
}

/**
 * Where to begin: everything in the smallest size it goes into, or in the one that needs no second measuring; the sets of circuits in turn
 * over the openings.
 */
function starts({ demand, openings }: Bench, sets: number): Assignment[] {
  const by = (worth: (cell: Cell) => number): Assignment => ({
    cables: demand.cells.map((cells, g) => {
      const counts = new Int32Array(cells.length);
      let best = 0;
      cells.forEach((cell, c) => {
        if (worth(cell) < worth(inList(cells, best))) best = c;
      });
      counts[best] = inList(demand.counts, g);
      return counts;
    }),
    sets: openings.map((_, o) => o % sets),
    tallest: 0,
  });
  // Sizes count from the largest, so the smallest has the highest number.
  return [by((c) => -c.size), by((c) => c.remeasure * 100 - c.size)];
}

function standing(bench: Bench, assignment: Assignment): Standing {
  const { remeasure } = carriedBy(bench.demand, assignment.cables);
  const built = rowsOf(bench, assignment);
  if (built === null) return { score: Infinity, over: Infinity, remeasure };
  const { over } = fillFrom(bench, assignment, built);
  const height = built.height / 1e6;
  // What does not fit counts first; then second measurings; then height, which leaves room for the next change.
  return { score: over > 0 ? 1e6 + over + height : remeasure + height, over, remeasure };
}

/**
 * A neighbour: some or all cables of a group elsewhere, a whole size given up in a home, another set of
 * circuits in an opening, or more or fewer rows merged.
 */
function changed(bench: Bench, from: Assignment, pick: (n: number) => number): Assignment {
  const { demand, bayOf } = bench;
  const sets = bayOf[0]?.length ?? 1;
  if (sets > 1 && pick(5) === 0) {
    const o = pick(from.sets.length);
    return { ...from, sets: from.sets.map((set, i) => (i === o ? (set + 1 + pick(sets - 1)) % sets : set)) };
  }
  const { length } = bench.stock.kinds;
  if (pick(8) === 0) return { ...from, tallest: pick(length + 1) };
  const cables = from.cables.slice();
  if (pick(4) === 0) {
    const size = pick(demand.sizes.length);
    const home = pick(demand.homes.length);
    const down = pick(2) === 0;
    demand.cells.forEach((cells, g) => {
      const at = cells.findIndex((c) => c.size === size && c.home === home);
      const counts = inList(cables, g);
      const all = counts[at] ?? 0;
      if (at < 0 || all === 0) return;
      const others = cells.flatMap((c, i) =>
        c.home === home && (down ? c.size > size : c.size < size) ? [i] : [],
      );
      const to = others[pick(others.length)];
      if (to !== undefined) cables[g] = moved(counts, at, to, all);
    });
    return { ...from, cables };
  }
  const g = pick(demand.cells.length);
  const counts = inList(cables, g);
  if (counts.length < 2) return from;
  let at = pick(counts.length);
  while (counts[at] === 0) at = (at + 1) % counts.length;
  const to = (at + 1 + pick(counts.length - 1)) % counts.length;
  const all = counts[at] ?? 0;
  cables[g] = moved(counts, at, to, pick(2) === 0 ? all : 1 + pick(all));
  return { ...from, cables };
}

function moved(counts: Int32Array, from: number, to: number, n: number): Int32Array {
  const next = counts.slice();
  next[from] = (next[from] ?? 0) - n;
  next[to] = (next[to] ?? 0) + n;
  return next;
}
