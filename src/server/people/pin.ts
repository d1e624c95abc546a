import { ok, refuse, type Result } from '@/core/kernel';
import { WRONG_PINS } from '@/core/people';
import { countPin, findPin, type Tx } from '@/data';
import { secretMatches } from './secrets';

/**
 * Is this the PIN of that person? Wrong ones are counted, and lock it until they sign in with their password. What it comes to is the value of a
 * transaction that is kept, so that a failure counts; only somebody without a PIN is refused outright.
 */
export async function judgePin(
  tx: Tx,
  { id, name }: { readonly id: string; readonly name: string },
  pin: string,
): Promise<Result<Result<null>>> {
  const kept = await findPin(tx, id);
  if (kept === null) return refuse('colleague', 'has no PIN');
  if (kept.failures >= WRONG_PINS)
    return refuse(
      'pin',
      `of ${name} is locked after ${WRONG_PINS} wrong ones: signing in with the password opens it`,
    );
  if (await secretMatches(pin, kept.hash)) {
    await countPin(tx, id, 0);
    return ok(ok(null));
  }
  await countPin(tx, id, kept.failures + 1);
  const left = WRONG_PINS - kept.failures - 1;
  return ok(
    refuse(
      'pin',
      left > 0
        ? `is wrong: ${left} more and it is locked`
        : 'is wrong, and locked now: the password opens it',
    ),
  );
}
