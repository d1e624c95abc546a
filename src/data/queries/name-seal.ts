import { randomBytes } from 'node:crypto';
import { and, asc, eq, sql } from 'drizzle-orm';
import { nameMark, type NameSeal } from '@/core/record';
import { isDuplicate, type Tx } from '../connection';
import { prepared } from '../prepared';
import { forgotten, nameSeal } from '../schema';

const SALT_BYTES = 32;

const sealOf = prepared((tx) =>
  tx
    .select({ mark: nameSeal.mark, salt: nameSeal.salt })
    .from(nameSeal)
    .where(and(eq(nameSeal.person, sql.placeholder('person')), eq(nameSeal.name, sql.placeholder('name')))),
);

/** The seal of a person's name; made the first time that a record needs it. `person` is null where nobody was signed in. */
export async function sealName(tx: Tx, person: string | null, name: string): Promise<NameSeal> {
  const whose = person ?? '';
  const find = async (): Promise<NameSeal | null> => {
    const [row] = await sealOf(tx, { person: whose, name });
    return row ?? null;
  };
  const before = await find();
  if (before !== null) return before;
  const salt = randomBytes(SALT_BYTES).toString('hex');
  const mark = nameMark(salt, name);
  try {
    await tx.insert(nameSeal).values({ mark, person: whose, name, salt });
    return { mark, salt };
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    // Somebody else needed it in the same instant.
    const theirs = await find();
    if (theirs === null) throw error;
    return theirs;
  }
}

/** People whose names were taken out, in the order in which they were. */
export const forgottenPeople = (
  tx: Tx,
): Promise<{ readonly person: string; readonly at: Date; readonly events: number }[]> =>
  tx.select().from(forgotten).orderBy(asc(forgotten.at));
