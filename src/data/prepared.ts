import { sql, type Placeholder, type SQL, type SQLWrapper } from 'drizzle-orm';
import { basisOf, type Tx } from './connection';

/** A query whose words are made. */
interface Worded<R> {
  readonly execute: (values: Readonly<Record<string, unknown>>) => Promise<R>;
}

/**
 * A query that is asked at every step of a bench. Its words are made once for each connection, and not every time, which costs as much as asking it.
 * `words` names what differs with `sql.placeholder`, and a list with `among`.
 */
export function prepared<R>(
  words: (tx: Tx) => { readonly prepare: () => Worded<R> },
): (tx: Tx, values: Readonly<Record<string, unknown>>) => Promise<R> {
  const made = new WeakMap<Tx, Worded<R>>();
  return (tx, values) => {
    const basis = basisOf(tx);
    const before = made.get(basis);
    if (before !== undefined) return before.execute(values);
    const now = words(basis).prepare();
    made.set(basis, now);
    return now.execute(values);
  };
}

/** Is this column one of a list of values, which must not be empty? The driver writes a list that stands for one value as its parts, each quoted. */
export const among = (column: SQLWrapper, list: Placeholder): SQL => sql`${column} in (${list})`;

/** A row that is put in by the values of these columns. */
export const rowOf = <K extends string>(...columns: readonly K[]): Record<K, Placeholder<K>> =>
  Object.fromEntries(columns.map((c) => [c, sql.placeholder(c)])) as Record<K, Placeholder<K>>;
