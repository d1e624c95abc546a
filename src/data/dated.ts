import { AsyncLocalStorage } from 'node:async_hooks';

// One for the process, as for the id of a request.
const holder = globalThis as typeof globalThis & { amberCollarDated?: AsyncLocalStorage<true> };
const current = (holder.amberCollarDated ??= new AsyncLocalStorage<true>());

/**
 * Work that may be answered by a node which has lost the others: it reads what that node last knew. Whoever shows it says of when it is (`lastHeard`). Nothing can
 * be written in it.
 */
export const inDated = <T>(work: () => T): T => current.run(true, work);

export const isDated = (): boolean => current.getStore() === true;
