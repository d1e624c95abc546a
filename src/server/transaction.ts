import { refuse, type Result } from '@/core/kernel';
import { withTransaction, type Tx } from '@/data';
import { guarded, Refusal } from './guard';
import { keepAnswer } from './sending';

/** Somebody else has written a row since it was read: everything of this operation is rolled back. */
export class LateWrite extends Error {
  constructor() {
    super('somebody else was faster');
  }
}

const waiting = new WeakMap<Tx, (() => void)[]>();

/** Remembers what is to be done when this transaction is certain, and only then. */
export function afterCommit(tx: Tx, work: () => void): void {
  waiting.set(tx, [...(waiting.get(tx) ?? []), work]);
}

/** Runs work in a transaction and, when it is certain, what it left with `afterCommit`. */
export async function committed<T>(work: (tx: Tx) => Promise<T>): Promise<T> {
  let last: Tx | null = null;
  const result = await withTransaction((tx) => {
    // Of several attempts only the last one counts.
    last = tx;
    return work(tx);
  });
  for (const task of last === null ? [] : (waiting.get(last) ?? [])) task();
  return result;
}

const LATE = 'somebody else has changed this meanwhile: look again';

/** One operation, one transaction: a refusal rolls everything back, a database failure becomes a problem. */
export function operation<T>(
  work: (tx: Tx) => Promise<Result<T>>,
  /** What is answered to a lost race, in a transaction of its own; a refusal at `version` when left out. */
  late: (tx: Tx) => Promise<Result<T>> = () => Promise.resolve(refuse('version', LATE)),
): Promise<Result<T>> {
  return guarded(async () => {
    try {
      return await committed(async (tx) => {
        const result = await work(tx);
        if (!result.ok) throw new Refusal(result);
        await keepAnswer(tx, result.value);
        return result;
      });
    } catch (error) {
      if (error instanceof Refusal) return error.result;
      if (error instanceof LateWrite) return await committed(late);
      throw error;
    }
  });
}
