import { and, eq, isNull, sql } from 'drizzle-orm';
import type { MySqlInsertValue } from 'drizzle-orm/mysql-core';
import { encodeArcs, type CollarState } from '@/core/procedure';
import type { Tx } from '../connection';
import { prepared, rowOf } from '../prepared';
import { cable, cableType, enclosure, entry, stationSummary, termination } from '../schema';

/** One line of the rack and of the board. */
export interface SummaryRow {
  readonly cable: string;
  readonly end: 'A' | 'B';
  readonly enclosure: string | null;
  readonly title: string | null;
  readonly area: string | null;
  readonly type: string;
  /** See `decodeArcs`. */
  readonly arcs: string;
  readonly next: CollarState['next'];
  readonly blockedBy: string | null;
  /** Gland size in force, if one has been taken. */
  readonly size: string | null;
}

const BATCH = 500;

/** Rows of the summary, in the place of those of before. */
const put = (tx: Tx, rows: MySqlInsertValue<typeof stationSummary>[]) =>
  tx
    .insert(stationSummary)
    .values(rows)
    .onDuplicateKeyUpdate({
      set: {
        arcs: sql`VALUES(arcs)`,
        nextStation: sql`VALUES(next_station)`,
        nextAction: sql`VALUES(next_action)`,
        blockedBy: sql`VALUES(blocked_by)`,
        size: sql`VALUES(size)`,
      },
    });
const putOne = prepared((tx) =>
  put(tx, [rowOf('terminationId', 'arcs', 'nextStation', 'nextAction', 'blockedBy', 'size')]),
);

/** Stores what `collarOf` said. Written in the same transaction as whatever changed it. */
export async function writeSummaries(
  tx: Tx,
  rows: readonly { terminationId: number; collar: CollarState; size: string | null }[],
): Promise<void> {
  const told = rows.map(({ terminationId, collar, size }) => ({
    size,
    terminationId,
    arcs: encodeArcs(collar.arcs),
    nextStation: collar.next?.station ?? null,
    nextAction: collar.next?.action.slice(0, 200) ?? null,
    blockedBy: collar.blockedBy?.slice(0, 500) ?? null,
  }));
  const [one, ...more] = told;
  // As a step of a bench does.
  if (one !== undefined && more.length === 0) await putOne(tx, one);
  else for (let i = 0; i < told.length; i += BATCH) await put(tx, told.slice(i, i + BATCH));
}

/** All living terminations of a job in tag order. */
export async function loadSummaries(tx: Tx, jobId: number): Promise<SummaryRow[]> {
  const rows = await tx
    .select({
      cable: cable.tag,
      end: termination.end,
      enclosure: enclosure.tag,
      title: sql<string | null>`JSON_VALUE(${enclosure.facts}, '$.title')`,
      area: enclosure.area,
      type: cableType.code,
      arcs: stationSummary.arcs,
      nextStation: stationSummary.nextStation,
      nextAction: stationSummary.nextAction,
      blockedBy: stationSummary.blockedBy,
      size: stationSummary.size,
    })
    .from(termination)
    .innerJoin(cable, eq(termination.cableId, cable.id))
    .innerJoin(cableType, eq(cable.typeId, cableType.id))
    .innerJoin(stationSummary, eq(stationSummary.terminationId, termination.id))
    .leftJoin(entry, eq(termination.entryId, entry.id))
    .leftJoin(enclosure, eq(entry.enclosureId, enclosure.id))
    .where(and(eq(cable.jobId, jobId), isNull(cable.retiredAt)))
    .orderBy(sql`NATURAL_SORT_KEY(${cable.tag})`, termination.end);
  return rows.map(({ nextStation, nextAction, ...row }) => ({
    ...row,
    next:
      nextStation === null || nextAction === null
        ? null
        : ({ station: nextStation, action: nextAction } as CollarState['next']),
  }));
}

/** Terminations of a job at which nothing is left to do: every step is done and signed. */
export async function doneTerminationIds(tx: Tx, jobId: number): Promise<Set<number>> {
  const rows = await tx
    .select({ id: stationSummary.terminationId })
    .from(stationSummary)
    .innerJoin(termination, eq(stationSummary.terminationId, termination.id))
    .innerJoin(cable, eq(termination.cableId, cable.id))
    .where(
      and(
        eq(cable.jobId, jobId),
        isNull(cable.retiredAt),
        isNull(stationSummary.nextStation),
        isNull(stationSummary.blockedBy),
      ),
    );
  return new Set(rows.map((r) => r.id));
}
