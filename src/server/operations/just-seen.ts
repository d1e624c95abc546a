import { AsyncLocalStorage } from 'node:async_hooks';
import type { TerminationRef } from '@/core/record';
import type { Role } from '@/core/people';
import type { PersonRow } from '@/data';
import type { AssessedOne } from './load';

// What a command has worked out of an end when it was certain is what is shown with its answer: nothing is read or judged a second time.

interface Seen {
  readonly key: string;
  readonly found: AssessedOne;
}
/** Somebody, and what they are in a job. */
export interface Known {
  readonly person: PersonRow;
  readonly roles: readonly Role[];
}
const request = new AsyncLocalStorage<{ seen: Seen | null; known: { key: string; found: Known } | null }>();

const keyOf = ({ job, cable, end }: TerminationRef): string => JSON.stringify([job, cable, end]);

/** Runs one request: what it does and what it shows of it. */
export const inOneRequest = <T>(work: () => Promise<T>): Promise<T> =>
  request.run({ seen: null, known: null }, work);

/** Remembers an end as it is now that the transaction is certain. Outside of a request nothing is remembered. */
export function rememberSeen(ref: TerminationRef, found: AssessedOne): void {
  const now = request.getStore();
  if (now !== undefined) now.seen = { key: keyOf(ref), found };
}

export function forgetSeen(): void {
  const now = request.getStore();
  if (now !== undefined) now.seen = null;
}

/** The end as this very request has left it, once; null where it has not. */
export function takeSeen(ref: TerminationRef): AssessedOne | null {
  const now = request.getStore();
  if (now?.seen?.key !== keyOf(ref)) return null;
  const { found } = now.seen;
  now.seen = null;
  return found;
}

const knownKey = (person: string, job: string): string => JSON.stringify([person, job]);

/** Remembers who somebody is for what this very request shows after a command that changes nothing of it. */
export function rememberKnown(person: string, job: string, found: Known): void {
  const now = request.getStore();
  if (now !== undefined) now.known = { key: knownKey(person, job), found };
}

/** Who somebody was when this very request was let in, once; null where that was not remembered. */
export function takeKnown(person: string, job: string): Known | null {
  const now = request.getStore();
  if (now?.known?.key !== knownKey(person, job)) return null;
  const { found } = now.known;
  now.known = null;
  return found;
}
