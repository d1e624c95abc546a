import { eq, inArray, sql } from 'drizzle-orm';
import type { Accessory, Adaptor, Family } from '@/core/catalogue';
import type { Tx } from '../connection';
import { catalogueImport, familyRevision, partRevision } from '../schema';

export interface StoredFamily {
  readonly id: number;
  readonly family: Family;
  readonly planOnly: boolean;
}

export interface StoredCatalogue {
  readonly families: readonly StoredFamily[];
  readonly adaptors: readonly Adaptor[];
  readonly accessories: readonly Accessory[];
}

// A revision never changes once it is stored, so what was parsed once may be kept.
const parsed = new Map<string, StoredFamily>();
const KEPT = 500;

function storedFamily(row: { id: number; hash: string; body: string; planOnly: number }): StoredFamily {
  const key = `${row.id} ${row.hash}`;
  const known = parsed.get(key);
  if (known) return known;
  const stored = { id: row.id, family: JSON.parse(row.body) as Family, planOnly: row.planOnly === 1 };
  if (parsed.size >= KEPT) parsed.clear();
  parsed.set(key, stored);
  return stored;
}

/** The newest revision of every family and part. What is stored was validated when it came in. */
export async function loadCatalogue(tx: Tx): Promise<StoredCatalogue> {
  const newest = await tx
    .select({ id: sql<number>`MAX(${familyRevision.id})` })
    .from(familyRevision)
    .groupBy(familyRevision.code);
  const ids = newest.map((r) => r.id);
  const families =
    ids.length === 0
      ? []
      : await tx
          .select()
          .from(familyRevision)
          .where(inArray(familyRevision.id, ids))
          .orderBy(familyRevision.code);
  const parts = await tx.select().from(partRevision).orderBy(partRevision.id);
  const adaptors = new Map<string, Adaptor>();
  const accessories = new Map<string, Accessory>();
  for (const part of parts) {
    if (part.kind === 'adaptor') adaptors.set(part.partNumber, JSON.parse(part.body) as Adaptor);
    else accessories.set(part.partNumber, JSON.parse(part.body) as Accessory);
  }
  return {
    families: families.map(storedFamily),
    adaptors: [...adaptors.values()],
    accessories: [...accessories.values()],
  };
}

export async function findFamilyRevision(tx: Tx, id: number): Promise<StoredFamily | null> {
  const [row] = await tx.select().from(familyRevision).where(eq(familyRevision.id, id));
  return row ? storedFamily(row) : null;
}

export async function listFamilyRevisions(tx: Tx) {
  return tx
    .select({
      id: familyRevision.id,
      code: familyRevision.code,
      revision: familyRevision.revision,
      hash: familyRevision.hash,
    })
    .from(familyRevision);
}

export async function findImport(tx: Tx, hash: string): Promise<number | null> {
  const [row] = await tx
    .select({ id: catalogueImport.id })
    .from(catalogueImport)
    .where(eq(catalogueImport.hash, hash));
  return row?.id ?? null;
}

export async function insertImport(tx: Tx, row: typeof catalogueImport.$inferInsert): Promise<number> {
  const [result] = await tx.insert(catalogueImport).values(row);
  return result.insertId;
}

export async function insertFamilyRevision(tx: Tx, row: typeof familyRevision.$inferInsert): Promise<void> {
  await tx.insert(familyRevision).values(row);
}

/** A part with the same figures as before is the same part: nothing is stored twice. */
export async function insertPartRevision(tx: Tx, row: typeof partRevision.$inferInsert): Promise<void> {
  await tx
    .insert(partRevision)
    .values(row)
    .onDuplicateKeyUpdate({ set: { hash: sql`hash` } });
}
