/** Something was done in a job: by the id that it was sent under, so that whoever sent it knows its own. */
export interface Change {
  readonly id: string;
}

type Listener = (change: Change) => void;

/** So many pages may follow at once; each costs a connection. */
export const MOST_FOLLOWERS = 600;

interface Following {
  readonly jobs: Map<string, Set<Listener>>;
  count: number;
}

// One for the process, whichever route asks: the framework loads this file once for each of them.
const holder = globalThis as typeof globalThis & { amberCollarFollowing?: Following };
const following = (): Following => (holder.amberCollarFollowing ??= { jobs: new Map(), count: 0 });

/** Tells all who follow a job that something was done in it. */
export function tell(job: string, change: Change): void {
  for (const listener of following().jobs.get(job) ?? []) listener(change);
}

/** Follows a job until what is returned is called. Null when too many follow already. */
export function follow(job: string, listener: Listener): (() => void) | null {
  const all = following();
  if (all.count >= MOST_FOLLOWERS) return null;
  const mine = all.jobs.get(job) ?? new Set<Listener>();
  all.jobs.set(job, mine.add(listener));
  all.count += 1;
  return () => {
    if (!mine.delete(listener)) return;
    all.count -= 1;
    if (mine.size === 0 && all.jobs.get(job) === mine) all.jobs.delete(job);
  };
}
