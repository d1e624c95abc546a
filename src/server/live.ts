/** Something was done in a job: by the id that it was sent under, so that whoever sent it knows its own. */
export interface Change {
  readonly id: string;
}

/** Somebody who follows: told of each change, and that the server ends. */
export interface Follower {
  readonly heard: (change: Change) => void;
  readonly ended: () => void;
}

/** So many pages may follow at once; each costs a connection. */
export const MOST_FOLLOWERS = 600;

interface Following {
  readonly jobs: Map<string, Set<Follower>>;
  count: number;
}

// One for the process, whichever route asks: the framework loads this file once for each of them.
const holder = globalThis as typeof globalThis & { amberCollarFollowing?: Following };
const following = (): Following => (holder.amberCollarFollowing ??= begun());

function begun(): Following {
  const all: Following = { jobs: new Map(), count: 0 };
  // An open line would keep the server from ending.
  const end = () => {
    for (const mine of [...all.jobs.values()]) for (const { ended } of [...mine]) ended();
  };
  process.once('SIGTERM', end);
  process.once('SIGINT', end);
  return all;
}

/** Tells all who follow a job that something was done in it. */
export function tell(job: string, change: Change): void {
  for (const { heard } of following().jobs.get(job) ?? []) heard(change);
}

/** Follows a job until what is returned is called. Null when too many follow already. */
export function follow(job: string, follower: Follower): (() => void) | null {
  const all = following();
  if (all.count >= MOST_FOLLOWERS) return null;
  const mine = all.jobs.get(job) ?? new Set<Follower>();
  all.jobs.set(job, mine.add(follower));
  all.count += 1;
  return () => {
    if (!mine.delete(follower)) return;
    all.count -= 1;
    if (mine.size === 0 && all.jobs.get(job) === mine) all.jobs.delete(job);
  };
}
