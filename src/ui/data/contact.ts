import type { Contact } from '@/core/kept-work';
import { noteServerTime } from '../common/server-clock';

const KEY = 'ac_contact';

let reached = true;
const listeners = new Set<() => void>();

function setReached(now: boolean): void {
  if (reached === now) return;
  reached = now;
  for (const listener of listeners) listener();
}

/** Is the server there, as far as this window knows? It is taken to be until it does not answer. */
export const inReach = (): boolean => reached;
export const subscribeReach = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};
/** It did not answer. The next answer to anything says that it is back. */
export const lostContact = (): void => setReached(false);

/** Remembers when the server was last heard: the same moment by both clocks. */
export function noteContact(answer: Response): void {
  setReached(true);
  const said = Date.parse(answer.headers.get('date') ?? '');
  if (Number.isNaN(said)) return;
  noteServerTime(said, Date.now());
  if (typeof localStorage === 'undefined') return;
  const contact: Contact = {
    server: new Date(said).toISOString(),
    device: new Date().toISOString(),
  };
  try {
    localStorage.setItem(KEY, JSON.stringify(contact));
  } catch {
    // A browser that stores nothing keeps no work either, and says so when it is asked to.
  }
}

/** When this device last heard of the server; null when it never did. */
export function lastContact(): Contact | null {
  try {
    const found = JSON.parse(localStorage.getItem(KEY) ?? 'null') as unknown;
    if (typeof found !== 'object' || found === null) return null;
    const { server, device } = found as Record<string, unknown>;
    return typeof server === 'string' && typeof device === 'string' ? { server, device } : null;
  } catch {
    return null;
  }
}
