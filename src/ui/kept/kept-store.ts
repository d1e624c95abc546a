import type { KeptDeed } from '@/core/kept-work';
import { subjectKey } from '@/core/kept-work';
import { allDeeds, dropDeeds, putDeed, type StoredDeed } from './kept-db';

// What this device keeps, as all windows of it see it.

let shown: readonly StoredDeed[] = [];
const listeners = new Set<() => void>();
/** On their way to the server from this window: the bench waits for the answer before it goes on. */
const underWay = new Set<number>();
let channel: BroadcastChannel | null = null;
let reading: Promise<void> | null = null;

function tell(): void {
  for (const listener of listeners) listener();
}

/** Reads the store anew: another window may have written. */
export async function readKept(): Promise<readonly StoredDeed[]> {
  shown = (await allDeeds()).filter((d) => !underWay.has(d.n));
  tell();
  return shown;
}

/** After a write of this window: itself, then the others. */
async function changed(): Promise<void> {
  await readKept();
  channel?.postMessage('changed');
}

export function subscribeKept(listener: () => void): () => void {
  listeners.add(listener);
  if (channel === null && typeof BroadcastChannel !== 'undefined') {
    channel = new BroadcastChannel('ac_kept');
    channel.addEventListener('message', () => void readKept().catch(() => undefined));
  }
  // A browser that keeps nothing has nothing kept; that nothing can be kept is said where something is to be.
  reading ??= readKept().then(
    () => undefined,
    () => undefined,
  );
  return () => listeners.delete(listener);
}

export const shownKept = (): readonly StoredDeed[] => shown;

/** Keeps a deed. `sent`: it is on its way to the server already, and does not count as kept unless that fails. Returns its number. */
export async function keep(deed: KeptDeed, sent: boolean): Promise<number> {
  const n = await putDeed({ ...deed, key: subjectKey(deed.subject), since: Date.now() });
  if (sent) underWay.add(n);
  else await changed();
  return n;
}

/** No answer came: it counts as kept from now on. */
export async function nowKept(n: number): Promise<void> {
  underWay.delete(n);
  await changed();
}

/** The server has them, or somebody has decided against them. */
export async function drop(numbers: readonly number[]): Promise<void> {
  await dropDeeds(numbers);
  for (const n of numbers) underWay.delete(n);
  await changed();
}
