import type { OpeningClosure, OpeningPatterns, RowKind } from '../../model/row-patterns';
import { CountsTable, inList } from './counts-table';

/** How one type of opening is filled by hand rules: with as few corner rows as may be. */
interface TypeRows {
  readonly type: OpeningPatterns;
  readonly closure: OpeningClosure;
  /** Corner rows by kind that stand in it in any case. */
  readonly given: Int32Array;
  readonly stands: readonly boolean[];
}

export interface OpeningFiller {
  /** Corner rows by bay × kind that the openings have in any case; `bays` is the bay of each opening. */
  given: (bays: readonly number[], count: number) => CountsTable;
  /**
   * Puts the rows (bay × kind) into its openings, high rows first, each where it leaves least room and the rest can still be closed.
   * Gives the rows of each opening, what is left of it, and the height of the rows for which there was no opening, micrometres.
   */
  fill: (
    rows: CountsTable,
    bays: readonly number[],
  ) => { readonly held: readonly Int32Array[]; readonly left: readonly number[]; readonly over: number };
  /** The pattern of an opening with its rows and those that close it, by its place among the patterns of its type. */
  patternOf: (opening: number, held: Int32Array, left: number) => number;
}

/** Prepares the openings of a multiset of frames; `openings` are their types, `kinds` by falling height. */
export function openingFiller(
  types: readonly OpeningPatterns[],
  openings: readonly number[],
  kinds: readonly RowKind[],
): OpeningFiller {
  const byType = new Map<number, TypeRows>();
  const typeOf = openings.map((t) => {
    const made = byType.get(t) ?? typeRows(inList(types, t), kinds);
    byType.set(t, made);
    return made;
  });
  return {
    given: (bays, count) => {
      const given = new CountsTable(count, kinds.length);
      typeOf.forEach((type, o) => {
        type.given.forEach((n, k) => {
          given.add(inList(bays, o), k, n);
        });
      });
      return given;
    },
    fill: (rows, bays) => {
      const held = typeOf.map((type) => type.given.slice());
      const left = typeOf.map(({ closure }) => closure.start);
      const alike = alikeByBay(typeOf, bays, rows.rows);
      let over = 0;
      for (const [k, kind] of kinds.entries()) {
        if (kind.corner !== null) continue;
        const step = kind.height;
        for (let bay = 0; bay < rows.rows; bay += 1)
          for (let n = rows.at(bay, k); n > 0; n -= 1) {
            const best = takeBest(inList(alike, bay), k, step);
            if (best === null) {
              over += step;
              continue;
            }
            const of = inList(held, best.opening);
            of[k] = (of[k] ?? 0) + 1;
            left[best.opening] = best.left;
          }
      }
      return { held, left, over };
    },
    patternOf: (opening, held, left) => patternOf(inList(typeOf, opening), held, left, kinds),
  };
}

/**
 * Openings of one bay and one type as they are being filled, by what is left of them: those with the same room are alike, and looked at once.
 * A thousand cables stand in a hundred openings that are of three types and mostly empty or full.
 */
interface Alike {
  readonly type: TypeRows;
  /** What is left, µm, rising; beside each the openings with just that, by their number. */
  readonly rooms: number[];
  readonly openings: number[][];
}

function alikeByBay(typeOf: readonly TypeRows[], bays: readonly number[], count: number): Alike[][] {
  const byBay = Array.from({ length: count }, (): Alike[] => []);
  for (const [o, type] of typeOf.entries()) {
    const here = inList(byBay, inList(bays, o));
    let alike = here.find((a) => a.type === type);
    if (alike === undefined) {
      alike = { type, rooms: [type.closure.start], openings: [[]] };
      here.push(alike);
    }
    alike.openings[0]?.push(o);
  }
  return byBay;
}

/**
 * Puts one more row of a kind into the opening that has least room of those that can hold it and still be closed, the first of them where some
 * are alike; null when there is none.
 */
function takeBest(
  alikes: readonly Alike[],
  k: number,
  step: number,
): { opening: number; left: number } | null {
  let best: { alike: Alike; at: number } | null = null;
  let least = Infinity;
  let first = Infinity;
  for (const alike of alikes) {
    const { stands, closure, type } = alike.type;
    if (!stands[k]) continue;
    for (const [at, room] of alike.rooms.entries()) {
      if (room < step) continue;
      const opening = inList(inList(alike.openings, at), 0);
      if (room > least || (room === least && opening > first)) break;
      if (closure.complete(room - step - type.plate) === null) continue;
      best = { alike, at };
      least = room;
      first = opening;
      break;
    }
  }
  if (best === null) return null;
  const left = least - step - best.alike.type.type.plate;
  move(best.alike, best.at, left);
  return { opening: first, left };
}

/** The first opening of a room has less room from now on. */
function move({ rooms, openings }: Alike, from: number, left: number): void {
  const group = inList(openings, from);
  const opening = group.shift() ?? 0;
  if (group.length === 0) {
    rooms.splice(from, 1);
    openings.splice(from, 1);
  }
  let at = 0;
  while (at < rooms.length && inList(rooms, at) < left) at += 1;
  const there = openings[at];
  if (there === undefined || rooms[at] !== left) {
    rooms.splice(at, 0, left);
    openings.splice(at, 0, [opening]);
    return;
  }
  let place = there.length;
  while (place > 0 && inList(there, place - 1) > opening) place -= 1;
  there.splice(place, 0, opening);
}

function typeRows(type: OpeningPatterns, kinds: readonly RowKind[]): TypeRows {
  const [closure] = [...type.closures]
    .filter((c) => c.complete(c.start) !== null)
    .sort((a, b) => a.corners - b.corners || b.start - a.start);
  if (!closure) throw new Error('an opening that nothing closes is not usable');
  return {
    type,
    closure,
    given: Int32Array.from(kinds, ({ corner, key }) =>
      corner !== null && type.kinds.has(key) ? closure.corners : 0,
    ),
    stands: kinds.map(({ key }) => type.kinds.has(key)),
  };
}

function patternOf(
  { type, closure, given }: TypeRows,
  held: Int32Array,
  left: number,
  kinds: readonly RowKind[],
): number {
  // An opening that nothing went into has rows all the same.
  const bare = given.every((n) => n === 0) && held.every((n) => n === 0);
  const completed = closure.complete(left);
  const first = bare && completed?.rows.size === 0 ? anyRow(type, closure, left) : completed;
  if (first === null) throw new Error('what can be closed was asked before');
  const rows = new Map<string, number>();
  held.forEach((n, k) => n > 0 && rows.set(inList(kinds, k).key, n));
  for (const [key, n] of first.rows) rows.set(key, (rows.get(key) ?? 0) + n);
  const known = type.patterns.findIndex(
    (p) =>
      p.press === closure.press &&
      p.rows.size === rows.size &&
      [...rows].every(([key, n]) => p.rows.get(key) === n),
  );
  if (known >= 0) return known;
  return type.patterns.push({ rows, press: closure.press, ...first.filling }) - 1;
}

function anyRow(
  { kinds, plate }: OpeningPatterns,
  closure: OpeningClosure,
  left: number,
): ReturnType<OpeningClosure['complete']> {
  for (const kind of kinds.values()) {
    const rest = kind.corner === null ? closure.complete(left - kind.height - plate) : null;
    if (rest !== null)
      return { ...rest, rows: new Map([...rest.rows, [kind.key, (rest.rows.get(kind.key) ?? 0) + 1]]) };
  }
  return null;
}
