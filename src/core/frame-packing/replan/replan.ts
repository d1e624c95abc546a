import { NO_HURRY, toUm, type TimePassed } from '@/core/kernel';
import { rowBases } from '../search/arrange';
import { fewestRemeasured } from '../model/cable-groups';
import type { Computation } from '../search/decide-frames';
import type { FramePlan, Place, PlannedFrame, PlannedOpening, PlannedRow } from '../model/frame-plan';
import type { FrameKind, FrameOpening, FrameRequest } from '../model/frame-request';
import { frameSetting } from '../model/frame-setting';
import { besideIn, keptFrames, staying, type KeptFrame, type KeptOpening, type KeptRow } from './locks';
import { planFrames } from '../search/plan-frames';
import { restatePlan, type PlaceRef } from './restate';
import { settlePlaces } from '../search/settle-places';

/**
 * Plans again around locked places: what `keptFrames` says stays where it is; every other cable is planned anew, into the rest of those frames
 * first, then into frames of its own. Cost and bound are those of all frames. `leastCost`: what is proven of this request already; nothing
 * more is proven here. An infeasible answer names the cables for which what stays has left no place at all.
 */
export function* replanAround(
  request: FrameRequest,
  plan: FramePlan,
  locked: readonly PlaceRef[],
  leastCost: number,
  passed: TimePassed = NO_HURRY,
): Computation<FramePlan> {
  const kept = keptFrames(request, plan, locked);
  const stay = kept.flatMap((frame) => frame.openings.flatMap((o) => o.rows.flatMap(staying)));
  const held = new Set(stay.flatMap((p) => p.cable ?? []));
  const around: FrameRequest = {
    ...request,
    cables: request.cables.filter((c) => !held.has(c.tag)),
    frames: [...kept.flatMap((frame) => restOf(request, frame)), ...leftOver(request, kept)],
    spare: { share: request.spare.share, extra: spareDebt(request, stay) },
  };
  const rest = yield* planFrames(around, passed);
  // What the rest of the frames has no place for may have one where something stays.
  const { groups, unplaced } = frameSetting(request);
  const nowhere = new Set(unplaced.map((u) => u.tag));
  const shutOut = rest.unplaced.filter(({ tag }) => !nowhere.has(tag));
  if (rest.status === 'infeasible' || shutOut.length > 0)
    return { ...NOTHING, status: 'infeasible', bound: null, unplaced: shutOut };
  if (rest.cost === null) return { ...NOTHING, status: 'gap', bound: leastCost, unplaced: [] };
  const anew = new Map(rest.frames.map((f) => [f.frame, f]));
  const names = new Set(kept.map(nameOf));
  const others = rest.frames.filter((f) => !names.has(f.frame));
  // A frame of which something stays keeps its number where there are enough before it.
  const frames: PlannedFrame[] = [];
  const pinned = new Set(stay);
  for (const mine of kept) {
    frames.push(...others.splice(0, Math.max(0, mine.frame - frames.length)));
    frames.push(joined(request, plan, mine, anew.get(nameOf(mine)), pinned));
  }
  frames.push(...others);
  const remeasure = { places: 0, atLeast: fewestRemeasured(groups) };
  const made = restatePlan(
    request,
    { ...plan, status: 'gap', bound: leastCost, unplaced: rest.unplaced, remeasure },
    // What was planned in parts can still change places across them.
    settlePlaces(request, frames, pinned, passed),
  );
  return made.cost !== null && leastCost >= made.cost - 1e-9 ? { ...made, status: 'optimal' } : made;
}

const NOTHING = {
  cost: null,
  frames: [],
  parts: [],
  crossings: { front: 0, back: 0 },
  remeasure: null,
  order: null,
} as const;

const nameOf = ({ frame }: KeptFrame): string => `#${frame}`;

/**
 * What is left of a frame of which something stays, as a frame that costs nothing more: of each opening the height without the rows that stay,
 * then what is free in each of those rows as openings that take one row of just that height.
 */
function restOf(request: FrameRequest, kept: KeptFrame): FrameKind[] {
  const openings = kept.openings.flatMap(({ spec, rows, whole }) => {
    const taken = rows.reduce((sum, { row }) => sum + toUm(row.height) + toUm(spec.plate), 0);
    const beside = { ...spec, height: (toUm(spec.height) - taken) / 1000 };
    return [...(whole ? [] : [beside]), ...rows.flatMap((row) => openIn(request, spec, row))];
  });
  return openings.length === 0 ? [] : [{ id: nameOf(kept), cost: 0, available: 1, openings }];
}

/** What is free in a row: its free blocks, then its loose places by size. */
function openIn(request: FrameRequest, spec: FrameOpening, kept: KeptRow): FrameOpening[] {
  const { row, free, loose } = kept;
  const beside = besideIn(request, kept);
  return [
    ...(free.length > 0 ? [oneRow(toUm(row.height), free.length, spec.undivided ?? false, beside)] : []),
    ...loose.map(({ size, places }) => oneRow(size, places.length, true, beside)),
  ];
}

/** An opening for one row. The plate is as high as the row, so that two lower rows are no way to fill it. */
const oneRow = (height: number, blocks: number, undivided: boolean, beside: string[]): FrameOpening => ({
  width: (blocks * height) / 1000,
  height: height / 1000,
  plate: height / 1000,
  plateAgainstPress: false,
  press: { min: 0, max: 0, at: ['bottom'], bolts: undefined },
  fillers: [],
  undivided,
  beside,
});

function leftOver(request: FrameRequest, kept: readonly KeptFrame[]): FrameKind[] {
  return request.frames.map((kind) => {
    if (kind.available === undefined) return kind;
    const used = kept.filter((k) => k.kind.id === kind.id).length;
    return { ...kind, available: Math.max(0, kind.available - used) };
  });
}

/** Spares that the places that stay ask for by their share, less those among them, by size. */
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
  return [...new Set([...carrying.keys(), ...free.keys()])].map((mm) => ({
    size: mm,
    count: request.spare.share * (carrying.get(mm) ?? 0) - (free.get(mm) ?? 0),
  }));
}

/** A frame with what stays at its old places in the order of building, and what is new around it. Pinned places that move with their row stay pinned. */
function joined(
  request: FrameRequest,
  plan: FramePlan,
  kept: KeptFrame,
  anew: PlannedFrame | undefined,
  pinned: Set<Place>,
): PlannedFrame {
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
      const parts = openIn(request, mine.spec, row).map(() => anew.openings[next++]?.rows[0]?.places ?? []);
      order.splice(Math.min(row.at, order.length), 0, refilled(row, parts));
    }
    return { ...made, rows: mine.whole ? order : onBases(mine.spec, made.press, order, pinned) };
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

/** A row of which something stays, with what is new in its free blocks and its loose places; `parts` as told by `openIn`. */
function refilled(kept: KeptRow, parts: readonly (readonly Place[])[]): PlannedRow {
  const { row, blocks, corners, free, loose } = kept;
  const [inFree, inLoose] = free.length > 0 ? [parts[0] ?? [], parts.slice(1)] : [[], parts];
  const taken = new Map<Place, Place>();
  loose.forEach(({ places }, i) => {
    const anew = [...(inLoose[i] ?? [])].sort((a, b) => a.x - b.x);
    places.forEach((p, n) => taken.set(p, { ...(anew[n] ?? p), x: p.x, y: p.y }));
  });
  const inner = blocks.flatMap((block, b) =>
    free.includes(b) ? inBlock(kept, b, inFree) : block.map((p) => taken.get(p) ?? p),
  );
  const [left, ...right] = corners;
  return { ...row, places: [...(left ? [left] : []), ...inner, ...right] };
}

/** What was planned for a free block, moved to where it stands. Free blocks were planned side by side. */
function inBlock({ row, from, free }: KeptRow, block: number, made: readonly Place[]): Place[] {
  const height = toUm(row.height);
  const n = free.indexOf(block);
  const [base = 0, lowest = 0] = [row.places, made].map((list) => Math.min(...list.map((p) => toUm(p.y))));
  return made
    .filter((p) => Math.floor(toUm(p.x) / height) === n)
    .map((p) => ({
      ...p,
      x: (toUm(p.x) + from + (block - n) * height) / 1000,
      y: (toUm(p.y) + base - lowest) / 1000,
    }));
}

/** Rows in building order, each where it comes to stand. */
function onBases(
  spec: FrameOpening,
  press: PlannedOpening['press'],
  rows: readonly PlannedRow[],
  pinned: Set<Place>,
): PlannedRow[] {
  const bases = rowBases(
    spec,
    press,
    rows.map((r) => toUm(r.height)),
  );
  return rows.map((row, i) => {
    const shift = (bases[i] ?? 0) - Math.min(...row.places.map((p) => toUm(p.y)));
    const places = row.places.map((p) => {
      const moved = { ...p, y: (toUm(p.y) + shift) / 1000 };
      if (pinned.has(p)) pinned.add(moved);
      return moved;
    });
    return { ...row, places };
  });
}
