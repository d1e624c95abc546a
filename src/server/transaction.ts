import type { Result } from '@/core/kernel';
import { withTransaction, type Tx } from '@/data';
import { guarded, Refusal } from './guard';

/** One operation, one transaction: a refusal rolls everything back, a database failure becomes a problem. */
export function operation<T>(work: (tx: Tx) => Promise<Result<T>>): Promise<Result<T>> {
  return guarded(async () => {
    try {
      return await withTransaction(async (tx) => {
        const result = await work(tx);
        if (!result.ok) throw new Refusal(result);
        return result;
      });
    } catch (error) {
      if (error instanceof Refusal) return error.result;
      throw error;
    }
  });
}
