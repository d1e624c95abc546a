import { AsyncLocalStorage } from 'node:async_hooks';

// One for the process: the framework loads this file more than once, and the pool and the log are made by whichever comes first.
const holder = globalThis as typeof globalThis & { amberCollarRequest?: AsyncLocalStorage<string> };
const current = (holder.amberCollarRequest ??= new AsyncLocalStorage<string>());

/** What the id of a request may look like: it is written into statements and logs as it is. */
const ID = /^[\w-]{8,64}$/;

export const isRequestId = (given: string | null): given is string => given !== null && ID.test(given);

/** Does work for a request: what it logs and what it asks of the database says for which. */
export function inRequest<T>(id: string, work: () => T): T {
  if (!isRequestId(id)) throw new Error('not the id of a request');
  return current.run(id, work);
}

/** The request that is worked for; undefined where it is for none, as when the server starts. */
export const requestNow = (): string | undefined => current.getStore();

/** A statement that says in the lists of the database (running, slow, failed) for which request it is. */
export function saysFor(statement: string): string {
  const id = requestNow();
  return id === undefined ? statement : `/* request ${id} */ ${statement}`;
}
