import { toUm } from '@/core/kernel';
import type { FramePlan, Place, PlannedRow } from '../model/frame-plan';
import type { FrameKind, FrameOpening, FrameRequest } from '../model/frame-request';
import type { PlaceRef } from './restate';
import { plainSizes } from '../model/row-patterns';

/** A row of which something stays. Blocks are counted from the left, between the corner modules where there are any. */
export interface KeptRow {
  readonly at: number;
  readonly row: PlannedRow;
  /** Left edge of the first block, micrometres. */
  readonly from: number;
  /** Places of each block. */
  readonly blocks: readonly (readonly Place[])[];
  readonly corners: readonly Place[];
  /** Blocks that are planned anew. */
  readonly free: readonly number[];
  /** Places of divided blocks that stay divided, while what stands in these is planned anew; by size, micrometres. */
  readonly loose: readonly { readonly size: number; readonly places: readonly Place[] }[];
}

export interface KeptOpening {
  readonly opening: number;
  readonly spec: FrameOpening;
  readonly rows: readonly KeptRow[];
  /** All its rows keep their heights: there is no room for others beside them. */
  readonly whole: boolean;
}

export interface KeptFrame {
  readonly frame: number;
  readonly kind: FrameKind;
  readonly openings: readonly KeptOpening[];
}

/**
 * What stays around locked places. Beside a locked place its row keeps its height and its block the way it is divided; who stands in the other
 * places of the block, and what the other blocks are, is free. More stays where the rest could not be planned on its own: all of the block
 * when the locked cables leave it open which of two circuits that are kept apart by row comes into the row; all of the row where no plain
 * module is as high; every row's height and the corner modules in a rounded opening; whole rows when circuits are kept apart by opening, and
 * the whole opening when a cable in them is one of theirs.
 */
export function keptFrames(request: FrameRequest, plan: FramePlan, locked: readonly PlaceRef[]): KeptFrame[] {
  return plan.frames.flatMap((planned, frame): KeptFrame[] => {
    const kind = request.frames.find((k) => k.id === planned.frame);
    const mine = locked.filter((l) => l.frame === frame);
    if (!kind || mine.length === 0) return [];
    const openings = kind.openings.map((spec, opening) =>
      keptOpening(
        request,
        spec,
        opening,
        planned.openings[opening]?.rows ?? [],
        mine.filter((l) => l.opening === opening),
      ),
    );
    return [{ frame, kind, openings }];
  });
}

function keptOpening(
  request: FrameRequest,
  spec: FrameOpening,
  opening: number,
  rows: readonly PlannedRow[],
  locked: readonly PlaceRef[],
): KeptOpening {
  if (locked.length === 0) return { opening, spec, rows: [], whole: false };
  const byOpening = request.apart.some((a) => a.by === 'opening');
  const mine = new Set(locked.map((l) => l.row));
  const held = [...mine].flatMap((r) => rows[r]?.places ?? []);
  const whole =
    spec.cornerModule !== undefined || mine.size === rows.length || (byOpening && keptApart(request, held));
  const kept = rows.flatMap((row, at): KeptRow[] => {
    if (!whole && !mine.has(at)) return [];
    const cut = cutRow(request, row, at);
    const places = new Set(locked.filter((l) => l.row === at).map((l) => row.places[l.place]));
    if (byOpening || !plainSizes(request.modules).includes(toUm(row.height)))
      return [{ ...cut, free: [], loose: [] }];
    const free = cut.blocks.flatMap((block, b) => (block.some((p) => places.has(p)) ? [] : [b]));
    const loose = looseIn(request, cut.blocks, free, places);
    const kept = { ...cut, free, loose };
    // Parts of a row that are planned on their own must not meet with circuits that are kept apart.
    const parts = loose.length + Number(free.length > 0);
    return [parts > 1 && !decided(request, besideIn(request, kept)) ? { ...cut, free, loose: [] } : kept];
  });
  return { opening, spec, rows: kept, whole };
}

/** Places of divided blocks that are not locked themselves, by size, the largest first. */
function looseIn(
  request: FrameRequest,
  blocks: KeptRow['blocks'],
  free: readonly number[],
  locked: ReadonlySet<Place | undefined>,
): KeptRow['loose'] {
  const sizeOf = new Map(request.modules.map((m) => [m.id, toUm(m.size)]));
  const places = blocks.flatMap((block, b) => (free.includes(b) ? [] : block.filter((p) => !locked.has(p))));
  return plainSizes(request.modules).flatMap((size) => {
    const mine = places.filter((p) => sizeOf.get(p.module) === size);
    return mine.length > 0 ? [{ size, places: mine }] : [];
  });
}

function circuitsIn(request: FrameRequest, places: readonly Place[]): Set<string> {
  const tags = new Set(places.flatMap((p) => p.cable ?? []));
  return new Set(request.cables.flatMap((c) => (tags.has(c.tag) ? (c.circuit ?? []) : [])));
}

/** Is a cable in these places kept apart from others by opening? */
function keptApart(request: FrameRequest, places: readonly Place[]): boolean {
  const circuits = circuitsIn(request, places);
  return request.apart.some((a) => a.by === 'opening' && a.circuits.some((c) => circuits.has(c)));
}

/** Circuits of the cables that stay in a row. */
export const besideIn = (request: FrameRequest, kept: KeptRow): string[] =>
  [...circuitsIn(request, staying(kept))].sort();

/** Of every two circuits that are kept apart by row, do these keep at least one out? */
function decided({ apart }: FrameRequest, beside: readonly string[]): boolean {
  const rules = apart.filter((a) => a.by === 'row').map((a) => a.circuits);
  const out = (circuit: string): boolean =>
    rules.some((pair) => pair.includes(circuit) && pair.some((c) => c !== circuit && beside.includes(c)));
  return rules.every((pair) => pair.some(out));
}

function cutRow(request: FrameRequest, row: PlannedRow, at: number): Omit<KeptRow, 'free' | 'loose'> {
  const cornerIds = new Set(request.modules.filter((m) => m.corner).map((m) => m.id));
  const height = toUm(row.height);
  const corners = row.places.filter((p) => cornerIds.has(p.module));
  const from = corners.length > 0 ? height : 0;
  const blocks: Place[][] = [];
  for (const place of row.places)
    if (!cornerIds.has(place.module))
      (blocks[Math.floor((toUm(place.x) - from) / height)] ??= []).push(place);
  return { at, row, from, blocks: Array.from(blocks, (b) => b ?? []), corners };
}

/** Places of a row that stay as they are, with their cables. */
export function staying({ corners, blocks, free, loose }: KeptRow): Place[] {
  const open = new Set(loose.flatMap((l) => l.places));
  return [
    ...corners,
    ...blocks.flatMap((block, b) => (free.includes(b) ? [] : block.filter((p) => !open.has(p)))),
  ];
}

/** All places that stay when these are locked, the locked ones among them. */
export const placesThatStay = (
  request: FrameRequest,
  plan: FramePlan,
  locked: readonly PlaceRef[],
): PlaceRef[] =>
  keptFrames(request, plan, locked).flatMap(({ frame, openings }) =>
    openings.flatMap(({ opening, rows }) =>
      rows.flatMap((kept) =>
        staying(kept).map((p) => ({ frame, opening, row: kept.at, place: kept.row.places.indexOf(p) })),
      ),
    ),
  );
