import { and, asc, desc, eq, getTableColumns, inArray, sql } from 'drizzle-orm';
import { alias } from 'drizzle-orm/mysql-core';
import {
  bodyByMark,
  EVENT_VERSIONS,
  pseudonymOf,
  shownName,
  type ChainedEvent,
  type EventNames,
  type Receipt,
  type SubjectKind,
} from '@/core/record';
import { terminationTag } from '@/core/schedule';
import type { Tx } from '../connection';
import { among, prepared, rowOf } from '../prepared';
import { cable, crossing, job, nameSeal, recordEvent, recordReceipt, termination } from '../schema';

export interface StoredEvent extends ChainedEvent {
  readonly subjectId: number;
}

export interface StoredReceipt extends Receipt {
  readonly subjectId: number;
}

const bySeal = alias(nameSeal, 'by_seal');
const underSeal = alias(nameSeal, 'under_seal');

/** Events with the names that they hold by their marks. */
const selectEvents = (tx: Tx) =>
  tx
    .select({
      event: getTableColumns(recordEvent),
      by: { name: bySeal.name, salt: bySeal.salt },
      under: { name: underSeal.name, salt: underSeal.salt },
    })
    .from(recordEvent)
    .leftJoin(bySeal, eq(bySeal.mark, recordEvent.byMark))
    .leftJoin(underSeal, eq(underSeal.mark, recordEvent.underMark));
type EventRow = Awaited<ReturnType<typeof selectEvents>>[number];

const MOST_KNOWN = 20_000;
const known = new Map<string, StoredEvent>();

/** Rows that are the same in every column are one object: what was worked out of it once is known then. */
function storedEvent(row: EventRow): StoredEvent {
  const text = JSON.stringify(row);
  const before = known.get(text);
  if (before !== undefined) return before;
  if (known.size >= MOST_KNOWN) known.clear();
  const event = readEvent(row);
  known.set(text, event);
  return event;
}

function namesOf({ event, by, under }: EventRow): EventNames | null {
  if (event.byMark === null) return null;
  return {
    by: { mark: event.byMark, salt: by?.salt ?? null },
    under: event.underMark === null ? null : { mark: event.underMark, salt: under?.salt ?? null },
  };
}

/** A body with the name of whoever it was done under in the place of their mark. */
function bodyByName(body: unknown, name: string | null, mark: string | null): unknown {
  if (mark === null || typeof body !== 'object' || body === null || !('under' in body)) return body;
  const under = body.under as { readonly person: string };
  return { ...body, under: { ...under, name: name ?? pseudonymOf(under.person, mark) } };
}

function readEvent(found: EventRow): StoredEvent {
  const {
    jobId: _,
    body,
    receivedAt,
    version,
    contact,
    aheadMs,
    byMark,
    underMark,
    actor,
    ...row
  } = found.event;
  const known = EVENT_VERSIONS.find((v) => v === version);
  if (known === undefined) throw new Error(`event ${row.id} is of version ${version}`);
  return {
    ...row,
    version: known,
    actor: shownName({ actor, mark: byMark, person: row.person }, found.by?.name ?? null),
    body: bodyByName(JSON.parse(body) as unknown, found.under?.name ?? null, underMark),
    receivedAt: receivedAt.toISOString(),
    kept: contact === null || aheadMs === null ? null : { contact, aheadMs },
    names: namesOf(found),
  };
}

const storedReceipt = ({ jobId: _, madeAt: __, ...row }: typeof recordReceipt.$inferSelect): StoredReceipt =>
  row;

const eventsOf = prepared((tx) =>
  selectEvents(tx)
    .where(
      and(
        eq(recordEvent.subjectKind, sql.placeholder('kind')),
        among(recordEvent.subjectId, sql.placeholder('ids')),
      ),
    )
    .orderBy(asc(recordEvent.subjectId), asc(recordEvent.seq)),
);

/** Events of several subjects of one kind, in their order. */
export async function loadEvents(
  tx: Tx,
  kind: SubjectKind,
  subjectIds: readonly number[],
): Promise<StoredEvent[]> {
  if (subjectIds.length === 0) return [];
  return (await eventsOf(tx, { kind, ids: subjectIds })).map(storedEvent);
}

export async function loadJobEvents(tx: Tx, jobId: number): Promise<StoredEvent[]> {
  const rows = await selectEvents(tx)
    .where(eq(recordEvent.jobId, jobId))
    .orderBy(asc(recordEvent.receivedAt), asc(recordEvent.subjectId), asc(recordEvent.seq));
  return rows.map(storedEvent);
}

export async function findEvent(tx: Tx, id: string): Promise<StoredEvent | null> {
  const [row] = await selectEvents(tx).where(eq(recordEvent.id, id));
  return row ? storedEvent(row) : null;
}

const putEvent = prepared((tx) =>
  tx
    .insert(recordEvent)
    .values(
      rowOf(
        'id',
        'version',
        'jobId',
        'subjectKind',
        'subjectId',
        'subject',
        'seq',
        'stepId',
        'kind',
        'actor',
        'person',
        'at',
        'receivedAt',
        'body',
        'planHash',
        'prevHash',
        'contact',
        'aheadMs',
        'byMark',
        'underMark',
        'hash',
      ),
    ),
);

export async function insertEvent(tx: Tx, jobId: number, event: StoredEvent): Promise<void> {
  const { body, receivedAt, kept, names, actor, ...rest } = event;
  const underMark = names?.under?.mark ?? null;
  await putEvent(tx, {
    ...rest,
    jobId,
    actor: names === null ? actor : '',
    byMark: names?.by.mark ?? null,
    underMark,
    body: JSON.stringify(bodyByMark(body, underMark)),
    receivedAt: new Date(receivedAt),
    contact: kept?.contact ?? null,
    aheadMs: kept?.aheadMs ?? null,
  });
}

/** A text as a part of a LIKE pattern: its own signs stand for themselves. */
const literally = (text: string): string => text.replace(/[\\%_]/g, (sign) => `\\${sign}`);

/** Events of a job in which all words stand, in the subject, the person or what was recorded, the newest first; how many there are in all. */
export async function searchEvents(
  tx: Tx,
  jobId: number,
  words: readonly string[],
  kinds: readonly string[] | null,
  { offset, limit }: { readonly offset: number; readonly limit: number },
): Promise<{ total: number; events: StoredEvent[] }> {
  const text = sql`CONCAT_WS(' ', ${recordEvent.subject}, ${recordEvent.actor}, ${bySeal.name}, ${underSeal.name}, ${recordEvent.body})`;
  const where = and(
    eq(recordEvent.jobId, jobId),
    ...(kinds === null ? [] : [inArray(recordEvent.kind, [...kinds])]),
    ...words.map((word) => sql`${text} LIKE ${`%${literally(word)}%`}`),
  );
  const [count] = await tx
    .select({ n: sql<number>`COUNT(*)` })
    .from(recordEvent)
    .leftJoin(bySeal, eq(bySeal.mark, recordEvent.byMark))
    .leftJoin(underSeal, eq(underSeal.mark, recordEvent.underMark))
    .where(where);
  const rows = await selectEvents(tx)
    .where(where)
    .orderBy(desc(recordEvent.receivedAt), desc(recordEvent.seq), asc(recordEvent.id))
    .limit(limit)
    .offset(offset);
  return { total: count?.n ?? 0, events: rows.map(storedEvent) };
}

const receiptsOf = prepared((tx) =>
  tx
    .select()
    .from(recordReceipt)
    .where(
      and(
        eq(recordReceipt.subjectKind, sql.placeholder('kind')),
        among(recordReceipt.subjectId, sql.placeholder('ids')),
      ),
    )
    .orderBy(asc(recordReceipt.subjectId), asc(recordReceipt.seq)),
);

/** Receipts of several subjects of one kind, in their order. */
export async function loadReceipts(
  tx: Tx,
  kind: SubjectKind,
  subjectIds: readonly number[],
): Promise<StoredReceipt[]> {
  if (subjectIds.length === 0) return [];
  return (await receiptsOf(tx, { kind, ids: subjectIds })).map(storedReceipt);
}

export async function loadJobReceipts(tx: Tx, jobId: number): Promise<StoredReceipt[]> {
  const rows = await tx
    .select()
    .from(recordReceipt)
    .where(eq(recordReceipt.jobId, jobId))
    .orderBy(asc(recordReceipt.number));
  return rows.map(storedReceipt);
}

const headOf = prepared((tx) =>
  tx
    .select({
      last: getTableColumns(recordReceipt),
      n: sql<number>`(SELECT COUNT(*) FROM record_receipt r WHERE r.job_id = ${sql.placeholder('jobId')})`,
    })
    .from(recordReceipt)
    .where(eq(recordReceipt.jobId, sql.placeholder('jobId')))
    .orderBy(desc(recordReceipt.number))
    .limit(1),
);
const lastOf = prepared((tx) =>
  tx
    .select({ number: recordReceipt.number, head: recordReceipt.head })
    .from(recordReceipt)
    .where(eq(recordReceipt.jobId, sql.placeholder('jobId')))
    .orderBy(desc(recordReceipt.number))
    .limit(1),
);

/** How many receipts a job has, and its last: by one statement, so that both are of one moment. */
export async function loadHead(
  tx: Tx,
  jobId: number,
): Promise<{ count: number; last: StoredReceipt | null }> {
  const [row] = await headOf(tx, { jobId });
  return row ? { count: row.n, last: storedReceipt(row.last) } : { count: 0, last: null };
}

/** The last receipt of a job; null where it has none. */
export async function lastReceipt(
  tx: Tx,
  jobId: number,
): Promise<{ readonly number: number; readonly head: string } | null> {
  const [row] = await lastOf(tx, { jobId });
  return row ?? null;
}

const putReceipt = prepared((tx) =>
  tx
    .insert(recordReceipt)
    .values(
      rowOf(
        'jobId',
        'number',
        'job',
        'subjectKind',
        'subjectId',
        'subject',
        'seq',
        'eventHash',
        'prevHead',
        'head',
        'signature',
        'keyId',
        'madeAt',
      ),
    ),
);

export async function insertReceipt(
  tx: Tx,
  jobId: number,
  receipt: StoredReceipt,
  madeAt: Date,
): Promise<void> {
  await putReceipt(tx, { ...receipt, jobId, madeAt });
}

/** Holds a job's row. */
export async function lockJob(tx: Tx, jobId: number): Promise<void> {
  await tx.select({ id: job.id }).from(job).where(eq(job.id, jobId)).for('update');
}

/** Jobs whose events have no receipts at all: they were written before there were any. */
export async function jobsWithoutReceipts(tx: Tx): Promise<{ id: number; slug: string }[]> {
  return tx
    .selectDistinct({ id: job.id, slug: job.slug })
    .from(job)
    .innerJoin(recordEvent, eq(recordEvent.jobId, job.id))
    .where(sql`NOT EXISTS (SELECT 1 FROM record_receipt r WHERE r.job_id = ${job.id})`);
}

/** Subjects of one kind that a job's record knows of, by their events or by their receipts: events may have gone. */
export async function recordSubjects(
  tx: Tx,
  jobId: number,
  kind: SubjectKind,
): Promise<{ id: number; subject: string }[]> {
  const found = new Map<number, string>();
  for (const table of [recordReceipt, recordEvent]) {
    const rows = await tx
      .select({ id: table.subjectId, subject: sql<string>`MAX(${table.subject})` })
      .from(table)
      .where(and(eq(table.jobId, jobId), eq(table.subjectKind, kind)))
      .groupBy(table.subjectId);
    for (const { id, subject } of rows) found.set(id, subject);
  }
  return [...found].map(([id, subject]) => ({ id, subject }));
}

/** What subjects of one kind are called now; an end with its letter. What is not in the database any more is not in it. */
export async function subjectNames(
  tx: Tx,
  kind: SubjectKind,
  ids: readonly number[],
): Promise<Map<number, { readonly name: string; readonly end?: 'A' | 'B' }>> {
  if (ids.length === 0) return new Map();
  if (kind === 'crossing') {
    const rows = await tx
      .select({ id: crossing.id, name: crossing.name })
      .from(crossing)
      .where(inArray(crossing.id, [...ids]));
    return new Map(rows.map(({ id, name }) => [id, { name: `crossing ${name}` }]));
  }
  const rows = await tx
    .select({ id: termination.id, tag: cable.tag, end: termination.end })
    .from(termination)
    .innerJoin(cable, eq(cable.id, termination.cableId))
    .where(inArray(termination.id, [...ids]));
  return new Map(rows.map(({ id, tag, end }) => [id, { name: terminationTag(tag, end), end }]));
}
