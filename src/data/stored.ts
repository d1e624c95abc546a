import { fail, problemLine, validate, type Result } from '@/core/kernel';
import type { InferType, Schema } from 'yup';

/** A row holds what nothing here could have written: somebody else has, or it was written by a newer version. */
export class UnreadableRow extends Error {
  constructor(what: string, why: string) {
    super(`${what} in the database cannot be read: ${why}`);
    this.name = 'UnreadableRow';
  }
}

/** Reads a column that holds JSON. Equal texts are read once while they are remembered; what comes back is shared and not to be changed. */
export interface StoredJson<T> {
  /** `where` names the row in the error when it cannot be read. */
  readonly parse: (text: string, where: string | number) => T;
}

/**
 * A kind of JSON that columns hold: `read` brings what was written by any version to today's shape, or says why it cannot. `keep` is how many texts
 * are remembered.
 */
export function storedJson<T>(
  name: string,
  read: (value: unknown) => Result<T>,
  keep: number,
): StoredJson<T> {
  const known = new Map<string, T>();
  return {
    parse: (text, where) => {
      const before = known.get(text);
      if (before !== undefined) return before;
      const result = reading(text, read);
      if (!result.ok)
        throw new UnreadableRow(`${name} ${where}`, result.problems.slice(0, 3).map(problemLine).join('; '));
      // The oldest goes first: what is in use comes back.
      const [oldest] = known.keys();
      if (known.size >= keep && oldest !== undefined) known.delete(oldest);
      known.set(text, result.value);
      return result.value;
    },
  };
}

function reading<T>(text: string, read: (value: unknown) => Result<T>): Result<T> {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return fail([{ path: '', message: 'is not JSON' }]);
  }
  return read(value);
}

/** What a schema says, for kinds that have had one shape so far. */
export const bySchema =
  <S extends Schema>(schema: S) =>
  (value: unknown): Result<InferType<S>> =>
    validate(schema, value, true);
