import { and, asc, count, eq, gt, lte, sql } from 'drizzle-orm';
import type { Tx } from '../connection';
import { heavyPlace } from '../schema';

/** As many places as there are rows: more cannot be asked for. */
export const MOST_HEAVY_PLACES = 32;

const NOW = sql`UTC_TIMESTAMP(3)`;
const inSeconds = (seconds: number) => sql`UTC_TIMESTAMP(3) + INTERVAL ${seconds} SECOND`;

/** Who wants a place, and under which name it is held: one for each piece of work. */
export interface PlaceWanted {
  readonly holder: string;
  readonly person: string;
}

/** How many places there are, and how many of them one person may hold. */
export interface PlacesThere {
  readonly places: number;
  readonly each: number;
}

/**
 * Takes one of the first `places` places for heavy work, for so many seconds; false where all of them are held, or this person holds as many as one may.
 * A place is one row: of several who want it, one changes it. One whose time is over is free, whoever held it.
 */
export async function takeHeavyPlace(
  tx: Tx,
  { holder, person }: PlaceWanted,
  { places, each }: PlacesThere,
  seconds: number,
): Promise<boolean> {
  const own = sql`(SELECT COUNT(*) FROM heavy_place own WHERE own.person_id = ${person} AND own.until > ${NOW})`;
  const [{ affectedRows }] = await tx
    .update(heavyPlace)
    .set({ holder, person, until: inSeconds(seconds) })
    .where(and(lte(heavyPlace.place, places), lte(heavyPlace.until, NOW), sql`${own} < ${each}`))
    .orderBy(asc(heavyPlace.place))
    .limit(1);
  return affectedRows === 1;
}

/** Keeps a place for so many seconds from now; nothing where its time was over and somebody else has it. */
export async function keepHeavyPlace(tx: Tx, holder: string, seconds: number): Promise<void> {
  await tx
    .update(heavyPlace)
    .set({ until: inSeconds(seconds) })
    .where(eq(heavyPlace.holder, holder));
}

/** As the row of a place is that nobody holds. */
const FREE = { holder: '', person: '', until: new Date('2000-01-01T00:00:00.000Z') };

/** Gives a place back; nothing where it was lost. */
export async function leaveHeavyPlace(tx: Tx, holder: string): Promise<void> {
  await tx.update(heavyPlace).set(FREE).where(eq(heavyPlace.holder, holder));
}

/** How many of the first `places` places are held. */
export async function heldHeavyPlaces(tx: Tx, places: number): Promise<number> {
  const [row] = await tx
    .select({ held: count() })
    .from(heavyPlace)
    .where(and(lte(heavyPlace.place, places), gt(heavyPlace.until, NOW)));
  return row?.held ?? 0;
}
