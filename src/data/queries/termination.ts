import { and, eq, inArray, isNull, sql } from 'drizzle-orm';
import { METHODS, QUANTITIES, type Reading } from '@/core/cable-measurement';
import type { Pin } from '@/core/pin-map';
import type { Terminal } from '@/core/cut-back';
import type { CableType, Enclosure, End, Entry } from '@/core/schedule';
import type { Tx } from '../connection';
import { among, prepared } from '../prepared';
import { CABLE_TYPE, ENCLOSURE, ENTRY, PINS, TERMINALS } from '../stored-kinds';
import { cable, cableType, enclosure, entry, job, reading, termination } from '../schema';

/** A reading as stored: `end` null means it stands for the whole cable (a datasheet, or a sample from the drum). */
export interface StoredReading {
  readonly id: number;
  readonly cableId: number;
  readonly end: End | null;
  readonly reading: Reading;
}

export interface TerminationRow {
  readonly id: number;
  readonly end: End;
  readonly version: number;
  readonly tailMm: number | null;
  readonly spareMm: number;
  /** The whole-job choice leaves this termination's size alone. */
  readonly sizeLocked: boolean;
  /** Compound that was asked for; null leaves it to the fitting's approval list. */
  readonly compound: string | null;
  /** The way to each terminal, where they differ. */
  readonly terminals: readonly Terminal[];
  /** Which core goes to which position of its insert; empty for the insert's own order. */
  readonly pins: readonly Pin[];
  readonly cable: {
    readonly id: number;
    readonly tag: string;
    readonly routeMm: number | null;
    readonly note: string;
    readonly version: number;
    readonly retiredAt: Date | null;
  };
  readonly cableType: CableType;
  readonly place: {
    readonly entryId: number;
    readonly enclosureId: number;
    readonly area: string;
    readonly enclosure: Enclosure;
    readonly entry: Entry;
  } | null;
}

const columns = {
  id: termination.id,
  end: termination.end,
  version: termination.version,
  tailMm: termination.tailMm,
  spareMm: termination.spareMm,
  sizeLocked: termination.sizeLocked,
  compound: termination.compound,
  terminals: termination.terminals,
  pins: termination.pins,
  entryId: termination.entryId,
  cable: {
    id: cable.id,
    tag: cable.tag,
    routeMm: cable.routeMm,
    note: cable.note,
    version: cable.version,
    retiredAt: cable.retiredAt,
  },
  typeFacts: cableType.facts,
  enclosureId: enclosure.id,
  area: enclosure.area,
  enclosureFacts: enclosure.facts,
  entryFacts: entry.facts,
};

const base = (tx: Tx) =>
  tx
    .select(columns)
    .from(termination)
    .innerJoin(cable, eq(termination.cableId, cable.id))
    .innerJoin(cableType, eq(cable.typeId, cableType.id))
    .leftJoin(entry, eq(termination.entryId, entry.id))
    .leftJoin(enclosure, eq(entry.enclosureId, enclosure.id));

type Joined = Awaited<ReturnType<typeof base>>[number];

function terminationRow(row: Joined): TerminationRow {
  const { entryId, enclosureId, typeFacts, area, enclosureFacts, entryFacts, ...rest } = row;
  const placed =
    entryId !== null &&
    enclosureId !== null &&
    area !== null &&
    enclosureFacts !== null &&
    entryFacts !== null;
  return {
    ...rest,
    sizeLocked: rest.sizeLocked === 1,
    pins: rest.pins === null ? [] : PINS.parse(rest.pins, rest.id),
    terminals: rest.terminals === null ? [] : TERMINALS.parse(rest.terminals, rest.id),
    cableType: CABLE_TYPE.parse(typeFacts, rest.cable.tag),
    place: placed
      ? {
          entryId,
          enclosureId,
          area,
          enclosure: ENCLOSURE.parse(enclosureFacts, entryId),
          entry: ENTRY.parse(entryFacts, entryId),
        }
      : null,
  };
}

const byTag = prepared((tx) =>
  base(tx)
    .where(
      and(
        eq(cable.jobId, sql.placeholder('jobId')),
        eq(cable.tag, sql.placeholder('tag')),
        eq(termination.end, sql.placeholder('end')),
      ),
    )
    .orderBy(sql`${cable.retiredAt} IS NOT NULL`, sql`${cable.id} DESC`)
    .limit(1),
);
const byIds = prepared((tx) => base(tx).where(among(termination.id, sql.placeholder('ids'))));

/** The living termination of that tag, or else the last retired one, so that a page can say what became of it. */
export async function findTermination(
  tx: Tx,
  jobId: number,
  cableTag: string,
  end: End,
): Promise<TerminationRow | null> {
  const [row] = await byTag(tx, { jobId, tag: cableTag, end });
  return row ? terminationRow(row) : null;
}

export async function loadTerminations(tx: Tx, ids: readonly number[]): Promise<TerminationRow[]> {
  if (ids.length === 0) return [];
  return (await byIds(tx, { ids })).map(terminationRow);
}

/** Living ends that are half of an in-line joint in one of these boxes. */
export async function halvesInBoxes(tx: Tx, enclosureIds: readonly number[]): Promise<TerminationRow[]> {
  if (enclosureIds.length === 0) return [];
  const rows = await base(tx).where(
    and(
      inArray(entry.enclosureId, [...enclosureIds]),
      isNull(cable.retiredAt),
      sql`JSON_EXTRACT(${entry.facts}, '$.inLine') IS NOT NULL`,
    ),
  );
  return rows.map(terminationRow);
}

/** Living ends that are half of a joint in a box that has one of these entries. */
export async function halvesBeside(tx: Tx, entryIds: readonly number[]): Promise<number[]> {
  if (entryIds.length === 0) return [];
  const boxes = await tx
    .selectDistinct({ id: entry.enclosureId })
    .from(entry)
    .where(inArray(entry.id, [...entryIds]));
  const rows = await halvesInBoxes(
    tx,
    boxes.map((b) => b.id),
  );
  return rows.map((r) => r.id);
}

/** Ids of all terminations of a job whose cable is still in the schedule, in the order of their tags. */
export async function terminationIdsOfJob(tx: Tx, jobId: number): Promise<number[]> {
  const rows = await tx
    .select({ id: termination.id })
    .from(termination)
    .innerJoin(cable, eq(termination.cableId, cable.id))
    .where(and(eq(cable.jobId, jobId), isNull(cable.retiredAt)))
    .orderBy(cable.tag, termination.end);
  return rows.map((r) => r.id);
}

export async function terminationIdsOfCables(tx: Tx, cableIds: readonly number[]): Promise<number[]> {
  if (cableIds.length === 0) return [];
  const rows = await tx
    .select({ id: termination.id })
    .from(termination)
    .where(inArray(termination.cableId, [...cableIds]));
  return rows.map((r) => r.id);
}

const versionsOf = prepared((tx) =>
  tx
    .select({ end: termination.end, version: termination.version })
    .from(termination)
    .where(eq(termination.cableId, sql.placeholder('cableId'))),
);

/** Of which version each end of a cable is; an end that is not there is of none, 0. */
export async function endVersions(tx: Tx, cableId: number): Promise<Readonly<Record<End, number>>> {
  const rows = await versionsOf(tx, { cableId });
  const of = (end: End): number => rows.find((r) => r.end === end)?.version ?? 0;
  return { A: of('A'), B: of('B') };
}

/** Takes the termination's row so that two writers to its record wait for one another. */
export async function lockTermination(tx: Tx, id: number): Promise<void> {
  await tx.select({ id: termination.id }).from(termination).where(eq(termination.id, id)).for('update');
}

const lockNamed = prepared((tx) => {
  const cables = tx
    .select({ id: cable.id })
    .from(cable)
    .innerJoin(job, eq(cable.jobId, job.id))
    .where(and(eq(job.slug, sql.placeholder('slug')), eq(cable.tag, sql.placeholder('tag'))));
  return tx
    .select({ id: termination.id })
    .from(termination)
    .where(and(eq(sql`${termination.end}`, sql.placeholder('end')), inArray(termination.cableId, cables)))
    .for('update');
});

/** The same for an end that is named, before anything of it is read; of a tag that was taken out and came again, for both. Nothing where there is none. */
export async function lockNamedTermination(
  tx: Tx,
  { job: slug, cable: tag, end }: { readonly job: string; readonly cable: string; readonly end: string },
): Promise<void> {
  await lockNamed(tx, { slug, tag, end });
}

export async function insertTermination(tx: Tx, row: typeof termination.$inferInsert): Promise<number> {
  const [result] = await tx.insert(termination).values(row);
  return result.insertId;
}

const optional = <K extends string, V>(key: K, value: V | null): { [P in K]?: V } =>
  value === null ? {} : ({ [key]: value } as { [P in K]: V });

/** One of the words that a column may hold; anything else was not written by us. */
function oneOf<T extends string>(words: readonly T[], found: string, column: string): T {
  const word = words.find((w) => w === found);
  if (word === undefined) throw new Error(`reading.${column} holds ${JSON.stringify(found)}`);
  return word;
}

// Written out, not by the schema: a job has twenty thousand readings, and the columns bound their lengths already.
function storedReading(row: typeof reading.$inferSelect): StoredReading {
  const value: Reading = {
    quantity: oneOf(QUANTITIES, row.quantity, 'quantity'),
    method: oneOf(METHODS, row.method, 'method'),
    text: row.text,
    unit: row.unit,
    ...optional('instrument', row.instrument),
    ...optional('person', row.person),
    ...optional('at', row.takenAt),
    ...optional('angleDeg', row.angleDeg),
    ...optional('tolerance', row.tolerance),
  };
  return { id: row.id, cableId: row.cableId, end: row.end, reading: value };
}

const standing = prepared((tx) =>
  tx
    .select()
    .from(reading)
    .where(and(among(reading.cableId, sql.placeholder('ids')), isNull(reading.withdrawnAt)))
    .orderBy(reading.id),
);

/** Readings that have not been withdrawn, of several cables at once, oldest first. */
export async function loadReadings(tx: Tx, cableIds: readonly number[]): Promise<StoredReading[]> {
  if (cableIds.length === 0) return [];
  return (await standing(tx, { ids: cableIds })).map(storedReading);
}

const readingValues = (cableId: number, end: End | null, r: Reading): typeof reading.$inferInsert => ({
  cableId,
  end,
  quantity: r.quantity,
  method: r.method,
  text: r.text,
  unit: r.unit,
  tolerance: r.tolerance ?? null,
  instrument: r.instrument ?? null,
  person: r.person ?? null,
  takenAt: r.at ?? null,
  angleDeg: r.angleDeg ?? null,
});

/** Stores a reading under the id that its sender gave it; null for one that comes with a file. */
export async function insertReading(
  tx: Tx,
  cableId: number,
  end: End | null,
  r: Reading,
  clientId: string | null,
  personId: string | null,
): Promise<number> {
  const [result] = await tx.insert(reading).values({ ...readingValues(cableId, end, r), clientId, personId });
  return result.insertId;
}

export async function insertReadings(
  tx: Tx,
  rows: readonly { cableId: number; end: End | null; reading: Reading }[],
): Promise<void> {
  if (rows.length === 0) return;
  await tx.insert(reading).values(rows.map((r) => readingValues(r.cableId, r.end, r.reading)));
}

export async function findReading(
  tx: Tx,
  id: number,
): Promise<(StoredReading & { withdrawnAt: Date | null }) | null> {
  const [row] = await tx.select().from(reading).where(eq(reading.id, id));
  return row ? { ...storedReading(row), withdrawnAt: row.withdrawnAt } : null;
}

/** The reading that was sent under this id, withdrawn or not. */
export async function findSentReading(tx: Tx, clientId: string): Promise<StoredReading | null> {
  const [row] = await tx.select().from(reading).where(eq(reading.clientId, clientId));
  return row ? storedReading(row) : null;
}
