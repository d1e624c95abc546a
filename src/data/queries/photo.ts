import { and, eq, inArray } from 'drizzle-orm';
import { isDuplicate, type Tx } from '../connection';
import { photo } from '../schema';

export type PhotoRow = typeof photo.$inferInsert;

/** Keeps a photo; one that is there already stays as it is. */
export async function insertPhoto(tx: Tx, row: PhotoRow): Promise<void> {
  try {
    await tx.insert(photo).values(row);
  } catch (error) {
    if (!isDuplicate(error)) throw error;
  }
}

export async function findPhoto(tx: Tx, jobId: number, hash: string): Promise<Uint8Array | null> {
  const [row] = await tx
    .select({ bytes: photo.bytes })
    .from(photo)
    .where(and(eq(photo.jobId, jobId), eq(photo.hash, hash)));
  return row?.bytes ?? null;
}

/** Which of these photos a job has. */
export async function photosThere(tx: Tx, jobId: number, hashes: readonly string[]): Promise<Set<string>> {
  if (hashes.length === 0) return new Set();
  const rows = await tx
    .select({ hash: photo.hash })
    .from(photo)
    .where(and(eq(photo.jobId, jobId), inArray(photo.hash, [...hashes])));
  return new Set(rows.map((r) => r.hash));
}
