import type { ScheduleEndView, ScheduleRowView } from '@/core/termination-view';
import { and, asc, desc, eq, inArray, isNull, like, or, sql, type SQL } from 'drizzle-orm';
import { alias, type MySqlSelect } from 'drizzle-orm/mysql-core';
import type { Tx } from '../connection';
import { cable, cableType, enclosure, entry, termination } from '../schema';

export interface ScheduleEnd extends ScheduleEndView {
  readonly id: number;
}

export interface ScheduleRow extends ScheduleRowView {
  readonly a: ScheduleEnd;
  readonly b: ScheduleEnd;
}

export const SCHEDULE_SORTS = ['tag', 'type', 'routeMm', 'note', 'aEnclosure', 'bEnclosure'] as const;

export interface ScheduleQuery {
  readonly filter: string;
  readonly sort: (typeof SCHEDULE_SORTS)[number];
  readonly descending: boolean;
  readonly offset: number;
  readonly limit: number;
}

const ta = alias(termination, 'ta');
const tb = alias(termination, 'tb');
const ea = alias(entry, 'ea');
const eb = alias(entry, 'eb');
const xa = alias(enclosure, 'xa');
const xb = alias(enclosure, 'xb');

const columns = {
  id: cable.id,
  version: cable.version,
  tag: cable.tag,
  type: cableType.code,
  routeMm: cable.routeMm,
  note: cable.note,
  a: {
    id: ta.id,
    version: ta.version,
    enclosure: xa.tag,
    entry: ea.label,
    tailMm: ta.tailMm,
    spareMm: ta.spareMm,
  },
  b: {
    id: tb.id,
    version: tb.version,
    enclosure: xb.tag,
    entry: eb.label,
    tailMm: tb.tailMm,
    spareMm: tb.spareMm,
  },
};

/** A cable with its type, both ends, their entries and boxes. */
const joined = <T extends MySqlSelect>(query: T) =>
  query
    .innerJoin(cableType, eq(cable.typeId, cableType.id))
    .innerJoin(ta, and(eq(ta.cableId, cable.id), eq(ta.end, 'A')))
    .innerJoin(tb, and(eq(tb.cableId, cable.id), eq(tb.end, 'B')))
    .leftJoin(ea, eq(ta.entryId, ea.id))
    .leftJoin(eb, eq(tb.entryId, eb.id))
    .leftJoin(xa, eq(ea.enclosureId, xa.id))
    .leftJoin(xb, eq(eb.enclosureId, xb.id));

const select = (tx: Tx) => joined(tx.select(columns).from(cable).$dynamic());

const escapeLike = (text: string): string => text.replace(/[\\%_]/g, (c) => `\\${c}`);

/**
 * Living cables that a filter finds, by conditions on the cable alone: boxes and types are looked up first and once, so that only what
 * matches is joined to its ends.
 */
function matching(tx: Tx, jobId: number, filter: string): SQL | undefined {
  const living = and(eq(cable.jobId, jobId), isNull(cable.retiredAt));
  if (filter.trim() === '') return living;
  const pattern = `%${escapeLike(filter.trim())}%`;
  const types = tx
    .select({ id: cableType.id })
    .from(cableType)
    .where(and(eq(cableType.jobId, jobId), like(cableType.code, pattern)));
  // As a table of its own: otherwise the server asks after the boxes of each cable anew, nine tenths of the answer's time.
  const inBoxes = tx
    .selectDistinct({ id: termination.cableId })
    .from(enclosure)
    .innerJoin(entry, eq(entry.enclosureId, enclosure.id))
    .innerJoin(termination, eq(termination.entryId, entry.id))
    .where(and(eq(enclosure.jobId, jobId), like(enclosure.tag, pattern)))
    .as('in_boxes');
  return and(
    living,
    or(
      like(cable.tag, pattern),
      like(cable.note, pattern),
      inArray(cable.typeId, types),
      inArray(cable.id, tx.select({ id: inBoxes.id }).from(inBoxes)),
    ),
  );
}

// Tags are sorted as people read them, K-2 before K-10.
const SORT: Readonly<Record<(typeof SCHEDULE_SORTS)[number], SQL>> = {
  tag: sql`NATURAL_SORT_KEY(${cable.tag})`,
  type: sql`${cableType.code}`,
  routeMm: sql`${cable.routeMm}`,
  note: sql`${cable.note}`,
  aEnclosure: sql`NATURAL_SORT_KEY(${xa.tag})`,
  bEnclosure: sql`NATURAL_SORT_KEY(${xb.tag})`,
};

/** One page of the schedule, filtered and sorted by the server, with the count of all that match. */
export async function findSchedule(
  tx: Tx,
  jobId: number,
  query: ScheduleQuery,
): Promise<{ rows: ScheduleRow[]; total: number }> {
  const where = matching(tx, jobId, query.filter);
  const direction = query.descending ? desc : asc;
  // The count rides along with the page: joining and filtering twice would double the answer's time.
  const page = await joined(
    tx
      .select({ ...columns, total: sql<number>`COUNT(*) OVER ()` })
      .from(cable)
      .$dynamic(),
  )
    .where(where)
    .orderBy(direction(SORT[query.sort]), asc(cable.id))
    .limit(query.limit)
    .offset(query.offset);
  const rows = page.map(({ total: _total, ...row }) => row);
  if (page[0] || query.offset === 0) return { rows, total: page[0]?.total ?? 0 };
  // Beyond the last page there is no row to carry the count.
  const first = await findSchedule(tx, jobId, { ...query, offset: 0, limit: 1 });
  return { rows, total: first.total };
}

/** The whole schedule of a job, in tag order. */
export async function loadSchedule(tx: Tx, jobId: number): Promise<ScheduleRow[]> {
  return select(tx)
    .where(and(eq(cable.jobId, jobId), isNull(cable.retiredAt)))
    .orderBy(sql`NATURAL_SORT_KEY(${cable.tag})`);
}

export async function loadScheduleRows(tx: Tx, cableIds: readonly number[]): Promise<ScheduleRow[]> {
  if (cableIds.length === 0) return [];
  return select(tx).where(inArray(cable.id, [...cableIds]));
}

/** A cable that is in the schedule of this job; null for one of another job, or one that was taken out. */
export async function findLivingRow(tx: Tx, jobId: number, cableId: number): Promise<ScheduleRow | null> {
  // A value that is no whole number would be made one by the database, and name another cable.
  if (!Number.isSafeInteger(cableId) || cableId < 1) return null;
  const [row] = await select(tx).where(
    and(eq(cable.id, cableId), eq(cable.jobId, jobId), isNull(cable.retiredAt)),
  );
  return row ?? null;
}

export async function insertCable(tx: Tx, row: typeof cable.$inferInsert): Promise<number> {
  const [result] = await tx.insert(cable).values(row);
  return result.insertId;
}
