import { and, eq, inArray, sql } from 'drizzle-orm';
import { unionAll } from 'drizzle-orm/mysql-core';
import { hashOf } from '@/core/kernel';
import {
  compareCameIn,
  isLaterSheet,
  missingForProcedure,
  revisionFaultWords,
  type Accessory,
  type Adaptor,
  type CameIn,
  type Compound,
  type Family,
  type FrameSheet,
  type RevisionFault,
  type SealSheets,
} from '@/core/catalogue';
import { rememberCameIn, rememberedCameIn } from '../came-in';
import { database, type Tx } from '../connection';
import { prepared } from '../prepared';
import { UnreadableRow } from '../stored';
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
  /** Every revision of every family, oldest first; of those too that the job does not use. */
  readonly revisions: readonly Family[];
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

// A revision never changes once it is stored, and its hash stands beside it: what was read of it once may be kept.
const families = new Map<string, IssuedFamily>();
const parts = new Map<string, StoredPart>();
const catalogues = new Map<string, StoredCatalogue>();
const KEPT = 2000;
const KEPT_CATALOGUES = 8;

interface IssuedFamily extends StoredFamily {
  readonly code: string;
  readonly issued: string;
}

interface PartValues {
  readonly adaptor: Adaptor;
  readonly accessory: Accessory;
  readonly compound: Compound;
  readonly frameSheet: FrameSheet;
  readonly plugSheet: SealSheets['plugSheets'][number];
  readonly sleeveSheet: SealSheets['sleeveSheets'][number];
  readonly wrapSheet: SealSheets['wrapSheets'][number];
}
type PartKind = keyof PartValues;
interface PartOf<K extends PartKind> {
  readonly kind: K;
  readonly value: PartValues[K];
}
type StoredPart = { readonly [K in PartKind]: PartOf<K> }[PartKind];

const PARTS: { readonly [K in PartKind]: (body: string, id: number) => PartOf<K> } = {
  adaptor: (body, id) => ({ kind: 'adaptor', value: ADAPTOR.parse(body, id) }),
  accessory: (body, id) => ({ kind: 'accessory', value: ACCESSORY.parse(body, id) }),
  compound: (body, id) => ({ kind: 'compound', value: COMPOUND.parse(body, id) }),
  frameSheet: (body, id) => ({ kind: 'frameSheet', value: FRAME_SHEET.parse(body, id) }),
  plugSheet: (body, id) => ({ kind: 'plugSheet', value: PLUG_SHEET.parse(body, id) }),
  sleeveSheet: (body, id) => ({ kind: 'sleeveSheet', value: SLEEVE_SHEET.parse(body, id) }),
  wrapSheet: (body, id) => ({ kind: 'wrapSheet', value: WRAP_SHEET.parse(body, id) }),
};

interface Named {
  readonly id: number;
  readonly hash: string;
}
const nameOf = ({ id, hash }: Named): string => `${id} ${hash}`;

/** What these rows hold, in their order; only what is not known yet is read from the database. */
async function known<T>(
  rows: readonly Named[],
  kept: Map<string, T>,
  read: (ids: readonly number[]) => Promise<readonly (readonly [Named, T])[]>,
): Promise<T[]> {
  const unknown = rows.filter((row) => !kept.has(nameOf(row)));
  if (kept.size + unknown.length > KEPT) kept.clear();
  const missing = rows.filter((row) => !kept.has(nameOf(row))).map((row) => row.id);
  if (missing.length > 0) for (const [row, value] of await read(missing)) kept.set(nameOf(row), value);
  return rows.flatMap((row) => kept.get(nameOf(row)) ?? []);
}

const familyName = ({ code, revision }: { readonly code: string; readonly revision: string }): string =>
  `${code} revision ${revision}`;

const notAsItCameIn = (of: Pick<CameIn, 'kind' | 'name'>): UnreadableRow =>
  new UnreadableRow(
    'the catalogue',
    `${revisionFaultWords({ ...of, fault: 'changed' })}. Nothing is chosen, planned or confirmed until it is as it was: tell an administrator`,
  );

/** Are these the figures whose hash was written beside them when they came in? What is no JSON is none. */
function hasItsFigures({ body, hash }: { readonly body: string; readonly hash: string }): boolean {
  try {
    return hashOf(JSON.parse(body)) === hash;
  } catch {
    return false;
  }
}

function storedFamily(row: typeof familyRevision.$inferSelect): IssuedFamily {
  const before = families.get(nameOf(row));
  if (before !== undefined) return before;
  if (!hasItsFigures(row)) throw notAsItCameIn({ kind: 'family', name: familyName(row) });
  const family = FAMILY.parse(row.body, row.id);
  // Asked anew and not read from the import: what this release can carry out may be more than the one that imported it could.
  const planOnly = missingForProcedure(family).length > 0;
  const stored = { id: row.id, family, planOnly, code: row.code, issued: family.sheet.issued };
  families.set(nameOf(row), stored);
  return stored;
}

const readFamilies = (tx: Tx) => async (ids: readonly number[]) => {
  const rows = await tx
    .select()
    .from(familyRevision)
    .where(inArray(familyRevision.id, [...ids]));
  return rows.map((row) => [row, storedFamily(row)] as const);
};

const readParts = (tx: Tx) => async (ids: readonly number[]) => {
  const rows = await tx
    .select()
    .from(partRevision)
    .where(inArray(partRevision.id, [...ids]));
  return rows.map((row) => {
    if (!hasItsFigures(row)) throw notAsItCameIn({ kind: row.kind, name: row.partNumber });
    return [row, PARTS[row.kind](row.body, row.id)] as const;
  });
};

/** Of each name the one whose sheet was issued last; of one date the one that came in last. */
function newest<T>(
  all: readonly T[],
  code: (one: T) => string,
  sheet: (one: T) => { readonly issued: string },
) {
  const found = new Map<string, T>();
  for (const one of all) {
    const before = found.get(code(one));
    if (before === undefined || isLaterSheet(sheet(one), sheet(before))) found.set(code(one), one);
  }
  return [...found.values()];
}

const ofKind = <K extends PartKind>(all: readonly StoredPart[], kind: K): PartValues[K][] =>
  all.filter((p): p is StoredPart & PartOf<K> => p.kind === kind).map((p) => p.value);

const sheetsOf = (all: readonly StoredPart[]): CrossingSheets => ({
  frames: ofKind(all, 'frameSheet'),
  seals: {
    plugSheets: ofKind(all, 'plugSheet'),
    sleeveSheets: ofKind(all, 'sleeveSheet'),
    wrapSheets: ofKind(all, 'wrapSheet'),
  },
});

/** What there is, in one question, since it is asked at every step of a bench. */
const allRevisions = prepared((tx) =>
  unionAll(
    tx
      .select({ id: familyRevision.id, hash: familyRevision.hash, of: sql<string>`'family'` })
      .from(familyRevision),
    tx.select({ id: partRevision.id, hash: partRevision.hash, of: sql<string>`'part'` }).from(partRevision),
  ),
);

/** The same with names and figures. */
async function namedRevisions(tx: Tx): Promise<(CameIn & { readonly body: string })[]> {
  return [
    ...(await tx.select().from(familyRevision)).map((row) => ({
      ...row,
      kind: 'family',
      name: familyName(row),
    })),
    ...(await tx.select().from(partRevision)).map((row) => ({ ...row, name: row.partNumber })),
  ];
}

/**
 * What there is of the catalogue. Throws where something does not stand there as it came in: nothing is chosen from a catalogue that somebody has changed.
 * What is new is remembered as it is, unless it is read in a transaction, which may still be taken back.
 */
async function listRevisions(tx: Tx): Promise<{ readonly families: Named[]; readonly parts: Named[] }> {
  // Remembered first: what is remembered was written before, and so is in what is read after.
  const remembered = rememberedCameIn();
  const rows = await allRevisions(tx, {});
  const there = new Set(rows.map((row) => row.hash));
  if (there.size !== remembered.hashes.size || rows.some((row) => !remembered.hashes.has(row.hash))) {
    const { faults, fresh } = compareCameIn(remembered.all, await namedRevisions(tx));
    const changed = faults.find((f) => f.fault === 'changed');
    if (changed !== undefined) throw notAsItCameIn(changed);
    if (fresh.length > 0 && tx === database()) rememberCameIn(fresh);
  }
  const sorted = rows.sort((a, b) => a.id - b.id);
  return {
    families: sorted.filter((r) => r.of === 'family'),
    parts: sorted.filter((r) => r.of === 'part'),
  };
}

/** What came into the catalogue and does not stand there any more as it came in; read anew, also where this process knows figures of before. */
export async function revisionFaults(tx: Tx): Promise<readonly RevisionFault[]> {
  const { all } = rememberedCameIn();
  const rows = await namedRevisions(tx);
  const { faults } = compareCameIn(all, rows);
  const named = new Set(faults.map(({ kind, name }) => `${kind} ${name}`));
  return [
    ...rows
      .filter((row) => !hasItsFigures(row) && !named.has(`${row.kind} ${row.name}`))
      .map(({ kind, name }) => ({ kind, name, fault: 'changed' as const })),
    ...faults,
  ];
}

/**
 * The revision in force of every family, or of those that a job uses, and the newest of every part. What is stored was validated when it came in.
 * As long as nothing came in, it is the same object.
 */
export async function loadCatalogue(
  tx: Tx,
  inUse: readonly string[] | null = null,
): Promise<StoredCatalogue> {
  const { families: familyRows, parts: partRows } = await listRevisions(tx);
  const key = JSON.stringify([inUse, familyRows.map(nameOf), partRows.map(nameOf)]);
  const before = catalogues.get(key);
  if (before !== undefined) return before;
  const revisions = await known(familyRows, families, readFamilies(tx));
  const inForce = newest(
    revisions,
    (f) => f.code,
    (f) => f,
  );
  const all = await known(partRows, parts, readParts(tx));
  const { frames, seals } = sheetsOf(all);
  const catalogue: StoredCatalogue = {
    families: inForce
      .filter((f) => inUse === null || inUse.includes(f.code))
      .sort((a, b) => (a.code < b.code ? -1 : 1)),
    revisions: revisions.map((r) => r.family),
    // Later figures of a part take the place of its first ones.
    adaptors: [...new Map(ofKind(all, 'adaptor').map((a) => [a.partNumber, a])).values()],
    accessories: [...new Map(ofKind(all, 'accessory').map((a) => [a.partNumber, a])).values()],
    compounds: newest(
      ofKind(all, 'compound'),
      (c) => c.product,
      (c) => c.sheet,
    ),
    frameSheets: frames,
    seals,
  };
  const [oldest] = catalogues.keys();
  if (catalogues.size >= KEPT_CATALOGUES && oldest !== undefined) catalogues.delete(oldest);
  catalogues.set(key, catalogue);
  return catalogue;
}

/** Every revision of every sheet that crossings stand on, oldest first. */
export async function loadCrossingSheets(tx: Tx): Promise<CrossingSheets> {
  const { parts: rows } = await listRevisions(tx);
  return sheetsOf(await known(rows, parts, readParts(tx)));
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
