import { and, count, eq, getTableColumns, inArray, isNull, sql } from 'drizzle-orm';
import { worthOf, type Worth } from '@/core/instrument';
import { type CableType, type CodeProfile, type Enclosure, type Entry } from '@/core/schedule';
import { array, object, string } from 'yup';
import type { Tx } from '../connection';
import { prepared } from '../prepared';
import { bySchema, storedJson } from '../stored';
import { CABLE_TYPE, ENCLOSURE, ENTRY, PROFILE } from '../stored-kinds';
import { cable, cableType, enclosure, entry, job, termination } from '../schema';

export interface JobRow {
  readonly id: number;
  readonly slug: string;
  readonly name: string;
  readonly unit: 'mm' | 'in';
  readonly secondPerson: boolean;
  readonly profile: CodeProfile;
  readonly place: string;
  /** Families of the catalogue that are chosen from; null for all. */
  readonly families: readonly string[] | null;
  readonly archivedAt: Date | null;
  readonly version: number;
  /** What its register says of instruments, of those too that were taken out since: readings stand that were taken with them. */
  readonly worth: readonly Worth[];
}

const FAMILIES = storedJson(
  'families of job',
  bySchema(array().of(string().max(10).required()).max(500).required()),
  50,
);

const worthSchema = array()
  .of(object({ code: string().defined(), uncertainty: string().defined() }).required())
  .required();
const WORTH = storedJson('register of job', bySchema(worthSchema), 100);

// Read with the job, since every reading is judged by it.
// Written out: of a select from one table the columns are named without it, and two tables are meant here.
const register = sql<string | null>`(
  SELECT JSON_ARRAYAGG(JSON_OBJECT('code', i.code, 'uncertainty', JSON_VALUE(i.facts, '$.uncertainty')) ORDER BY i.id)
  FROM instrument i WHERE i.job_id = job.id)`;
const columns = { ...getTableColumns(job), register };

const jobRow = ({
  register: found,
  ...row
}: typeof job.$inferSelect & { register: string | null }): JobRow => ({
  ...row,
  worth: found === null ? [] : worthOf(WORTH.parse(found, row.slug)),
  secondPerson: row.secondPerson === 1,
  profile: PROFILE.parse(row.profile, row.slug),
  families: row.families === null ? null : FAMILIES.parse(row.families, row.slug),
});

export async function listJobs(tx: Tx): Promise<JobRow[]> {
  return (await tx.select(columns).from(job).orderBy(job.name)).map(jobRow);
}

const bySlug = prepared((tx) =>
  tx
    .select(columns)
    .from(job)
    .where(eq(job.slug, sql.placeholder('slug'))),
);

export async function findJob(tx: Tx, slug: string): Promise<JobRow | null> {
  const [row] = await bySlug(tx, { slug });
  return row ? jobRow(row) : null;
}

export async function insertJob(tx: Tx, row: typeof job.$inferInsert): Promise<number> {
  const [result] = await tx.insert(job).values(row);
  return result.insertId;
}

export async function insertCableType(tx: Tx, jobId: number, facts: CableType): Promise<number> {
  const [result] = await tx
    .insert(cableType)
    .values({ jobId, code: facts.code, facts: JSON.stringify(facts) });
  return result.insertId;
}

export async function listCableTypes(
  tx: Tx,
  jobId: number,
): Promise<{ id: number; code: string; version: number; facts: CableType }[]> {
  const rows = await tx
    .select()
    .from(cableType)
    .where(and(eq(cableType.jobId, jobId), isNull(cableType.retiredAt)))
    .orderBy(cableType.code);
  return rows.map((r) => ({
    id: r.id,
    code: r.code,
    version: r.version,
    facts: CABLE_TYPE.parse(r.facts, r.code),
  }));
}

export async function insertEnclosure(
  tx: Tx,
  jobId: number,
  area: string,
  facts: Enclosure,
): Promise<number> {
  const [result] = await tx
    .insert(enclosure)
    .values({ jobId, tag: facts.tag, area, facts: JSON.stringify(facts) });
  return result.insertId;
}

export async function insertEntry(tx: Tx, enclosureId: number, facts: Entry): Promise<number> {
  const [result] = await tx
    .insert(entry)
    .values({ enclosureId, label: facts.label, facts: JSON.stringify(facts) });
  return result.insertId;
}

export interface EntryRow {
  readonly id: number;
  readonly enclosure: string;
  readonly label: string;
  readonly area: string;
}

/** Every hole of every box of a job. */
export async function listEntries(tx: Tx, jobId: number): Promise<EntryRow[]> {
  return tx
    .select({ id: entry.id, enclosure: enclosure.tag, label: entry.label, area: enclosure.area })
    .from(entry)
    .innerJoin(enclosure, eq(entry.enclosureId, enclosure.id))
    .where(and(eq(enclosure.jobId, jobId), isNull(enclosure.retiredAt), isNull(entry.retiredAt)))
    .orderBy(enclosure.tag, entry.label);
}

export interface HeldEntry extends EntryRow {
  readonly title: string;
  readonly entry: Entry;
  /** The cable end that goes into it, as `K-101/A`; null while none does. */
  readonly holder: string | null;
}

/** The same with their boxes by name, their holes, and the cable end that each is taken by. */
export async function listHeldEntries(tx: Tx, jobId: number): Promise<HeldEntry[]> {
  const held = tx
    .select({ entryId: termination.entryId, tag: cable.tag, end: termination.end })
    .from(termination)
    .innerJoin(cable, eq(termination.cableId, cable.id))
    .where(and(eq(cable.jobId, jobId), isNull(cable.retiredAt)))
    .as('held');
  const rows = await tx
    .select({
      id: entry.id,
      enclosure: enclosure.tag,
      label: entry.label,
      area: enclosure.area,
      box: enclosure.facts,
      hole: entry.facts,
      tag: held.tag,
      end: held.end,
    })
    .from(entry)
    .innerJoin(enclosure, eq(entry.enclosureId, enclosure.id))
    .leftJoin(held, eq(held.entryId, entry.id))
    .where(and(eq(enclosure.jobId, jobId), isNull(enclosure.retiredAt), isNull(entry.retiredAt)))
    .orderBy(enclosure.tag, entry.label);
  return rows.map(({ box, hole, tag, end, ...row }) => ({
    ...row,
    title: ENCLOSURE.parse(box, row.enclosure).title,
    entry: ENTRY.parse(hole, `${row.enclosure}/${row.label}`),
    holder: tag === null ? null : `${tag}/${end ?? ''}`,
  }));
}

export async function findEntry(tx: Tx, jobId: number, tag: string, label: string): Promise<number | null> {
  const [row] = await tx
    .select({ id: entry.id })
    .from(entry)
    .innerJoin(enclosure, eq(entry.enclosureId, enclosure.id))
    .where(
      and(
        eq(enclosure.jobId, jobId),
        eq(enclosure.tag, tag),
        eq(entry.label, label),
        isNull(enclosure.retiredAt),
        isNull(entry.retiredAt),
      ),
    );
  return row?.id ?? null;
}

/** The cable end that goes into an entry; null while none does. */
export async function entryHolder(
  tx: Tx,
  entryId: number,
): Promise<{ cableId: number; tag: string; end: 'A' | 'B' } | null> {
  const [row] = await tx
    .select({ cableId: cable.id, tag: cable.tag, end: termination.end })
    .from(termination)
    .innerJoin(cable, eq(termination.cableId, cable.id))
    .where(and(eq(termination.entryId, entryId), isNull(cable.retiredAt)));
  return row ?? null;
}

/** Entries of a job that no cable of the schedule goes into, with their boxes. */
export async function listUnusedEntries(
  tx: Tx,
  jobId: number,
): Promise<{ area: string; enclosure: Enclosure; entry: Entry }[]> {
  const rows = await tx
    .select({ id: entry.id, area: enclosure.area, box: enclosure.facts, hole: entry.facts, user: cable.id })
    .from(entry)
    .innerJoin(enclosure, eq(entry.enclosureId, enclosure.id))
    .leftJoin(termination, eq(termination.entryId, entry.id))
    .leftJoin(cable, and(eq(termination.cableId, cable.id), isNull(cable.retiredAt)))
    .where(and(eq(enclosure.jobId, jobId), isNull(enclosure.retiredAt), isNull(entry.retiredAt)))
    .orderBy(enclosure.tag, entry.label);
  const used = new Set(rows.filter((r) => r.user !== null).map((r) => r.id));
  const free = new Map(rows.filter((r) => !used.has(r.id)).map((r) => [r.id, r]));
  return [...free.values()].map((r) => ({
    area: r.area,
    enclosure: ENCLOSURE.parse(r.box, r.id),
    entry: ENTRY.parse(r.hole, r.id),
  }));
}

/** Id of a cable type of a job; the caller has just read it, so that its absence is a bug. */
export async function findCableTypeId(tx: Tx, jobId: number, code: string): Promise<number> {
  const [row] = await tx
    .select({ id: cableType.id })
    .from(cableType)
    .where(and(eq(cableType.jobId, jobId), eq(cableType.code, code), isNull(cableType.retiredAt)));
  if (!row) throw new Error(`no cable type ${code}`);
  return row.id;
}

/** Id of a box of a job, likewise. */
export async function findEnclosureId(tx: Tx, jobId: number, tag: string): Promise<number> {
  const [row] = await tx
    .select({ id: enclosure.id })
    .from(enclosure)
    .where(and(eq(enclosure.jobId, jobId), eq(enclosure.tag, tag), isNull(enclosure.retiredAt)));
  if (!row) throw new Error(`no enclosure ${tag}`);
  return row.id;
}

/** A cable type by its code, retired or not: a code is one type for good. */
export async function findAnyType(
  tx: Tx,
  jobId: number,
  code: string,
): Promise<{ id: number; version: number; retired: boolean } | null> {
  const [row] = await tx
    .select({ id: cableType.id, version: cableType.version, retiredAt: cableType.retiredAt })
    .from(cableType)
    .where(and(eq(cableType.jobId, jobId), eq(cableType.code, code)));
  return row ? { id: row.id, version: row.version, retired: row.retiredAt !== null } : null;
}

/** Likewise a box. */
export async function findAnyBox(
  tx: Tx,
  jobId: number,
  tag: string,
): Promise<{ id: number; version: number; retired: boolean } | null> {
  const [row] = await tx
    .select({ id: enclosure.id, version: enclosure.version, retiredAt: enclosure.retiredAt })
    .from(enclosure)
    .where(and(eq(enclosure.jobId, jobId), eq(enclosure.tag, tag)));
  return row ? { id: row.id, version: row.version, retired: row.retiredAt !== null } : null;
}

/** And an entry of a box. */
export async function findAnyEntry(
  tx: Tx,
  boxId: number,
  label: string,
): Promise<{ id: number; version: number; retired: boolean } | null> {
  const [row] = await tx
    .select({ id: entry.id, version: entry.version, retiredAt: entry.retiredAt })
    .from(entry)
    .where(and(eq(entry.enclosureId, boxId), eq(entry.label, label)));
  return row ? { id: row.id, version: row.version, retired: row.retiredAt !== null } : null;
}

/** How many living cables there are of each type of a job, by its id; types without a cable are left out. */
export async function cablesByType(tx: Tx, jobId: number): Promise<Map<number, number>> {
  const rows = await tx
    .select({ typeId: cable.typeId, cables: count() })
    .from(cable)
    .where(and(eq(cable.jobId, jobId), isNull(cable.retiredAt)))
    .groupBy(cable.typeId);
  return new Map(rows.map((r) => [r.typeId, r.cables]));
}

/** Living ends of cables of a type. */
export async function terminationIdsOfType(tx: Tx, typeId: number): Promise<number[]> {
  const rows = await tx
    .select({ id: termination.id })
    .from(termination)
    .innerJoin(cable, eq(termination.cableId, cable.id))
    .where(and(eq(cable.typeId, typeId), isNull(cable.retiredAt)));
  return rows.map((r) => r.id);
}

/** Living ends that go into these entries. */
export async function terminationIdsInEntries(tx: Tx, entryIds: readonly number[]): Promise<number[]> {
  if (entryIds.length === 0) return [];
  const rows = await tx
    .select({ id: termination.id })
    .from(termination)
    .innerJoin(cable, eq(termination.cableId, cable.id))
    .where(and(inArray(termination.entryId, [...entryIds]), isNull(cable.retiredAt)));
  return rows.map((r) => r.id);
}
