import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { CrossingView } from '@/core/crossing';
import type { KeptDeed } from '@/core/kept-work';
import type { Person, SubjectRef } from '@/core/record';
import type { TerminationView } from '@/core/termination-view';

type Of<K extends SubjectRef['kind'], V> = {
  readonly subject: Extract<SubjectRef, { readonly kind: K }>;
  readonly view: V;
};

/** A subject that this device has with it: as the server showed it last. */
export type Along = (Of<'termination', TerminationView> | Of<'crossing', CrossingView>) & {
  readonly key: string;
  /** By the clock of this device, ms. */
  readonly seenAt: number;
  /** Who had it on the screen: what is done to it without a server is done by them. */
  readonly person: Person;
};

/** A deed in the store. Its number is its place in the order in which things were done. */
export interface StoredDeed extends KeptDeed {
  readonly n: number;
  readonly key: string;
  /** When it was put here, by the clock of this device, ms. */
  readonly since: number;
}

interface Store extends DBSchema {
  along: { key: string; value: Along };
  kept: { key: number; value: Omit<StoredDeed, 'n'> & { n?: number } };
}

/** Raised when what is shown of a subject changes its shape: it is taken along anew then, while what was done stays. */
const VERSION = 1;
let opening: Promise<IDBPDatabase<Store>> | null = null;

function store(): Promise<IDBPDatabase<Store>> {
  opening ??= openDB<Store>('amber-collar', VERSION, {
    upgrade(db) {
      if (db.objectStoreNames.contains('along')) db.deleteObjectStore('along');
      db.createObjectStore('along', { keyPath: 'key' });
      if (!db.objectStoreNames.contains('kept'))
        db.createObjectStore('kept', { keyPath: 'n', autoIncrement: true });
    },
    // Another window wants the new shape: this one opens it again when it needs it.
    blocking: (_, __, event) => {
      (event.target as IDBDatabase).close();
      opening = null;
    },
    terminated: () => {
      opening = null;
    },
  }).catch((error: unknown) => {
    opening = null;
    throw error;
  });
  return opening;
}

/** Written to the disk when it returns, so that a battery that dies then loses nothing. */
export async function putDeed(deed: Omit<StoredDeed, 'n'>): Promise<number> {
  const tx = (await store()).transaction('kept', 'readwrite', { durability: 'strict' });
  const n = await tx.store.add(deed);
  await tx.done;
  return n;
}

export async function dropDeeds(numbers: readonly number[]): Promise<void> {
  const tx = (await store()).transaction('kept', 'readwrite', { durability: 'strict' });
  await Promise.all([...numbers.map((n) => tx.store.delete(n)), tx.done]);
}

/** Gives deeds another base: what was done before them is in the record now. */
export async function rebase(numbers: readonly number[], base: KeptDeed['base']): Promise<void> {
  const tx = (await store()).transaction('kept', 'readwrite', { durability: 'strict' });
  for (const n of numbers) {
    const deed = await tx.store.get(n);
    if (deed !== undefined) await tx.store.put({ ...deed, base });
  }
  await tx.done;
}

/** Everything that is kept, in the order in which it was done. */
export async function allDeeds(): Promise<StoredDeed[]> {
  const found = await (await store()).getAll('kept');
  return found.flatMap((d) => (d.n === undefined ? [] : [{ ...d, n: d.n }])).sort((a, b) => a.n - b.n);
}

export const putAlong = async (along: Along): Promise<void> => {
  await (await store()).put('along', along);
};
export const getAlong = async (key: string): Promise<Along | null> =>
  (await (await store()).get('along', key)) ?? null;
export const allAlong = async (): Promise<Along[]> => (await store()).getAll('along');
export const dropAlong = async (keys: readonly string[]): Promise<void> => {
  const db = await store();
  await Promise.all(keys.map((key) => db.delete('along', key)));
};
