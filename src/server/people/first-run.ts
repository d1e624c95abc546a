import { randomInt } from 'node:crypto';
import { tokenHash } from '@/core/people';
import { anyPeople, database, setFirstRun } from '@/data';

// Letters and digits that are not taken for one another.
const SIGNS = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789';

/** A new one-time code while nobody can sign in yet, for the console of the server; null when somebody can. Only its hash is kept. */
export async function firstRunCode(now: Date): Promise<string | null> {
  if (await anyPeople(database())) return null;
  const sign = () => SIGNS[randomInt(SIGNS.length)] ?? '';
  const code = [4, 4, 4].map((n) => Array.from({ length: n }, sign).join('')).join('-');
  await setFirstRun(database(), tokenHash(code), now);
  return code;
}
