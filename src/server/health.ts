import { hasLostTheOthers, ping } from '@/data';
import { log } from './running/log';

/**
 * `writes`: the database answers, and what it says is true now. `alone`: a node answers that has lost the others; nothing is written, and what it knows is old. `away`:
 * nobody answers.
 */
export type DatabaseState = 'writes' | 'alone' | 'away';

interface Seen {
  readonly state: DatabaseState;
  readonly at: number;
}
// One for the process, whichever route asked last.
const holder = globalThis as typeof globalThis & { amberCollarDatabaseState?: Seen };
const noted = (state: DatabaseState): DatabaseState => {
  holder.amberCollarDatabaseState = { state, at: Date.now() };
  return state;
};

/** So long what was seen of the database is told of as what it is: whoever watches asks more often. */
const FRESH_MS = 10_000;

/** Was it a node that has lost the others which answered last, just now? */
export function justAlone(): boolean {
  const seen = holder.amberCollarDatabaseState;
  return seen?.state === 'alone' && Date.now() - seen.at < FRESH_MS;
}

/** What of the database answers now? Asked before every page, so that all of them say the same while it is away. */
export async function databaseState(): Promise<DatabaseState> {
  try {
    await ping();
    return noted('writes');
  } catch (error) {
    const alone = await hasLostTheOthers(error).catch(() => false);
    log.warn({ err: error }, alone ? 'this node has lost the others' : 'database away');
    return noted(alone ? 'alone' : 'away');
  }
}
