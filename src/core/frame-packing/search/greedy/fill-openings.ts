import type { OpeningClosure, OpeningPatterns, RowKind } from '../../model/row-patterns';

/** How one type of opening is filled by hand rules: with as few corner rows as may be. */
interface TypeRows {
  readonly type: OpeningPatterns;
  readonly closure: OpeningClosure;
  /** Corner rows by kind that stand in it in any case. */
  readonly given: Int32Array;
  readonly stands: readonly boolean[];
}

export interface OpeningFiller {
  /** Corner rows by bay and kind that the openings have in any case; `bays` is the bay of each opening. */
  given: (bays: readonly number[], count: number) => Int32Array[];
  /**
   * Puts the rows of each bay (by kind) into its openings, high rows first, each where it leaves least room and the rest can still be closed.
   * Gives the rows of each opening, what is left of it, and the height of the rows for which there was no opening, micrometres.
   */
  fill: (
    rows: readonly Int32Array[],
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
  for (const t of openings) if (!byType.has(t)) byType.set(t, typeRows(types[t]!, kinds));
  const typeOf = openings.map((t) => byType.get(t)!);
  const corner = kinds.map((kind) => kind.corner !== null);
  return {
    given: (bays, count) => {
      const given = Array.from({ length: count }, () => new Int32Array(kinds.length));
      typeOf.forEach((type, o) => {
        const sum = given[bays[o]!]!;
        for (let k = 0; k < kinds.length; k += 1) sum[k] = sum[k]! + type.given[k]!;
      });
      return given;
    },
    fill: (rows, bays) => {
      const held = typeOf.map((type) => type.given.slice());
      const left = typeOf.map(({ closure }) => closure.start);
      let over = 0;
      for (let k = 0; k < kinds.length; k += 1) {
        if (corner[k]) continue;
        const step = kinds[k]!.height;
        for (let bay = 0; bay < rows.length; bay += 1)
          for (let n = rows[bay]![k]!; n > 0; n -= 1) {
            const best = bestOpening(typeOf, left, bays, bay, k, step);
            if (best < 0) {
              over += step;
              continue;
            }
            held[best]![k] = held[best]![k]! + 1;
            left[best] = left[best]! - step - typeOf[best]!.type.plate;
          }
      }
      return { held, left, over };
    },
    patternOf: (opening, held, left) => patternOf(typeOf[opening]!, held, left, kinds),
  };
}

/** Of the openings of a bay that can hold one more row of a kind, the one with least room; −1 when there is none. */
function bestOpening(
  typeOf: readonly TypeRows[],
  left: readonly number[],
  bays: readonly number[],
  bay: number,
  k: number,
  step: number,
): number {
  let best = -1;
  for (let o = 0; o < typeOf.length; o += 1) {
    if (bays[o] !== bay || left[o]! < step || (best >= 0 && left[o]! >= left[best]!)) continue;
    const { stands, closure, type } = typeOf[o]!;
    if (stands[k] && closure.complete(left[o]! - step - type.plate) !== null) best = o;
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
  held.forEach((n, k) => n > 0 && rows.set(kinds[k]!.key, n));
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
