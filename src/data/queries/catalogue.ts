import { and, eq, inArray, sql } from 'drizzle-orm';
import {
  isLaterSheet,
  missingForProcedure,
  type Accessory,
  type Adaptor,
  type Compound,
  type Family,
  type FrameSheet,
  type SealSheets,
} from '@/core/catalogue';
import type { Tx } from '../connection';
import {
  ACCESSORY,
  ADAPTOR,
  COMPOUND,
  FAMILY,
  FRAME_SHEET,
  PLUG_SHEET,
  SLEEVE_SHEET,
  WRAP_SHEET,
} from '../stored-kinds';
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
  /** Of each compound the sheet that was issued last. */
  readonly compounds: readonly Compound[];
  /** Every revision of every sheet of transit frames, as they came in: crossings stand on the one they name. */
  readonly frameSheets: readonly FrameSheet[];
  /** The same of the sheets of soft seals. */
  readonly seals: SealSheets;
}

/** Every sheet that a crossing can stand on, every revision, oldest first. */
export interface CrossingSheets {
  readonly frames: readonly FrameSheet[];
  readonly seals: SealSheets;
}

// A revision never changes once it is stored, so what was parsed once may be kept.
const parsed = new Map<string, StoredFamily>();
const KEPT = 500;

function storedFamily(row: { id: number; hash: string; body: string }): StoredFamily {
  const key = `${row.id} ${row.hash}`;
  const known = parsed.get(key);
  if (known) return known;
  const family = FAMILY.parse(row.body, row.id);
  // Asked anew and not read from the import: what this release can carry out may be more than the one that imported it could.
  const stored = { id: row.id, family, planOnly: missingForProcedure(family).length > 0 };
  if (parsed.size >= KEPT) parsed.clear();
  parsed.set(key, stored);
  return stored;
}

/** Ids of the revisions in force: of each family the one whose sheet was issued last, of one date the one that came in last. */
async function familiesInForce(tx: Tx): Promise<number[]> {
  const all = await tx
    .select({
      id: familyRevision.id,
      code: familyRevision.code,
      issued: sql<string>`JSON_VALUE(${familyRevision.body}, '$.sheet.issued')`,
    })
    .from(familyRevision)
    .orderBy(familyRevision.id);
  const newest = new Map<string, { id: number; issued: string }>();
  for (const row of all) {
    const known = newest.get(row.code);
    if (known === undefined || isLaterSheet(row, known)) newest.set(row.code, row);
  }
  return [...newest.values()].map((r) => r.id);
}

/** The revision in force of every family, or of those that a job uses, and the newest of every part. What is stored was validated when it came in. */
export async function loadCatalogue(
  tx: Tx,
  inUse: readonly string[] | null = null,
): Promise<StoredCatalogue> {
  const ids = await familiesInForce(tx);
  const families =
    ids.length === 0
      ? []
      : await tx
          .select()
          .from(familyRevision)
          .where(inArray(familyRevision.id, ids))
          .orderBy(familyRevision.code);
  const parts = await tx
    .select()
    .from(partRevision)
    .where(inArray(partRevision.kind, ['adaptor', 'accessory', 'compound']))
    .orderBy(partRevision.id);
  const adaptors = new Map<string, Adaptor>();
  const accessories = new Map<string, Accessory>();
  const compounds = new Map<string, Compound>();
  for (const part of parts) {
    if (part.kind === 'adaptor') adaptors.set(part.partNumber, ADAPTOR.parse(part.body, part.partNumber));
    else if (part.kind === 'accessory')
      accessories.set(part.partNumber, ACCESSORY.parse(part.body, part.partNumber));
    else {
      const compound = COMPOUND.parse(part.body, part.partNumber);
      const known = compounds.get(compound.product);
      if (known === undefined || isLaterSheet(compound.sheet, known.sheet))
        compounds.set(compound.product, compound);
    }
  }
  return {
    families: families.filter((f) => inUse === null || inUse.includes(f.code)).map(storedFamily),
    adaptors: [...adaptors.values()],
    accessories: [...accessories.values()],
    compounds: [...compounds.values()],
    ...(await sheetsOf(tx)),
  };
}

const SHEET_KINDS = ['frameSheet', 'plugSheet', 'sleeveSheet', 'wrapSheet'] as const;

/** Every revision of every sheet that crossings stand on, oldest first. */
export async function loadCrossingSheets(tx: Tx): Promise<CrossingSheets> {
  const rows = await tx
    .select({ id: partRevision.id, kind: partRevision.kind, body: partRevision.body })
    .from(partRevision)
    .where(inArray(partRevision.kind, [...SHEET_KINDS]))
    .orderBy(partRevision.id);
  const read = <T>(
    kind: (typeof SHEET_KINDS)[number],
    by: { readonly parse: (text: string, where: number) => T },
  ) => rows.filter((r) => r.kind === kind).map((r) => by.parse(r.body, r.id));
  return {
    frames: read('frameSheet', FRAME_SHEET),
    seals: {
      plugSheets: read('plugSheet', PLUG_SHEET),
      sleeveSheets: read('sleeveSheet', SLEEVE_SHEET),
      wrapSheets: read('wrapSheet', WRAP_SHEET),
    },
  };
}

async function sheetsOf(tx: Tx): Promise<Pick<StoredCatalogue, 'frameSheets' | 'seals'>> {
  const { frames, seals } = await loadCrossingSheets(tx);
  return { frameSheets: frames, seals };
}

/** Every revision of one family, oldest first. */
export async function loadRevisionsOf(tx: Tx, code: string): Promise<Family[]> {
  const rows = await tx
    .select()
    .from(familyRevision)
    .where(eq(familyRevision.code, code))
    .orderBy(familyRevision.id);
  return rows.map((row) => storedFamily(row).family);
}

export async function findFamilyRevision(tx: Tx, id: number): Promise<StoredFamily | null> {
  const [row] = await tx.select().from(familyRevision).where(eq(familyRevision.id, id));
  return row ? storedFamily(row) : null;
}

/** The id of a sheet by its family and revision; null when it is not here. */
export async function findRevision(tx: Tx, code: string, revision: string): Promise<number | null> {
  const [row] = await tx
    .select({ id: familyRevision.id })
    .from(familyRevision)
    .where(and(eq(familyRevision.code, code), eq(familyRevision.revision, revision)));
  return row?.id ?? null;
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
  const [there] = await tx
    .select({ id: partRevision.id })
    .from(partRevision)
    .where(and(eq(partRevision.partNumber, row.partNumber), eq(partRevision.hash, row.hash)));
  if (there === undefined) await tx.insert(partRevision).values(row);
}
