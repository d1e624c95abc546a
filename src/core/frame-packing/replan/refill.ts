import { toUm } from '@/core/kernel';
import { spareTerms } from '../order/best-order/asked';
import { Budget } from '../order/best-order/budget';
import { fillBlocks, type FillAsked, type TakenRow } from '../order/best-order/fill-blocks';
import { placesOfBlock } from '../order/best-order/uncross';
import type { Place, PlannedFrame, PlannedRow } from '../model/frame-plan';
import type { FrameRequest } from '../model/frame-request';
import { orderOf } from '../order/plan-order';
import { spareModule } from './restate';
import { plainSizes } from '../model/row-patterns';

/** Steps of the search for one plan. */
const STEPS = 20_000;

/** A row cut into blocks of its own height; corner places stand beside them. */
interface CutRow {
  readonly row: PlannedRow;
  readonly blocks: readonly (readonly Place[])[];
  readonly from: number;
  readonly taken: TakenRow;
}

/**
 * Divides the blocks without a cable anew: spares that are owed, then the nearest spare of each size behind the fewest cables, then the cheapest
 * modules. Cables, rows and frames stay. The best for these rows where the search comes to its end, else the better of what was found and
 * what was there.
 */
export function refill(request: FrameRequest, frames: readonly PlannedFrame[]): readonly PlannedFrame[] {
  const sizes = plainSizes(request.modules);
  const asked = askedFrom(request, frames, sizes);
  const corners = new Set(request.modules.filter((m) => m.corner).map((m) => m.id));
  const sizeOf = new Map(request.modules.map((m) => [m.id, sizes.indexOf(toUm(m.size))]));
  const cut = frames.map((f) => {
    const kind = request.frames.find((k) => k.id === f.frame);
    return f.openings.map((o, i) => {
      const undivided = kind?.openings[i]?.undivided ?? false;
      return o.rows.map((row, r) => cutRow(row, undivided, o.rows.slice(r), { corners, sizes, sizeOf }));
    });
  });
  const rows = cut.flat(2);
  const carrying = sizes.map((_, s) =>
    rows.reduce(
      (sum, { row }) =>
        sum +
        row.places.filter(
          (p) => p.cable !== undefined && !corners.has(p.module) && sizeOf.get(p.module) === s,
        ).length,
      0,
    ),
  );
  const fill = fillBlocks(
    asked,
    rows.map((r) => r.taken),
    carrying,
    { toSpares: Infinity, cost: Infinity },
    new Budget(STEPS),
  );
  if (fill === null) return frames;
  let at = -1;
  const filled = frames.map((frame, f) => ({
    ...frame,
    openings: frame.openings.map((opening, o) => ({
      ...opening,
      rows: (cut[f]?.[o] ?? []).map((row) => {
        at += 1;
        return filledRow(request, sizes, row, fill.blocks[at] ?? []);
      }),
    })),
  }));
  const [before, now] = [orderOf(request, frames), orderOf(request, filled)];
  const better =
    now.toSpares < before.toSpares ||
    (now.toSpares === before.toSpares && now.moduleCost < before.moduleCost - 1e-9);
  return better ? filled : frames;
}

function askedFrom(
  request: FrameRequest,
  frames: readonly PlannedFrame[],
  sizes: readonly number[],
): FillAsked {
  const places = frames.flatMap((f) => f.openings.flatMap((o) => o.rows.flatMap((r) => r.places)));
  return {
    sizes,
    ...spareTerms(request, sizes),
    cables: places.filter((p) => p.cable !== undefined).length,
  };
}

function cutRow(
  row: PlannedRow,
  undivided: boolean,
  above: readonly PlannedRow[],
  {
    corners,
    sizes,
    sizeOf,
  }: { corners: ReadonlySet<string>; sizes: readonly number[]; sizeOf: ReadonlyMap<string, number> },
): CutRow {
  const height = toUm(row.height);
  const from = row.places.some((p) => corners.has(p.module)) ? height : 0;
  const blocks: Place[][] = [];
  for (const place of row.places) {
    if (corners.has(place.module)) continue;
    const at = Math.floor((toUm(place.x) - from) / height);
    (blocks[at] ??= []).push(place);
  }
  const used = blocks.filter((b) => b.some((p) => p.cable !== undefined));
  return {
    row,
    blocks,
    from,
    taken: {
      height,
      undivided,
      free: blocks.length - used.length,
      left: sizes.map(
        (_, s) => used.flat().filter((p) => p.cable === undefined && sizeOf.get(p.module) === s).length,
      ),
      out: above.reduce((sum, r) => sum + r.places.filter((p) => p.cable !== undefined).length, 0),
    },
  };
}

/** The row with its free blocks divided as told, large places first. */
function filledRow(
  request: FrameRequest,
  sizes: readonly number[],
  { row, blocks, from, taken }: CutRow,
  divided: readonly number[],
): PlannedRow {
  if (taken.free === 0) return row;
  const base = Math.min(...row.places.map((p) => toUm(p.y)));
  const open = divided.flatMap((n, s) => Array.from({ length: n }, () => sizes[s] ?? 0));
  const inner = new Set(blocks.flat());
  const [left, ...right] = row.places.filter((p) => !inner.has(p));
  const made = blocks.flatMap((block, b) => {
    if (block.some((p) => p.cable !== undefined)) return block;
    const size = open.shift();
    const first = request.modules.find((m) => !m.corner && toUm(m.size) === size);
    if (size === undefined || !first) throw new Error('every free block is divided');
    return placesOfBlock(from + b * taken.height, taken.height, size).map(({ x, y }) => ({
      module: spareModule(request, first.id),
      x: x / 1000,
      y: (base + y) / 1000,
    }));
  });
  return { ...row, places: [...(left ? [left] : []), ...made, ...right] };
}
