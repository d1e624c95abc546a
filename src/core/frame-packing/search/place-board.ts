import { toUm } from '@/core/kernel';
import type { PlannedFrame } from '../model/frame-plan';
import type { FrameRequest } from '../model/frame-request';

/**
 * A plan's places as numbers, for changes that are tried by the hundred thousand: what stands where, and the sums that say what a change is
 * worth. Places, rows, openings, sizes and circuits are told by index.
 */
export interface PlaceBoard {
  /** Of each place: its row, its lower-left corner's x in µm, its key (a size, or a corner module), and the cable in it, −1 for a spare. */
  readonly rowOf: Int32Array;
  readonly x: Int32Array;
  readonly key: Int32Array;
  readonly held: Int32Array;
  /** Of each row: its opening, and its height in µm; corner rows stay where they are. */
  readonly openingOf: Int32Array;
  readonly height: Int32Array;
  readonly fixed: boolean[];
  /** Rows of each opening in building order; changed when rows are. */
  readonly order: number[][];
  readonly placesIn: readonly (readonly number[])[];
  /** Sizes count as carrying; corner modules count neither way. */
  readonly plainKeys: number;
  readonly keys: number;
  /** Of each cable: its tray positions, NaN where it has none, and its circuit, −1 for none. */
  readonly front: Float64Array;
  readonly back: Float64Array;
  readonly circuit: Int32Array;
  /** How many cables of each circuit lie in each row and each opening: `row * circuits + circuit`. */
  readonly circuits: number;
  readonly inRow: Int32Array;
  readonly inOpening: Int32Array;
  readonly apart: readonly { readonly a: number; readonly b: number; readonly byRow: boolean }[];
  /** Cables in each row, cables in all by key, spares of each key in each row: `row * keys + key`. */
  readonly cablesIn: Int32Array;
  readonly carrying: Int32Array;
  readonly spares: Int32Array;
}

/** Reads frames into a board. A cable that the request does not know counts as none. */
export function placeBoard(request: FrameRequest, frames: readonly PlannedFrame[]): PlaceBoard {
  const modules = new Map(request.modules.map((m) => [m.id, m]));
  const sizes = [...new Set(request.modules.filter((m) => !m.corner).map((m) => toUm(m.size)))];
  const corners = request.modules.filter((m) => m.corner).map((m) => m.id);
  const keyOf = (id: string): number => {
    const block = modules.get(id);
    return block?.corner ? sizes.length + corners.indexOf(id) : sizes.indexOf(toUm(block?.size ?? 0));
  };
  const tags = new Map(request.cables.map((c, i) => [c.tag, i]));
  const names = [...new Set(request.apart.flatMap((a) => a.circuits))];
  const openings = frames.flatMap((f) => f.openings);
  const rows = openings.flatMap((o, opening) => o.rows.map((row) => ({ row, opening })));
  const places = rows.flatMap(({ row }, at) => row.places.map((place) => ({ place, at })));
  const order: number[][] = openings.map(() => []);
  rows.forEach(({ opening }, at) => order[opening]?.push(at));
  const placesIn: number[][] = openings.map(() => []);
  places.forEach(({ at }, i) => placesIn[rows[at]?.opening ?? -1]?.push(i));
  const keys = sizes.length + corners.length;
  const board: PlaceBoard = {
    rowOf: Int32Array.from(places, (p) => p.at),
    x: Int32Array.from(places, ({ place }) => toUm(place.x)),
    key: Int32Array.from(places, ({ place }) => keyOf(place.module)),
    held: Int32Array.from(places, ({ place }) => tags.get(place.cable ?? '') ?? -1),
    openingOf: Int32Array.from(rows, (r) => r.opening),
    height: Int32Array.from(rows, ({ row }) => toUm(row.height)),
    fixed: rows.map(({ row }) => row.places.some((p) => modules.get(p.module)?.corner)),
    order,
    placesIn,
    plainKeys: sizes.length,
    keys,
    front: Float64Array.from(request.cables, (c) => c.front ?? NaN),
    back: Float64Array.from(request.cables, (c) => c.back ?? NaN),
    circuit: Int32Array.from(request.cables, (c) => names.indexOf(c.circuit ?? '')),
    circuits: names.length,
    inRow: new Int32Array(rows.length * names.length),
    inOpening: new Int32Array(openings.length * names.length),
    apart: request.apart.map(({ circuits: [a = '', b = ''], by }) => ({
      a: names.indexOf(a),
      b: names.indexOf(b),
      byRow: by === 'row',
    })),
    cablesIn: new Int32Array(rows.length),
    carrying: new Int32Array(keys),
    spares: new Int32Array(rows.length * keys),
  };
  for (let place = 0; place < places.length; place += 1) count(board, place, 1);
  countBeside(request, frames, names, board);
  return board;
}

/** Circuits that lie in a row already count like a cable of theirs that never moves. */
function countBeside(
  request: FrameRequest,
  frames: readonly PlannedFrame[],
  names: readonly string[],
  { order, circuits, inRow, inOpening }: PlaceBoard,
): void {
  const specs = frames.flatMap(({ frame, openings }) => {
    const kind = request.frames.find((k) => k.id === frame);
    return openings.map((_, o) => kind?.openings[o]);
  });
  specs.forEach((spec, opening) => {
    for (const circuit of spec?.beside ?? []) {
      const c = names.indexOf(circuit);
      if (c < 0) continue;
      inOpening[opening * circuits + c] = inOpening[opening * circuits + c]! + 1;
      for (const row of order[opening] ?? []) inRow[row * circuits + c] = inRow[row * circuits + c]! + 1;
    }
  });
}

/** Takes what a place holds into the sums, or out of them. */
function count(board: PlaceBoard, place: number, by: 1 | -1): void {
  const row = board.rowOf[place]!;
  const key = board.key[place]!;
  const cable = board.held[place]!;
  // A module that nobody offers has no size to count under; the audit names it.
  if (key < 0) return;
  if (cable < 0) {
    board.spares[row * board.keys + key] = board.spares[row * board.keys + key]! + by;
    return;
  }
  board.cablesIn[row] = board.cablesIn[row]! + by;
  board.carrying[key] = board.carrying[key]! + by;
  const circuit = board.circuit[cable]!;
  if (circuit < 0) return;
  const [r, o] = [row * board.circuits + circuit, board.openingOf[row]! * board.circuits + circuit];
  board.inRow[r] = board.inRow[r]! + by;
  board.inOpening[o] = board.inOpening[o]! + by;
}

/** Lets two places change what they hold. */
export function exchange(board: PlaceBoard, a: number, b: number): void {
  count(board, a, -1);
  count(board, b, -1);
  [board.held[a], board.held[b]] = [board.held[b]!, board.held[a]!];
  count(board, a, 1);
  count(board, b, 1);
}

/** Are circuits that must be apart still apart where this place is? */
export function keptApart(board: PlaceBoard, place: number): boolean {
  const row = board.rowOf[place]!;
  const [r, o] = [row * board.circuits, board.openingOf[row]! * board.circuits];
  return board.apart.every(({ a, b, byRow }) =>
    byRow
      ? board.inRow[r + a] === 0 || board.inRow[r + b] === 0
      : board.inOpening[o + a] === 0 || board.inOpening[o + b] === 0,
  );
}

/**
 * Over the sizes that carry cables: cables in the rows that must come out to reach the nearest spare, its own row among them. A size without
 * any spare counts as if all cables came out, so that a spare is always better than none.
 */
export function cablesToSpares(board: PlaceBoard): number {
  const { order, cablesIn, carrying, spares, keys, plainKeys } = board;
  let all = 0;
  for (const n of cablesIn) all += n;
  let sum = 0;
  for (let key = 0; key < plainKeys; key += 1) {
    if (carrying[key] === 0) continue;
    let nearest = all;
    for (const rows of order) {
      let out = 0;
      for (let r = rows.length - 1; r >= 0 && out < nearest; r -= 1) {
        out += cablesIn[rows[r]!]!;
        if (spares[rows[r]! * keys + key]! > 0) {
          nearest = Math.min(nearest, out);
          break;
        }
      }
    }
    sum += nearest;
  }
  return sum;
}

/** On how many sides two cables cross when the first stands `dx` to the right of the second. */
function opposed(board: PlaceBoard, dx: number, a: number, b: number): number {
  const { front, back } = board;
  // A tray position that is missing is no number, and crosses nothing.
  return Number(dx * (front[a]! - front[b]!) < 0) + Number(dx * (back[a]! - back[b]!) < 0);
}

/** Crossings of what stands in the two places, with each other and with all else in their openings: an exchange of them changes no others. */
export function crossingsAt(board: PlaceBoard, a: number, b: number): number {
  const { rowOf, openingOf, placesIn, held, x } = board;
  const [here, there] = [openingOf[rowOf[a]!]!, openingOf[rowOf[b]!]!];
  const [first, second] = [held[a]!, held[b]!];
  let crossings = 0;
  const crossed = (cable: number, at: number, opening: number): void => {
    if (cable < 0) return;
    for (const place of placesIn[opening]!) {
      const other = held[place]!;
      if (other >= 0 && place !== a && place !== b)
        crossings += opposed(board, x[at]! - x[place]!, cable, other);
    }
  };
  crossed(first, a, here);
  crossed(second, b, there);
  if (here === there && first >= 0 && second >= 0) crossings += opposed(board, x[a]! - x[b]!, first, second);
  return crossings;
}
