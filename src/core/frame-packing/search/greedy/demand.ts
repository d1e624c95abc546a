import { toUm } from '@/core/kernel';
import { fewestRemeasured, type CableGroup } from '../../model/cable-groups';
import type { FrameModel } from '../../model/frame-model';
import type { FrameRequest } from '../../model/frame-request';
import { CountsTable, inList } from './counts-table';

/** Rows of one width in openings of one set of circuits, that hold one set of circuits themselves. All by index but the width (µm). */
export interface RowHome {
  readonly openingSet: number;
  readonly rowSet: number;
  /** Openings of this set and width: all homes with the same bay share them. */
  readonly bay: number;
}

/** A home and a size that the cables of a group may go into. */
export interface Cell {
  readonly home: number;
  /** Index into `sizes`. */
  readonly size: number;
  readonly option: number;
  readonly remeasure: number;
}

export interface Demand {
  /** Sizes that any cable goes into or that spares are asked of, largest first, micrometres. */
  readonly sizes: readonly number[];
  readonly homes: readonly RowHome[];
  readonly bays: readonly { readonly openingSet: number; readonly width: number }[];
  readonly cells: readonly (readonly Cell[])[];
  readonly counts: readonly number[];
  /** Second measurings that no choice of places avoids. */
  readonly fewestRemeasured: number;
}

/** Where the cables may go, with openings of these widths; null when some go into corner places only. */
export function demandOf(
  groups: readonly CableGroup[],
  sets: FrameModel['sets'],
  widths: readonly number[],
  extra: NonNullable<FrameRequest['spare']['extra']>,
): Demand | null {
  const sizes = [
    ...new Set([
      ...groups.flatMap((g) => g.options.flatMap((o) => (o.size === null ? [] : [o.size]))),
      ...extra.filter((e) => e.count > 0).map((e) => toUm(e.size)),
    ]),
  ].sort((a, b) => b - a);
  const bays = sets.flatMap((_, openingSet) => widths.map((width) => ({ openingSet, width })));
  const homes = bays.flatMap(({ openingSet }, bay) =>
    (sets[openingSet]?.rows ?? []).map((_, rowSet) => ({ openingSet, rowSet, bay })),
  );
  const cells = groups.map((group) =>
    homes.flatMap(({ openingSet, rowSet }, home) =>
      group.circuit !== null && !sets[openingSet]?.rows[rowSet]?.includes(group.circuit)
        ? []
        : group.options.flatMap((o, option) =>
            o.size === null
              ? []
              : [{ home, size: sizes.indexOf(o.size), option, remeasure: Number(o.remeasure) }],
          ),
    ),
  );
  if (cells.some((c) => c.length === 0)) return null;
  const counts = groups.map((g) => g.tags.length);
  return { sizes, homes, bays, cells, counts, fewestRemeasured: fewestRemeasured(groups) };
}

/** How many cables of each group go into each of its cells, which set of circuits each opening holds, and up to which kind rows are merged. */
export interface Assignment {
  readonly cables: readonly Int32Array[];
  readonly sets: readonly number[];
  readonly tallest: number;
}

/** Cables that go into each size in each home (home × size), and how many of them are measured a second time. */
export function carriedBy(
  demand: Demand,
  cables: Assignment['cables'],
): { carried: CountsTable; remeasure: number } {
  const carried = new CountsTable(demand.homes.length, demand.sizes.length);
  let remeasure = 0;
  for (const [g, cells] of demand.cells.entries()) {
    const counts = inList(cables, g);
    for (const [c, cell] of cells.entries()) {
      const n = counts[c] ?? 0;
      if (n === 0) continue;
      carried.add(cell.home, cell.size, n);
      remeasure += n * cell.remeasure;
    }
  }
  return { carried, remeasure };
}
