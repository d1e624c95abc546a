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

/** A photo that was taken here, until the server has it and the step that names it. */
export interface StoredPhoto {
  /** SHA-256 of its bytes: what the record names it by. */
  readonly hash: string;
  readonly job: string;
  /** Subject and step that it was taken at; empty once a kept deed names it. */
  readonly at: string;
  readonly bytes: Uint8Array<ArrayBuffer>;
  readonly takenAt: number;
}

/** An event that this device has recorded: the record's id of it. */
interface Sent {
  readonly id: string;
  readonly key: string;
  /** ms. */
  readonly at: number;
}

interface Store extends DBSchema {
  sent: { key: string; value: Sent };
  photos: { key: string; value: StoredPhoto };
  along: { key: string; value: Along };
  kept: { key: number; value: Omit<StoredDeed, 'n'> & { n?: number } };
}

/** Raised when what is shown of a subject changes its shape: it is taken along anew then, while what was done stays. */
const VERSION = 3;
let opening: Promise<IDBPDatabase<Store>> | null = null;

function store(): Promise<IDBPDatabase<Store>> {
  opening ??= openDB<Store>('amber-collar', VERSION, {
    upgrade(db) {
      if (db.objectStoreNames.contains('along')) db.deleteObjectStore('along');
      db.createObjectStore('along', { keyPath: 'key' });
      if (!db.objectStoreNames.contains('kept'))
        db.createObjectStore('kept', { keyPath: 'n', autoIncrement: true });
      if (!db.objectStoreNames.contains('sent')) db.createObjectStore('sent', { keyPath: 'id' });
      if (!db.objectStoreNames.contains('photos')) db.createObjectStore('photos', { keyPath: 'hash' });
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

/** Longer than any device is without a server. */
const SENT_DAYS = 30;
const MOST_SENT = 200;

/** Remembers what is in the record by this device, before it is dropped here. */
export async function putSent(key: string, ids: readonly string[]): Promise<void> {
  const now = Date.now();
  const tx = (await store()).transaction('sent', 'readwrite', { durability: 'strict' });
  for (const old of await tx.store.getAll())
    if (now - old.at > SENT_DAYS * 86_400_000) await tx.store.delete(old.id);
  await Promise.all([...ids.map((id) => tx.store.put({ id, key, at: now })), tx.done]);
}

/** What this device has recorded of a subject, the newest first. */
export async function sentOf(key: string): Promise<string[]> {
  const all = await (await store()).getAll('sent');
  return all
    .filter((s) => s.key === key)
    .sort((a, b) => b.at - a.at)
    .slice(0, MOST_SENT)
    .map((s) => s.id);
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

export async function putPhoto(photo: StoredPhoto): Promise<void> {
  const tx = (await store()).transaction('photos', 'readwrite', { durability: 'strict' });
  await Promise.all([tx.store.put(photo), tx.done]);
}

/** What was taken at a step and has not gone into the record yet, in the order in which it was taken. */
export async function photosAt(at: string): Promise<StoredPhoto[]> {
  const all = await (await store()).getAll('photos');
  return all.filter((p) => p.at === at).sort((a, b) => a.takenAt - b.takenAt);
}

/** They go with a deed that is kept: no other step offers them again. */
export async function spendPhotos(hashes: readonly string[]): Promise<void> {
  const tx = (await store()).transaction('photos', 'readwrite', { durability: 'strict' });
  for (const hash of hashes) {
    const photo = await tx.store.get(hash);
    if (photo !== undefined) await tx.store.put({ ...photo, at: '' });
  }
  await tx.done;
}

export const getPhoto = async (hash: string): Promise<StoredPhoto | null> =>
  (await (await store()).get('photos', hash)) ?? null;

export async function dropPhotos(hashes: readonly string[]): Promise<void> {
  const db = await store();
  await Promise.all(hashes.map((h) => db.delete('photos', h)));
}
