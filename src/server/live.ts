import { changesSince, database, type ToldChange } from '@/data';
import { log } from './running/log';

/** Something was done in a job: by the id that it was sent under, so that whoever sent it knows its own. */
export interface Change {
  readonly id: string;
}

/** Somebody who follows: told of each change, that more than can be told was done before, and that the server ends. */
export interface Follower {
  readonly heard: (change: Change) => void;
  readonly behind: () => void;
  readonly ended: () => void;
}

/** So many pages may follow at once; each costs a connection. */
export const MOST_FOLLOWERS = 600;

/** How often it is asked what other processes have done. */
const ASK_MS = 700;
/** The longest that a command may take from its beginning until others see it. */
const LONGEST_MS = 35_000;
/** So much may the clocks of two machines differ. */
const CLOCKS_MS = 2000;

/** A page that was read longer ago than this, or since which more was done, is read anew as a whole. */
const LATELY_MS = 60_000;
const MOST_TOLD = 100;
/** So long before a page was read a command may have begun whose end the page has not seen. */
const UNDER_WAY_MS = 5000;

interface Followed {
  readonly followers: Set<Follower>;
  /** Since when: what was done before is on the page already. */
  readonly since: number;
}

interface Following {
  readonly jobs: Map<string, Followed>;
  /** Ids that were told, each with when it was, or was done if that is later: what another process has done is found more than once. */
  readonly told: Map<string, number>;
  count: number;
  /** When it is asked next what others have done; null while nobody follows. */
  next: ReturnType<typeof setTimeout> | null;
}

// One for the process, whichever route asks: the framework loads this file once for each of them.
const holder = globalThis as typeof globalThis & { amberCollarFollowing?: Following };
const following = (): Following => (holder.amberCollarFollowing ??= begun());

function begun(): Following {
  const all: Following = { jobs: new Map(), told: new Map(), count: 0, next: null };
  // An open line would keep the server from ending.
  const end = () => {
    for (const { followers } of [...all.jobs.values()]) for (const { ended } of [...followers]) ended();
  };
  process.once('SIGTERM', end);
  process.once('SIGINT', end);
  return all;
}

/** Tells all who follow a job here that something was done in it, once. `at` is when, by the clock of the process that did it, which may go ahead. */
export function tell(job: string, change: Change, at = 0): void {
  const { jobs, told } = following();
  if (told.has(change.id)) return;
  // Found again for as long as it is not over by that clock.
  told.set(change.id, Math.max(Date.now(), at));
  for (const { heard } of jobs.get(job)?.followers ?? []) heard(change);
}

/** Tells what was found of other processes, and forgets what can come no more. */
export function tellFound(found: readonly ToldChange[]): void {
  const { jobs, told } = following();
  for (const { id, job, at } of found)
    if (at.getTime() >= (jobs.get(job)?.since ?? Infinity) - CLOCKS_MS) tell(job, { id }, at.getTime());
  for (const [id, at] of told) if (at < Date.now() - 2 * LONGEST_MS) told.delete(id);
}

/** Asks the database what any process has done, and again as long as somebody follows. */
async function ask(all: Following): Promise<void> {
  try {
    const since = new Date(Date.now() - LONGEST_MS);
    tellFound(await changesSince(database(), [...all.jobs.keys()], since));
  } catch (error) {
    // What is done meanwhile is within the time that is asked for when it answers again, or the page is loaded anew.
    log.warn({ err: error }, 'what others have done is not known just now');
  }
  if (all.count > 0) askSoon(all);
}

function askSoon(all: Following): void {
  if (all.next !== null) clearTimeout(all.next);
  all.next = setTimeout(() => void ask(all), ASK_MS);
  all.next.unref();
}

/** Tells whoever begins to follow what was done since their page was read (milliseconds since 1970) and before they followed. */
export async function catchUp(job: string, readAt: number, { heard, behind }: Follower): Promise<void> {
  // One of a time that is still to come was read by a clock that goes otherwise than this one.
  if (readAt < Date.now() - LATELY_MS || readAt > Date.now() + UNDER_WAY_MS) {
    behind();
    return;
  }
  try {
    const done = await changesSince(database(), [job], new Date(readAt - UNDER_WAY_MS));
    if (done.length > MOST_TOLD) behind();
    else for (const { id } of done) heard({ id });
  } catch (error) {
    log.warn({ err: error }, 'what was done since a page was read is not known');
    behind();
  }
}

/** How many follow at this process. */
export const followers = (): number => following().count;

/** Follows a job until what is returned is called. Null when too many follow already. */
export function follow(job: string, follower: Follower): (() => void) | null {
  const all = following();
  if (all.count >= MOST_FOLLOWERS) return null;
  const mine = all.jobs.get(job) ?? { followers: new Set<Follower>(), since: Date.now() };
  mine.followers.add(follower);
  all.jobs.set(job, mine);
  all.count += 1;
  if (all.next === null) askSoon(all);
  return () => {
    if (!mine.followers.delete(follower)) return;
    all.count -= 1;
    if (all.count === 0 && all.next !== null) {
      clearTimeout(all.next);
      all.next = null;
    }
    if (mine.followers.size === 0 && all.jobs.get(job) === mine) all.jobs.delete(job);
  };
}
