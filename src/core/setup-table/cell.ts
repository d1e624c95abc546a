import { ok, refuse, type Result } from '@/core/kernel';
import { trimNumber } from '@/core/units';

/** How a fact stands in a cell of a table, and is read from it. Nothing in the cell is `undefined`: nobody has said. */
export interface CellKind<T> {
  readonly write: (value: T) => string;
  readonly read: (text: string) => Result<T>;
}

export const textCell: CellKind<string> = { write: (v) => v, read: (text) => ok(text) };

/** Decimals that a fact is kept with. */
const DECIMALS = 6;

/** A plain number, with a point or a comma. `1,250` may be one and a quarter or a thousand: it is refused. */
export const numberCell: CellKind<number> = {
  write: (v) => trimNumber(v, DECIMALS),
  read: (text) => {
    const plain = text.replace(/[\s\u00a0\u202f]/g, '');
    if (/^\d{1,3},\d{3}$/.test(plain))
      return refuse('', 'may be meant either way: write it with a point, or without a sign', text);
    return /^-?\d+([.,]\d+)?$/.test(plain)
      ? ok(Number(plain.replace(',', '.')))
      : refuse('', 'is no number', text);
  },
};

export const yesNoCell: CellKind<boolean> = {
  write: (v) => (v ? 'yes' : 'no'),
  read: (text) => {
    const plain = text.toLowerCase();
    if (['yes', 'y', 'ja', 'oui', 'true', '1', 'x'].includes(plain)) return ok(true);
    if (['no', 'n', 'nein', 'non', 'false', '0', '-'].includes(plain)) return ok(false);
    return refuse('', 'is neither yes nor no', text);
  },
};

const folded = (text: string): string => text.toLowerCase().replace(/[\s_-]+/g, '');

/** One of several codes, written in `words` where there are some; both are read. */
export function choiceCell<T extends string>(
  codes: readonly T[],
  words?: Readonly<Record<T, string>>,
): CellKind<T> {
  const known = new Map(
    codes.flatMap((code) =>
      [code, ...(words === undefined ? [] : [words[code]])].map((text) => [folded(text), code]),
    ),
  );
  return {
    write: (v) => words?.[v] ?? v,
    read: (text) => {
      const code = known.get(folded(text));
      return code === undefined
        ? refuse('', `is none of ${codes.map((c) => words?.[c] ?? c).join(', ')}`, text)
        : ok(code);
    },
  };
}

/** A number out of a few. */
export const numberOf = (numbers: readonly number[]): CellKind<number> => ({
  write: (v) => String(v),
  read: (text) => {
    const found = numbers.find((n) => String(n) === text);
    return found === undefined ? refuse('', `is none of ${numbers.join(', ')}`, text) : ok(found);
  },
});

/** What may be known not to be there: `none` says so, which is not the same as an empty cell. */
export const orNone = <T>(kind: CellKind<T>): CellKind<T | null> => ({
  write: (v) => (v === null ? 'none' : kind.write(v)),
  read: (text) => (text.toLowerCase() === 'none' ? ok(null) : kind.read(text)),
});

/** Several in one cell, parted by spaces; `none` when it is known that there are none. */
export const severalCell = <T>(kind: CellKind<T>): CellKind<T[]> => ({
  write: (v) => (v.length === 0 ? 'none' : v.map(kind.write).join(' ')),
  read: (text) => {
    if (text.toLowerCase() === 'none') return ok([]);
    const all: T[] = [];
    for (const part of text.split(/[\s,;]+/).filter((p) => p !== '')) {
      const one = kind.read(part);
      if (!one.ok) return one;
      all.push(one.value);
    }
    return ok(all);
  },
});
