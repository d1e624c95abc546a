import { toUm } from '@/core/kernel';
import { rowBases } from './arrange';
import type { Computation } from './decide-frames';
import type { FramePlan, Place, PlannedFrame, PlannedOpening, PlannedRow } from './frame-plan';
import type { FrameKind, FrameOpening, FrameRequest } from './frame-request';
import { keptFrames, staying, type KeptFrame, type KeptOpening, type KeptRow } from './locks';
import { offeredModule } from './offered-places';
import { planFrames } from './plan-frames';
import { restatePlan, type PlaceRef } from './restate';

/**
 * Plans again around locked places: what `keptFrames` says stays where it is; every other cable is planned anew, into the rest of those frames
 * first, then into frames of its own. Cost and bound are those of all frames; no better bound than the old plan's is proven.
 */
export function* replanAround(
  request: FrameRequest,
  plan: FramePlan,
  locked: readonly PlaceRef[],
): Computation<FramePlan> {
  const kept = keptFrames(request, plan, locked);
  const stay = kept.flatMap((frame) => frame.openings.flatMap((o) => o.rows.flatMap(staying)));
  const held = new Set(stay.flatMap((p) => p.cable ?? []));
  const around: FrameRequest = {
    ...request,
    cables: request.cables.filter((c) => !held.has(c.tag)),
    frames: [...kept.flatMap(restOf), ...leftOver(request, kept)],
    spare: { share: request.spare.share, extra: spareDebt(request, stay) },
  };
  const rest = yield* planFrames(around);
  if (rest.status === 'infeasible') return { ...rest, bound: null };
  // What the rest of the frames has no place for may have one where something stays.
  const shutOut = rest.unplaced.filter(({ tag }) => {
    const cable = request.cables.find((c) => c.tag === tag);
    return cable !== undefined && offeredModule(request, cable) !== null;
  });
  if (shutOut.length > 0) return { ...rest, ...NOTHING, unplaced: shutOut };
  const anew = new Map(rest.frames.map((f) => [f.frame, f]));
  const names = new Set(kept.map(nameOf));
  const others = rest.frames.filter((f) => !names.has(f.frame));
  // A frame of which something stays keeps its number where there are enough before it.
  const frames: PlannedFrame[] = [];
  for (const mine of kept) {
    frames.push(...others.splice(0, Math.max(0, mine.frame - frames.length)));
    frames.push(joined(plan, mine, anew.get(nameOf(mine))));
  }
  frames.push(...others);
  return restatePlan(request, { ...plan, status: 'gap', unplaced: rest.unplaced, remeasure: null }, frames);
}

const NOTHING = {
  status: 'infeasible',
  cost: null,
  bound: null,
  frames: [],
  parts: [],
  crossings: { front: 0, back: 0 },
  remeasure: null,
  order: null,
} as const;

const nameOf = ({ frame }: KeptFrame): string => `#${frame}`;

/**
 * What is left of a frame of which something stays, as a frame that costs nothing more: of each opening the height without the rows that stay,
 * then the free blocks of each of those rows as an opening that takes one row of just that height.
 */
function restOf(kept: KeptFrame): FrameKind[] {
  const openings = kept.openings.flatMap(({ spec, rows, whole }) => {
    const taken = rows.reduce((sum, { row }) => sum + toUm(row.height) + toUm(spec.plate), 0);
    const beside = { ...spec, height: (toUm(spec.height) - taken) / 1000 };
    return [...(whole ? [] : [beside]), ...rows.filter((r) => r.free.length > 0).map(freeBlocks)];
  });
  return openings.length === 0 ? [] : [{ id: nameOf(kept), cost: 0, available: 1, openings }];
}

/** The plate is as high as the row, so that two lower rows are no way to fill it. */
const freeBlocks = ({ row, free }: KeptRow): FrameOpening => ({
  width: (free.length * toUm(row.height)) / 1000,
  height: row.height,
  plate: row.height,
  plateAgainstPress: false,
  press: { min: 0, max: 0, at: ['bottom'], bolts: undefined },
  fillers: [],
});

function leftOver(request: FrameRequest, kept: readonly KeptFrame[]): FrameKind[] {
  return request.frames.map((kind) => {
    if (kind.available === undefined) return kind;
    const used = kept.filter((k) => k.kind.id === kind.id).length;
    return { ...kind, available: Math.max(0, kind.available - used) };
  });
}

/** Spares that the places that stay owe by their own share, by size: the rest must hold them beside its own. */
function spareDebt(request: FrameRequest, places: readonly Place[]): { size: number; count: number }[] {
  const size = new Map(request.modules.filter((m) => !m.corner).map((m) => [m.id, m.size]));
  const carrying = new Map<number, number>();
  const free = new Map<number, number>();
  for (const place of places) {
    const mm = size.get(place.module);
    if (mm === undefined) continue;
    const into = place.cable === undefined ? free : carrying;
    into.set(mm, (into.get(mm) ?? 0) + 1);
  }
  return [...carrying].flatMap(([mm, n]) => {
    const owed = Math.ceil(request.spare.share * n - 1e-9) - (free.get(mm) ?? 0);
    return owed > 0 ? [{ size: mm, count: owed }] : [];
  });
}

/** A frame with what stays at its old places in the order of building, and what is new around it. */
function joined(plan: FramePlan, kept: KeptFrame, anew: PlannedFrame | undefined): PlannedFrame {
  let next = 0;
  const openings = kept.openings.map((mine): PlannedOpening => {
    const before = plan.frames[kept.frame]?.openings[mine.opening];
    if (!before) throw new Error('a planned frame has all its openings');
    // Where nothing else was needed the modules stand as they were, without their cables.
    if (!anew) return emptied(before, mine);
    const made = mine.whole ? before : anew.openings[next];
    if (!mine.whole) next += 1;
    if (!made) throw new Error('what was left of a frame has all its openings');
    const order = mine.whole ? [] : [...made.rows];
    for (const row of mine.rows) {
      const filled = row.free.length > 0 ? anew.openings[next++]?.rows[0] : undefined;
      order.splice(Math.min(row.at, order.length), 0, filled ? refilled(row, filled) : row.row);
    }
    return { ...made, rows: mine.whole ? order : onBases(mine.spec, made.press, order) };
  });
  return { frame: kept.kind.id, openings };
}

const bare = ({ module, x, y }: Place): Place => ({ module, x, y });

function emptied(before: PlannedOpening, { rows }: KeptOpening): PlannedOpening {
  const stays = new Set(rows.flatMap(staying));
  return {
    ...before,
    rows: before.rows.map((row) => ({
      ...row,
      places: row.places.map((p) => (stays.has(p) ? p : bare(p))),
    })),
  };
}

/** A row that stays, its free blocks as those of `made` from left to right. */
function refilled({ row, from, blocks, corners, free }: KeptRow, made: PlannedRow): PlannedRow {
  const height = toUm(row.height);
  const [base, lowest] = [row, made].map((r) => Math.min(...r.places.map((p) => toUm(p.y))));
  const anew = blocks.flatMap((block, b) => {
    const n = free.indexOf(b);
    if (n < 0) return block;
    return made.places
      .filter((p) => Math.floor(toUm(p.x) / height) === n)
      .map((p) => ({
        ...p,
        x: (toUm(p.x) + from + (b - n) * height) / 1000,
        y: (toUm(p.y) + (base ?? 0) - (lowest ?? 0)) / 1000,
      }));
  });
  const [left, ...right] = corners;
  return { ...row, places: [...(left ? [left] : []), ...anew, ...right] };
}

/** Rows in building order, each where it comes to stand. */
function onBases(
  spec: FrameOpening,
  press: PlannedOpening['press'],
  rows: readonly PlannedRow[],
): PlannedRow[] {
  const bases = rowBases(
    spec,
    press,
    rows.map((r) => toUm(r.height)),
  );
  return rows.map((row, i) => {
    const shift = (bases[i] ?? 0) - Math.min(...row.places.map((p) => toUm(p.y)));
    return { ...row, places: row.places.map((p) => ({ ...p, y: (toUm(p.y) + shift) / 1000 })) };
  });
}
