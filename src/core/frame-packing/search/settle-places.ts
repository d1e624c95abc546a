import { NO_HURRY, toUm, type TimePassed } from '@/core/kernel';
import { rowBases } from './arrange';
import type { Place, PlannedFrame } from '../model/frame-plan';
import type { FrameRequest } from '../model/frame-request';
import { cablesToSpares, crossingsAt, exchange, keptApart, placeBoard, type PlaceBoard } from './place-board';
import { restatePlace } from '../replan/restate';

/** Sweeps over all changes end after so many, or when none helps. */
const SWEEPS = 6;
/** Larger plans stay as they were built: pairs of places grow with the square. */
const MOST_PLACES = 2000;

/**
 * Changes the order of rows and who stands where among places of one size, as long as that brings spares nearer to the press unit (cables that
 * must come out to reach one, summed over the sizes that carry cables), then saves crossings, then brings large rows away from the press unit.
 * Modules, second measurings and circuits stay as they are, and so do `pinned` places and the rows they are in. A local best, not a proof.
 */
export function settlePlaces(
  request: FrameRequest,
  frames: readonly PlannedFrame[],
  pinned: ReadonlySet<Place> = new Set(),
  passed: TimePassed = NO_HURRY,
): PlannedFrame[] {
  const board = placeBoard(request, frames);
  if (board.held.length <= MOST_PLACES) {
    const places = frames.flatMap((f) => f.openings.flatMap((o) => o.rows.flatMap((r) => r.places)));
    places.forEach((p, i) => {
      if (pinned.has(p)) board.fixed[board.rowOf[i]!] = true;
    });
    const alike = placesByKey(board).map((list) => list.filter((i) => !pinned.has(places[i]!)));
    for (let sweep = 0; sweep < SWEEPS; sweep += 1) {
      if (passed() >= 1) break;
      const moved = orderRows(board, passed);
      const swapped = swapPlaces(board, alike, passed);
      if (!moved && !swapped) break;
    }
  }
  return written(request, frames, board);
}

/** Exchanges rows of an opening where that helps. Crossings hang on x alone, so the order of rows does not touch them. */
function orderRows(board: PlaceBoard, passed: TimePassed): boolean {
  let helped = false;
  for (const rows of board.order)
    for (let i = 0; i < rows.length && passed() < 1; i += 1)
      for (let j = i + 1; j < rows.length; j += 1) {
        if (board.fixed[rows[i]!] || board.fixed[rows[j]!]) continue;
        const turn = () => ([rows[i], rows[j]] = [rows[j]!, rows[i]!]);
        const [reach, pairs] = [cablesToSpares(board), disorder(board, rows)];
        turn();
        const now = cablesToSpares(board);
        if (now < reach || (now === reach && disorder(board, rows) < pairs)) helped = true;
        else turn();
      }
  return helped;
}

/** Pairs of rows of which the higher one stands nearer to the press unit. */
function disorder({ fixed, height }: PlaceBoard, rows: readonly number[]): number {
  let pairs = 0;
  rows.forEach((a, i) => {
    for (const b of rows.slice(i + 1)) if (!fixed[a] && !fixed[b] && height[b]! > height[a]!) pairs += 1;
  });
  return pairs;
}

/** Places of one key have the same modules to choose from: what stands in them can be exchanged. */
function placesByKey({ key, keys }: PlaceBoard): number[][] {
  const alike: number[][] = Array.from({ length: keys }, () => []);
  key.forEach((k, place) => alike[k]?.push(place));
  return alike;
}

/** Lets two places of one key change what stands in them, where the circuits of both rows allow it. */
function swapPlaces(board: PlaceBoard, alike: readonly (readonly number[])[], passed: TimePassed): boolean {
  const { held } = board;
  let helped = false;
  let reach = cablesToSpares(board);
  for (const places of alike)
    for (let i = 0; i < places.length && passed() < 1; i += 1)
      for (let j = i + 1; j < places.length; j += 1) {
        const [a, b] = [places[i]!, places[j]!];
        const [x, y] = [held[a]!, held[b]!];
        if (x === y) continue;
        // Two cables do not change how far a spare is.
        const spare = x < 0 || y < 0;
        const crossings = crossingsAt(board, a, b);
        if (!spare && crossings === 0) continue;
        exchange(board, a, b);
        const now = spare ? cablesToSpares(board) : reach;
        const better = now < reach || (now === reach && crossingsAt(board, a, b) < crossings);
        if (better && keptApart(board, a) && keptApart(board, b)) {
          reach = now;
          helped = true;
        } else exchange(board, a, b);
      }
  return helped;
}

function written(
  request: FrameRequest,
  frames: readonly PlannedFrame[],
  { order, held }: PlaceBoard,
): PlannedFrame[] {
  const rows = frames.flatMap((f) => f.openings.flatMap((o) => o.rows));
  const first: number[] = [];
  rows.reduce((at, row, r) => {
    first[r] = at;
    return at + row.places.length;
  }, 0);
  let opening = -1;
  return frames.map((frame) => {
    const kind = request.frames.find((k) => k.id === frame.frame);
    return {
      ...frame,
      openings: frame.openings.map((planned, o) => {
        opening += 1;
        const spec = kind?.openings[o];
        if (!spec) throw new Error('a planned opening is offered');
        const mine = (order[opening] ?? []).flatMap((r) => {
          const row = rows[r];
          return row ? [{ row, from: first[r] ?? 0 }] : [];
        });
        const bases = rowBases(
          spec,
          planned.press,
          mine.map(({ row }) => toUm(row.height)),
        );
        return {
          ...planned,
          rows: mine.map(({ row, from }, r) => {
            const shift = (bases[r] ?? 0) - Math.min(...row.places.map((p) => toUm(p.y)));
            return {
              height: row.height,
              places: row.places.map((p, i) => {
                const cable = request.cables[held[from + i] ?? -1];
                const where = { module: p.module, x: p.x, y: (toUm(p.y) + shift) / 1000 };
                return restatePlace(request, cable ? { ...where, cable: cable.tag } : where, cable);
              }),
            };
          }),
        };
      }),
    };
  });
}
