import type { Result } from '@/core/kernel';
import { AWAY } from '../guard';
import { log } from '../running/log';
import { countAway, countOperation, type Outcome } from '../running/metrics';

const outcomeOf = (result: Result<unknown>): Outcome => {
  if (result.ok) return 'done';
  return result.problems.some((p) => AWAY.has(p.message)) ? 'away' : 'refused';
};

/**
 * Runs an operation, and says how it ended and how long it took: counted, and logged where it wrote or failed. A bug is logged without its words, which
 * may repeat what somebody typed, and goes on as one that has none.
 */
export async function observed<T>(
  operation: string,
  kind: 'read' | 'write',
  work: () => Promise<Result<T>>,
): Promise<Result<T>> {
  const began = performance.now();
  const note = (outcome: Outcome) => {
    const ms = performance.now() - began;
    countOperation(operation, outcome, ms / 1000);
    if (outcome === 'away') countAway();
    log[kind === 'write' ? 'info' : 'debug']({ operation, outcome, ms: Math.round(ms) }, 'operation');
  };
  try {
    const result = await work();
    note(outcomeOf(result));
    return result;
  } catch (error) {
    note('failed');
    log.error({ err: error, operation }, 'a bug');
    if (process.env.NODE_ENV !== 'production') throw error;
    throw new Error(`${operation} failed: see the log`);
  }
}
