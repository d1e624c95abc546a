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
      let over = 0;
      for (const [k, kind] of kinds.entries()) {
        if (kind.corner !== null) continue;
        const step = kind.height;
        for (let bay = 0; bay < rows.rows; bay += 1)
          for (let n = rows.at(bay, k); n > 0; n -= 1) {
            const best = bestOpening({ typeOf, left, bays }, bay, k, step);
            if (best < 0) {
              over += step;
              continue;
            }
            const of = inList(held, best);
            of[k] = (of[k] ?? 0) + 1;
            left[best] = inList(left, best) - step - inList(typeOf, best).type.plate;
          }
      }
      return { held, left, over };
    },
    patternOf: (opening, held, left) => patternOf(inList(typeOf, opening), held, left, kinds),
  };
}

/** Openings as they are being filled: their types, what is left of each, and the bay of each. */
interface Filling {
  readonly typeOf: readonly TypeRows[];
  readonly left: readonly number[];
  readonly bays: readonly number[];
}

/** Of the openings of a bay that can hold one more row of a kind, the one with least room; −1 when there is none. */
function bestOpening({ typeOf, left, bays }: Filling, bay: number, k: number, step: number): number {
  let best = -1;
  let least = Infinity;
  for (const [o, { stands, closure, type }] of typeOf.entries()) {
    const room = inList(left, o);
    if (bays[o] !== bay || room < step || room >= least) continue;
    if (!stands[k] || closure.complete(room - step - type.plate) === null) continue;
    best = o;
    least = room;
  }
  return best;
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
