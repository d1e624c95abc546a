import type { Problem } from '@/core/kernel';
import type { CellKind } from './cell';

/** A fact in a column: what the column is called, in words, and how its cells read. */
export interface FactColumn<T> {
  readonly column: string;
  readonly words: string;
  readonly write: (facts: T) => string;
  /** The fact out of a cell, put into `facts`; an empty cell takes it away. What is wrong with the cell, or null. */
  readonly read: (facts: Record<string, unknown>, text: string) => Problem | null;
  /** Where a problem of the record belongs that this column filled. */
  readonly path: string;
}

type Kinds<T> = {
  readonly [K in keyof T]-?: readonly [
    column: string,
    words: string,
    kind: CellKind<Exclude<T[K], undefined>>,
  ];
};

/** Columns of a record, one for each of its facts: complete by type. */
export function columnsOf<T extends object>(kinds: Kinds<T>): FactColumn<T>[] {
  const fields = Object.keys(kinds) as (keyof T & string)[];
  return fields.map(<K extends keyof T & string>(field: K) => {
    const [column, words, kind] = kinds[field];
    return {
      column,
      words,
      path: field,
      write: (facts: T) => {
        const value = facts[field];
        return value === undefined ? '' : kind.write(value as Exclude<T[K], undefined>);
      },
      read: (facts, text) => {
        if (text.trim() === '') {
          facts[field] = undefined;
          return null;
        }
        const value = kind.read(text.trim());
        if (value.ok) facts[field] = value.value;
        return value.ok ? null : inColumn(column, value.problems[0], text);
      },
    };
  });
}

export const inColumn = (column: string, problem: Problem | undefined, text: string): Problem => ({
  path: column,
  message: problem?.message ?? 'is not in order',
  value: text,
});

/** What is not said is left out. */
export const withoutGaps = (facts: Readonly<Record<string, unknown>>): Record<string, unknown> =>
  Object.fromEntries(Object.entries(facts).filter(([, v]) => v !== undefined));

/** Problems of a record where its columns are. */
export function placed<T>(
  problems: readonly Problem[],
  columns: readonly FactColumn<T>[],
  otherwise: string,
): Problem[] {
  return problems.map((p) => {
    const found = columns.find((c) => p.path === c.path || p.path.startsWith(`${c.path}.`));
    return { ...p, path: found?.column ?? otherwise };
  });
}

/** A row of a table, as it was read. */
export interface ReadRow<T> {
  /** Where it stands in the file, from 1. */
  readonly line: number;
  readonly key: string;
  /** Null when something is wrong with it. */
  readonly facts: T | null;
  readonly problems: readonly Problem[];
}
