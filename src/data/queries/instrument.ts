import { and, asc, eq, inArray, isNotNull, isNull, sql } from 'drizzle-orm';
import {
  instrumentCheckSchema,
  instrumentSchema,
  type InUse,
  type Instrument,
  type InstrumentCheck,
} from '@/core/instrument';
import type { SubjectKind } from '@/core/record';
import type { Tx } from '../connection';
import { cable, instrument, instrumentCheck, reading, recordEvent } from '../schema';
import { bySchema, storedJson } from '../stored';

const INSTRUMENT = storedJson('instrument', bySchema(instrumentSchema), 500);
const CHECK = storedJson('check of instrument', bySchema(instrumentCheckSchema), 2000);

export interface CheckRow {
  readonly check: InstrumentCheck;
  readonly actor: string;
  readonly at: Date;
}

export interface InstrumentRow {
  readonly id: number;
  readonly version: number;
  readonly facts: Instrument;
  /** In the order in which they came in. */
  readonly checks: readonly CheckRow[];
}

/** The instruments of a job with all their checks, as people read names. */
export async function listInstruments(tx: Tx, jobId: number, code?: string): Promise<InstrumentRow[]> {
  const rows = await tx
    .select()
    .from(instrument)
    .where(
      and(
        eq(instrument.jobId, jobId),
        isNull(instrument.retiredAt),
        ...(code === undefined ? [] : [eq(instrument.code, code)]),
      ),
    )
    .orderBy(sql`NATURAL_SORT_KEY(${instrument.code})`);
  const ids = rows.map((r) => r.id);
  const checks =
    ids.length === 0
      ? []
      : await tx
          .select()
          .from(instrumentCheck)
          .where(inArray(instrumentCheck.instrumentId, ids))
          .orderBy(asc(instrumentCheck.id));
  const of = new Map<number, CheckRow[]>();
  for (const { instrumentId, id, facts, actor, at } of checks)
    of.set(instrumentId, [...(of.get(instrumentId) ?? []), { check: CHECK.parse(facts, id), actor, at }]);
  return rows.map((r) => ({
    id: r.id,
    version: r.version,
    facts: INSTRUMENT.parse(r.facts, r.code),
    checks: of.get(r.id) ?? [],
  }));
}

/** An instrument of that code, in use or taken out. */
export async function findAnyInstrument(
  tx: Tx,
  jobId: number,
  code: string,
): Promise<{ readonly id: number; readonly retired: boolean } | null> {
  const [row] = await tx
    .select({ id: instrument.id, retiredAt: instrument.retiredAt })
    .from(instrument)
    .where(and(eq(instrument.jobId, jobId), eq(instrument.code, code)));
  return row ? { id: row.id, retired: row.retiredAt !== null } : null;
}

export async function insertInstrument(tx: Tx, jobId: number, facts: Instrument): Promise<number> {
  const [result] = await tx
    .insert(instrument)
    .values({ jobId, code: facts.code, facts: JSON.stringify(facts) });
  return result.insertId;
}

/** Writes an instrument that is still as it was seen; false where somebody else has written it since. */
export async function writeInstrument(
  tx: Tx,
  id: number,
  seen: number | null,
  fields: { readonly facts?: Instrument; readonly retiredAt?: Date | null },
): Promise<boolean> {
  const { facts, ...rest } = fields;
  const mine =
    seen === null ? eq(instrument.id, id) : and(eq(instrument.id, id), eq(instrument.version, seen));
  const [result] = await tx
    .update(instrument)
    .set({
      ...rest,
      ...(facts === undefined ? {} : { facts: JSON.stringify(facts) }),
      version: sql`version + 1`,
    })
    .where(mine);
  return result.affectedRows > 0;
}

/** Checks are only added: what was found stays found. */
export async function insertCheck(
  tx: Tx,
  instrumentId: number,
  check: InstrumentCheck,
  by: { readonly actor: string; readonly person: string | null },
  at: Date,
): Promise<void> {
  await tx.insert(instrumentCheck).values({ instrumentId, facts: JSON.stringify(check), ...by, at });
}

/** A use of an instrument: in the record of a subject, or in a reading of a cable. */
export interface Use extends InUse {
  readonly kind: SubjectKind | 'reading';
  readonly subject: string;
}

/** Readings of a job's living cables that stand, and name their instrument. */
const standing = (jobId: number) =>
  and(
    eq(cable.jobId, jobId),
    isNull(cable.retiredAt),
    isNull(reading.withdrawnAt),
    isNotNull(reading.instrument),
  );

/** Which cables of a job were measured with what, by what stands in their readings. */
export async function measuredWith(tx: Tx, jobId: number): Promise<{ cableId: number; code: string }[]> {
  const rows = await tx
    .selectDistinct({ cableId: reading.cableId, code: reading.instrument })
    .from(reading)
    .innerJoin(cable, eq(reading.cableId, cable.id))
    .where(standing(jobId));
  return rows.flatMap(({ cableId, code }) => (code === null ? [] : [{ cableId, code }]));
}

/** Every use of any instrument in a job, in the order of time within records and readings. */
export async function listUses(tx: Tx, jobId: number): Promise<Use[]> {
  const named = sql<string>`JSON_VALUE(${recordEvent.body}, '$.instrument')`;
  const events = await tx
    .select({
      code: named,
      kind: recordEvent.subjectKind,
      subject: recordEvent.subject,
      at: recordEvent.receivedAt,
    })
    .from(recordEvent)
    .where(and(eq(recordEvent.jobId, jobId), isNotNull(named)))
    .orderBy(asc(recordEvent.receivedAt));
  const readings = await tx
    .select({
      code: reading.instrument,
      cable: cable.tag,
      end: reading.end,
      at: reading.takenAt,
    })
    .from(reading)
    .innerJoin(cable, eq(reading.cableId, cable.id))
    .where(standing(jobId))
    .orderBy(asc(reading.id));
  return [
    ...events.map((e) => ({ ...e, at: e.at.toISOString() })),
    ...readings.map((r) => ({
      code: r.code ?? '',
      kind: 'reading' as const,
      subject: r.end === null ? r.cable : `${r.cable}/${r.end}`,
      at: r.at ?? '',
    })),
  ];
}
