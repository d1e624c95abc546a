import { toUm } from '@/core/kernel';
import { withCover, type FrameCounts } from '../../model/frame-counts';
import type { FrameRequest } from '../../model/frame-request';
import type { FrameSetting } from '../../model/frame-setting';
import { divides, type RowKind } from '../../model/row-patterns';
import type { BuiltRows } from './build-rows';
import { inList } from './counts-table';
import type { Assignment } from './demand';
import { fillFrom, type Bench } from './workbench';

/** What the hand rules have built, in the counts that the models speak in. */
export function countsFor(
  { request, groups, types, room }: FrameSetting,
  bench: Bench,
  frames: readonly number[],
  assignment: Assignment,
  built: BuiltRows,
): FrameCounts {
  const { demand, stock, openings } = bench;
  const { held, left } = fillFrom(bench, assignment, built);
  const patterns = openings.map((_, o) => bench.filler.patternOf(o, inList(held, o), inList(left, o)));
  const rowClasses = room.rowClasses.map((c) => ({ ...c, count: 0 }));
  const blocks: { rowClass: number; size: number; count: number }[] = [];
  built.used.forEach((used, h) => {
    const bay = demand.bays[h - demand.homes.length];
    // A corner row that nobody uses may hold any set of circuits.
    const home = demand.homes[h] ?? { openingSet: bay?.openingSet ?? 0, rowSet: 0 };
    stock.kinds.forEach((kind, k) => {
      const count = built.rows.at(h, k);
      if (count === 0) return;
      const at = rowClasses.findIndex(
        (c) => c.kind.key === kind.key && c.opening === home.openingSet && c.row === home.rowSet,
      );
      const rowClass = rowClasses[at];
      if (!rowClass) throw new Error('a row that no class has');
      rowClass.count += count;
      demand.sizes.forEach((size, s) => {
        const divided = used.at(k, s);
        if (divided > 0) blocks.push({ rowClass: at, size, count: divided });
      });
      const empty = built.free.at(h, k);
      if (empty > 0) blocks.push({ rowClass: at, size: emptySize(kind, request), count: empty });
    });
  });
  const cables = groups.flatMap((group, g) =>
    inList(demand.cells, g).flatMap((cell, c) => {
      const count = inList(assignment.cables, g)[c] ?? 0;
      const option = group.options[cell.option];
      const home = demand.homes[cell.home];
      return count > 0 && option && home
        ? [{ group: g, option, opening: home.openingSet, row: home.rowSet, count }]
        : [];
    }),
  );
  const keys = openings.map((t, o) => `${t} ${patterns[o]} ${assignment.sets[o]}`);
  const columns = [...new Set(keys)].map((key) => {
    const [type = 0, pattern = 0, opening = 0] = key.split(' ').map(Number);
    return { type, pattern, opening };
  });
  const values = [...new Set(keys)].map((key) => keys.filter((k) => k === key).length);
  return withCover(request, { frames, patterns: [], rowClasses, blocks, cables }, types, columns, values);
}

/** Size of the places in a block that nothing asked for: the block itself where it is a module, else the largest that divides it. */
function emptySize(kind: RowKind, { modules }: FrameRequest): number {
  const sizes = modules.flatMap((m) => (!m.corner && divides(kind, toUm(m.size)) ? [toUm(m.size)] : []));
  return Math.max(...sizes);
}
