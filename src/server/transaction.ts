import { refuse, type Result } from '@/core/kernel';
import { withTransaction, type Tx } from '@/data';
import { guarded, Refusal } from './guard';

/** Somebody else has written a row since it was read: everything of this operation is rolled back. */
export class LateWrite extends Error {
  constructor() {
    super('somebody else was faster');
  }
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
      return await withTransaction(async (tx) => {
        const result = await work(tx);
        if (!result.ok) throw new Refusal(result);
        return result;
      });
    } catch (error) {
      if (error instanceof Refusal) return error.result;
      if (error instanceof LateWrite) return await withTransaction(late);
      throw error;
    }
  });
}
