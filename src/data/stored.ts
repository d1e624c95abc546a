import { problemLine, type Result } from '@/core/kernel';

/** A row holds what nothing here could have written: somebody else has, or it was written by a newer version. */
export class UnreadableRow extends Error {
  constructor(what: string, why: string) {
    super(`${what} in the database cannot be read: ${why}`);
    this.name = 'UnreadableRow';
  }
}

/** What was read from a row; `what` names it where it does not hold what it should. */
export function stored<T>(what: string, read: Result<T>): T {
  if (!read.ok) throw new UnreadableRow(what, read.problems.map(problemLine).join('; '));
  return read.value;
}
