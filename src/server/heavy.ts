import { AsyncLocalStorage } from 'node:async_hooks';
import { setImmediate as nextTurn } from 'node:timers/promises';
import { refuse, type Result } from '@/core/kernel';
import { sharedPlace, type Waited } from './heavy-place';

/**
 * How many of the heavy operations work at once in one process, how many may wait there for a place, for how long one may work, and for how long one may wait
 * before it begins: less than that, since a page waits for it.
 */
export const HEAVY = { atOnce: 2, waiting: 6, seconds: 30, waitSeconds: 20 } as const;

export const BUSY = 'The server is at work on whole jobs already: try again in a moment.';
const TOO_LONG = `Given up after ${HEAVY.seconds} s: nothing was changed.`;
const GONE = 'Ended: nobody waits for this any more.';

/** Thrown between two batches when whoever asked has gone or the time is up; everything of a transaction is rolled back. */
export class Ended extends Error {
  constructor(readonly words: string) {
    super(words);
  }
}

interface Work {
  readonly signal: AbortSignal;
}
const current = new AsyncLocalStorage<Work>();

interface Places {
  running: number;
  readonly queue: (() => void)[];
}
// One for the process, whichever route asks: the framework may load this file more than once.
const holder = globalThis as typeof globalThis & { amberCollarHeavy?: Places };
const places = (): Places => (holder.amberCollarHeavy ??= { running: 0, queue: [] });

/** How much heavy work runs and waits in this process. */
export const heavyFigures = (): { readonly running: number; readonly waiting: number } => ({
  running: places().running,
  waiting: places().queue.length,
});

function release(): void {
  const all = places();
  all.running -= 1;
  const next = all.queue.shift();
  if (next === undefined) return;
  all.running += 1;
  next();
}

/** Waits for a place in the queue; why not, when whoever waited has gone or none became free in time. */
function turn(gone: AbortSignal, waitMs: number): Promise<Waited | null> {
  const { queue } = places();
  return new Promise((resolve) => {
    const end = (how: Waited | null) => {
      clearTimeout(late);
      gone.removeEventListener('abort', leave);
      resolve(how);
    };
    const leave = () => {
      queue.splice(queue.indexOf(start), 1);
      end(gone.aborted ? 'gone' : 'busy');
    };
    const start = () => end(null);
    // A timer of our own: a signal's is cleared away with the signal, which nobody else holds.
    const late = setTimeout(leave, waitMs);
    queue.push(start);
    gone.addEventListener('abort', leave, { once: true });
  });
}

/**
 * Runs work on a whole job: at most two at once in this process, and no more in all of them than there are shared places; a few more wait, and the rest
 * are told to come again, as is who has waited for `waitMs`; one person holds no more than two of the shared ones. Ended when `gone` is aborted or after `HEAVY.seconds`, at the next batch.
 */
export async function heavily<T>(
  person: string,
  gone: AbortSignal,
  work: () => Promise<Result<T>>,
  waitMs = HEAVY.waitSeconds * 1000,
): Promise<Result<T>> {
  const until = Date.now() + waitMs;
  const all = places();
  if (all.running < HEAVY.atOnce) all.running += 1;
  else {
    if (all.queue.length >= HEAVY.waiting) return refuse('', BUSY);
    if (gone.aborted) return refuse('', GONE);
    const not = await turn(gone, waitMs);
    if (not !== null) return refuse('', NOT_IN[not]);
  }
  try {
    const place = await sharedPlace(person, gone, until);
    if (!place.ok) return place;
    if ('not' in place.value) return refuse('', NOT_IN[place.value.not]);
    try {
      return await inItsTime(gone, work);
    } finally {
      await place.value.leave();
    }
  } finally {
    release();
  }
}

const NOT_IN: Readonly<Record<Waited, string>> = { busy: BUSY, gone: GONE };

async function inItsTime<T>(gone: AbortSignal, work: () => Promise<Result<T>>): Promise<Result<T>> {
  const late = AbortSignal.timeout(HEAVY.seconds * 1000);
  try {
    return await current.run({ signal: AbortSignal.any([gone, late]) }, work);
  } catch (error) {
    if (error instanceof Ended) return refuse('', late.aborted ? TOO_LONG : GONE);
    throw error;
  }
}

/** How long one piece of work keeps everybody else of this process waiting. */
const TURN_MS = 12;

/**
 * What long work awaits between its pieces. Mostly it goes on at once; when it has kept the others waiting for `TURN_MS` they have a turn
 * first, and work that nobody waits for any more ends with `Ended`.
 */
export function pauses(): () => Promise<void> {
  let since = performance.now();
  return async () => {
    if (performance.now() - since < TURN_MS) return;
    await nextTurn();
    if (current.getStore()?.signal.aborted) throw new Ended(GONE);
    since = performance.now();
  };
}

/** Parts of a list that are worked through one after the other, with a pause between them: see `pauses`. */
export async function* inBatches<T>(items: readonly T[], size: number): AsyncGenerator<readonly T[]> {
  for (let i = 0; i < items.length; i += size) {
    if (i > 0) await nextTurn();
    if (current.getStore()?.signal.aborted) throw new Ended(GONE);
    yield items.slice(i, i + size);
  }
}
