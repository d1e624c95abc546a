import { toUm } from '@/core/kernel';
import { rowBases } from './arrange';
import type { PlannedFrame, PlannedOpening, PlannedRow } from './frame-plan';
import type { FrameCable, FrameRequest } from './frame-request';
import { restatePlace } from './restate';

/** A row that is moved as a whole, and what stands in its places: indexes into the cables, −1 for a spare. */
interface Row {
  readonly planned: PlannedRow;
  /** Size in µm, or the corner module's id, of each place: cables may change places of one key. */
  readonly keys: readonly string[];
  readonly held: Int32Array;
  readonly fixed: boolean;
}

interface Opening {
  readonly planned: PlannedOpening;
  readonly rows: Row[];
}

/** What is to be small, the first figure first. */
type Worth = readonly [reach: number, crossings: number, disorder: number];

const less = (a: Worth, b: Worth): boolean => {
  for (let i = 0; i < a.length; i += 1) if (a[i] !== b[i]) return (a[i] ?? 0) < (b[i] ?? 0);
  return false;
};

/** Sweeps over all changes end after so many, or when none helps; larger plans get fewer. */
const SWEEPS = 6;
const MOST_PLACES = 400;

/**
 * Changes the order of rows and who stands where among places of one size, as long as that brings spares nearer to the press unit (cables that
 * must come out to reach one, summed over the sizes that carry cables), then saves crossings, then brings large rows away from the press unit.
 * Modules, second measurings and circuits stay as they are. A local best, not a proof.
 */
export function settlePlaces(request: FrameRequest, frames: readonly PlannedFrame[]): PlannedFrame[] {
  const index = new Map(request.cables.map((c, i) => [c.tag, i]));
  const state = frames.map((frame) => frame.openings.map((o) => openingOf(request, frame, o, index)));
  const places = state.flat().reduce((sum, o) => sum + o.rows.reduce((n, r) => n + r.held.length, 0), 0);
  if (places <= MOST_PLACES)
    for (let sweep = 0; sweep < SWEEPS; sweep += 1) {
      const moved = orderRows(request, state);
      const swapped = swapPlaces(request, state);
      if (!moved && !swapped) break;
    }
  return frames.map((frame, f) => ({
    ...frame,
    openings: frame.openings.map((_, o) => written(request, frame, state[f]?.[o], o)),
  }));
}

function openingOf(
  request: FrameRequest,
  frame: PlannedFrame,
  planned: PlannedOpening,
  index: ReadonlyMap<string, number>,
): Opening {
  const corners = new Set(request.modules.filter((m) => m.corner).map((m) => m.id));
  const size = new Map(request.modules.map((m) => [m.id, toUm(m.size)]));
  return {
    planned,
    rows: planned.rows.map((row) => ({
      planned: row,
      keys: row.places.map((p) => (corners.has(p.module) ? p.module : String(size.get(p.module)))),
      held: Int32Array.from(row.places, (p) => (p.cable === undefined ? -1 : (index.get(p.cable) ?? -1))),
      fixed: row.places.some((p) => corners.has(p.module)),
    })),
  };
}

const cablesIn = (row: Row): number => row.held.reduce((n, h) => n + Number(h >= 0), 0);

/** Cables that must come out to reach the nearest spare, over all sizes that carry cables. */
function reach(state: readonly (readonly Opening[])[]): number {
  const nearest = new Map<string, number>();
  const carrying = new Set<string>();
  for (const opening of state.flat()) {
    let out = 0;
    for (let r = opening.rows.length - 1; r >= 0; r -= 1) {
      const row = opening.rows[r];
      if (!row) continue;
      out += cablesIn(row);
      row.keys.forEach((key, i) => {
        if (row.held[i] !== -1) carrying.add(key);
        else if (out < (nearest.get(key) ?? Infinity)) nearest.set(key, out);
      });
    }
  }
  let sum = 0;
  // Corner modules count neither way; a size without any spare has none to reach.
  for (const key of carrying) if (/^\d+$/.test(key)) sum += nearest.get(key) ?? 0;
  return sum;
}

/** Crossings in an opening of the cables that stand in these spots: an exchange changes no others. */
function crossingsAt(cables: readonly FrameCable[], opening: Opening, spots: readonly Spot[]): number {
  let crossings = 0;
  spots.forEach((spot, s) => {
    const cable = cables[spot.row.held[spot.at] ?? -1];
    const x = spot.row.planned.places[spot.at]?.x;
    if (spot.opening !== opening || !cable || x === undefined) return;
    for (const row of opening.rows)
      for (let i = 0; i < row.held.length; i += 1) {
        const other = cables[row.held[i] ?? -1];
        // A pair of two spots counts once.
        if (!other || spots.some((t, at) => at <= s && t.row === row && t.at === i)) continue;
        crossings += opposed(x - (row.planned.places[i]?.x ?? 0), cable, other);
      }
  });
  return crossings;
}

/** On how many sides two cables cross when one stands `dx` to the right of the other. */
function opposed(dx: number, a: FrameCable, b: FrameCable): number {
  let sides = 0;
  if (a.front !== undefined && b.front !== undefined && dx * (a.front - b.front) < 0) sides += 1;
  if (a.back !== undefined && b.back !== undefined && dx * (a.back - b.back) < 0) sides += 1;
  return sides;
}

/** Pairs of rows of which the higher one stands nearer to the press unit. */
function disorder({ rows }: Opening): number {
  let pairs = 0;
  rows.forEach((a, i) => {
    for (const b of rows.slice(i + 1))
      if (!a.fixed && !b.fixed && b.planned.height > a.planned.height) pairs += 1;
  });
  return pairs;
}

/** Exchanges rows of an opening where that helps. Crossings hang on x alone, so the order of rows does not touch them. */
function orderRows(request: FrameRequest, state: readonly (readonly Opening[])[]): boolean {
  let helped = false;
  for (const opening of state.flat())
    for (let i = 0; i < opening.rows.length; i += 1)
      for (let j = i + 1; j < opening.rows.length; j += 1) {
        const [a, b] = [opening.rows[i], opening.rows[j]];
        if (!a || !b || a.fixed || b.fixed) continue;
        const before: Worth = [reach(state), 0, disorder(opening)];
        opening.rows[i] = b;
        opening.rows[j] = a;
        if (less([reach(state), 0, disorder(opening)], before)) {
          helped = true;
          continue;
        }
        opening.rows[i] = a;
        opening.rows[j] = b;
      }
  return helped;
}

interface Spot {
  readonly opening: Opening;
  readonly row: Row;
  readonly at: number;
}

/** Lets two places of one key change what stands in them, where the circuits of both rows allow it. */
function swapPlaces(request: FrameRequest, state: readonly (readonly Opening[])[]): boolean {
  const byKey = new Map<string, Spot[]>();
  for (const opening of state.flat())
    for (const row of opening.rows)
      row.keys.forEach((key, at) => byKey.set(key, [...(byKey.get(key) ?? []), { opening, row, at }]));
  let helped = false;
  for (const spots of byKey.values())
    for (let i = 0; i < spots.length; i += 1)
      for (let j = i + 1; j < spots.length; j += 1) {
        const [a, b] = [spots[i], spots[j]];
        if (a && b && swapHelps(request, state, a, b)) helped = true;
      }
  return helped;
}

function swapHelps(request: FrameRequest, state: readonly (readonly Opening[])[], a: Spot, b: Spot): boolean {
  const [x, y] = [a.row.held[a.at] ?? -1, b.row.held[b.at] ?? -1];
  if (x === y || !suits(request, x, b) || !suits(request, y, a)) return false;
  const openings = a.opening === b.opening ? [a.opening] : [a.opening, b.opening];
  // Two cables do not change how far a spare is.
  const spare = x < 0 || y < 0;
  const worth = (): Worth => [
    spare ? reach(state) : 0,
    openings.reduce((sum, o) => sum + crossingsAt(request.cables, o, [a, b]), 0),
    0,
  ];
  const before = worth();
  a.row.held[a.at] = y;
  b.row.held[b.at] = x;
  if (apartIn(request, a) && apartIn(request, b) && less(worth(), before)) return true;
  a.row.held[a.at] = x;
  b.row.held[b.at] = y;
  return false;
}

/** Would the cable be stated there as well as it is: carried by some module of that size, and not to be measured again where it was not? */
function suits(request: FrameRequest, cable: number, { row, at }: Spot): boolean {
  const place = row.planned.places[at];
  const here = request.cables[cable];
  if (!here || !place) return true;
  // Places of one key have the same modules to choose from, so what is stated for a cable is the same in all of them.
  return restatePlace(request, { module: place.module, x: 0, y: 0 }, here).peel !== undefined;
}

/** Circuits that are kept apart are neither in the row of the spot nor in its opening, as the rules say. */
function apartIn(request: FrameRequest, { opening, row }: Spot): boolean {
  if (request.apart.length === 0) return true;
  const circuits = (rows: readonly Row[]) =>
    new Set(rows.flatMap((r) => [...r.held].flatMap((h) => request.cables[h]?.circuit ?? [])));
  const [inRow, inOpening] = [circuits([row]), circuits(opening.rows)];
  return request.apart.every(({ circuits: pair, by }) => {
    const there = by === 'row' ? inRow : inOpening;
    const [a = '', b = ''] = pair;
    return !(there.has(a) && there.has(b));
  });
}

function written(
  request: FrameRequest,
  frame: PlannedFrame,
  opening: Opening | undefined,
  o: number,
): PlannedOpening {
  const spec = request.frames.find((k) => k.id === frame.frame)?.openings[o];
  if (!opening || !spec) throw new Error('a planned opening is offered');
  const bases = rowBases(
    spec,
    opening.planned.press,
    opening.rows.map((r) => toUm(r.planned.height)),
  );
  return {
    ...opening.planned,
    rows: opening.rows.map((row, r) => {
      const lowest = Math.min(...row.planned.places.map((p) => toUm(p.y)));
      const shift = (bases[r] ?? 0) - lowest;
      return {
        height: row.planned.height,
        places: row.planned.places.map((p, i) => {
          const cable = request.cables[row.held[i] ?? -1];
          const where = { module: p.module, x: p.x, y: (toUm(p.y) + shift) / 1000 };
          return restatePlace(request, cable ? { ...where, cable: cable.tag } : where, cable);
        }),
      };
    }),
  };
}
