import { randomUUID } from 'node:crypto';
import { setTimeout as after } from 'node:timers/promises';
import { ok, type Result } from '@/core/kernel';
import {
  database,
  heldHeavyPlaces,
  isCollision,
  keepHeavyPlace,
  leaveHeavyPlace,
  MOST_HEAVY_PLACES,
  takeHeavyPlace,
  withTransaction,
  type PlaceWanted,
  type Tx,
} from '@/data';
import { guarded } from './guard';
import { log } from './running/log';

// Heavy work reads whole jobs, all of it from the one node that is written to: how much of it there is at once is no concern of one process.

const USUAL_PLACES = 4;
/** However many processes somebody asks, others find a place. */
const EACH = 2;

/** As many places as all processes share. From the environment: `AMBER_COLLAR_HEAVY`, 1 to 32; another word there is a mistake of whoever set it. */
export function heavyPlaces(set: string | undefined = process.env.AMBER_COLLAR_HEAVY): number {
  if (set === undefined) return USUAL_PLACES;
  const places = /^\d{1,2}$/.test(set) ? Number(set) : 0;
  if (places < 1 || places > MOST_HEAVY_PLACES)
    throw new Error(`AMBER_COLLAR_HEAVY is ${JSON.stringify(set)}, not 1 to ${MOST_HEAVY_PLACES}`);
  return places;
}

/** How long a place is held without a word of its holder, and how often there is one: whoever is killed holds it no longer than that. */
const HELD_S = 10;
const KEPT_EVERY_MS = 3000;
const AGAIN_MS = 100;

/** Why nobody got a place: none became free, or whoever asked has left. */
export type Waited = 'busy' | 'gone';

interface Held {
  readonly leave: () => Promise<void>;
}

/** Waits until then for one of the places that all processes share, and keeps it until it is left. */
export function sharedPlace(
  person: string,
  gone: AbortSignal,
  until: number,
): Promise<Result<Held | { readonly not: Waited }>> {
  return guarded<Held | { readonly not: Waited }>(async () => {
    const places = heavyPlaces();
    const wanted = { holder: randomUUID(), person };
    for (;;) {
      if (gone.aborted) return ok({ not: 'gone' });
      if (await taken(wanted, places)) return ok({ leave: kept(wanted.holder) });
      if (Date.now() >= until) return ok({ not: 'busy' });
      await after(AGAIN_MS);
    }
  });
}

async function taken(wanted: PlaceWanted, places: number): Promise<boolean> {
  try {
    return await takeHeavyPlace(database(), wanted, { places, each: EACH }, HELD_S);
  } catch (error) {
    // Somebody at another node was faster: there may be another place.
    if (isCollision(error)) return false;
    throw error;
  }
}

/**
 * Keeps a place from now on; what is returned gives it back. Each is said in a transaction, which is run again when another's way of taking a place got into
 * its own: a place that is not given back is free for nobody until its time is over. What cannot be said at all is logged.
 */
function kept(holder: string): () => Promise<void> {
  const said = async (what: string, say: (tx: Tx) => Promise<unknown>): Promise<void> => {
    try {
      await withTransaction(say);
    } catch (error) {
      log.warn({ err: error }, what);
    }
  };
  const every = setInterval(
    () => void said('could not keep a place for heavy work', (tx) => keepHeavyPlace(tx, holder, HELD_S)),
    KEPT_EVERY_MS,
  );
  return async () => {
    clearInterval(every);
    await said('could not give a place for heavy work back', (tx) => leaveHeavyPlace(tx, holder));
  };
}

/** How many places there are for heavy work of all processes, and how many are held. */
export async function heavyPlacesNow(): Promise<{ readonly held: number; readonly of: number }> {
  const of = heavyPlaces();
  return { held: await heldHeavyPlaces(database(), of), of };
}
