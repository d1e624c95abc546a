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

/** What a transaction leaves for its end. */
interface Left {
  readonly before: (() => Promise<void>)[];
  readonly after: (() => void)[];
}
const waiting = new WeakMap<Tx, Left>();

function leftBy(tx: Tx): Left {
  const left = waiting.get(tx);
  if (left === undefined)
    throw new Error('a transaction that is not run by `committed` has no end to leave work for');
  return left;
}

/** Remembers what is to be done when this transaction is certain, and only then. */
export const afterCommit = (tx: Tx, work: () => void): unknown => leftBy(tx).after.push(work);

/** Leaves to the end of this transaction what others have to wait for while it is written: so they wait for the end alone. */
export const beforeCommit = (tx: Tx, work: () => Promise<void>): unknown => leftBy(tx).before.push(work);

/** Writes now what was left to the end, since it is about to be read. Outside of a transaction nothing was left. */
export async function settled(tx: Tx): Promise<void> {
  const before = waiting.get(tx)?.before ?? [];
  for (let work = before.shift(); work !== undefined; work = before.shift()) await work();
}

/** Runs work in a transaction, at its end what it left with `beforeCommit` and, when it is certain, with `afterCommit`. */
export async function committed<T>(work: (tx: Tx) => Promise<T>): Promise<T> {
  let after: readonly (() => void)[] = [];
  const result = await withTransaction(async (tx) => {
    const left: Left = { before: [], after: [] };
    waiting.set(tx, left);
    const done = await work(tx);
    await settled(tx);
    // Of several attempts only the last one counts.
    after = left.after;
    return done;
  });
  for (const task of after) task();
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
