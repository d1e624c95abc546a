import { randomUUID } from 'node:crypto';
import { ok, refuse, type Result } from '@/core/kernel';
import { validate } from '@/core/kernel';
import {
  diameterOf,
  measure,
  METHOD_WORDS,
  nominalToleranceMm,
  QUANTITY_WORDS,
  readingSchema,
  type Reading,
} from '@/core/cable-measurement';
import {
  findReading,
  findSentReading,
  insertReading,
  loadTerminations,
  lockTermination,
  terminationIdsOfCables,
  type JobRow,
  type StoredReading,
  type Tx,
} from '@/data';
import { terminationTag } from '@/core/schedule';
import { actorName, type Actor } from '../actor';
import { append } from '../record/append';
import { auditedRecords } from '../record/faults';
import { brokenRecord } from '../record/may-record';
import { operation } from '../transaction';
import { EditLog } from './edits';
import { refreshSummaries, requireTermination } from './load';
import type { TerminationRef } from '@/core/record';

/**
 * Adds one reading to a cable end. Datasheet values stand for the whole cable. Sent twice under one id it is stored once; another reading under
 * that id is refused.
 */
export function addReading(
  ref: TerminationRef,
  input: unknown,
  clientId: string,
  actor: Actor,
  now: Date,
): Promise<Result<{ id: number }>> {
  return operation(async (tx) => {
    const found = await requireTermination(tx, ref);
    if (!found.ok) return found;
    const { job, row } = found.value;
    const read = validate(readingSchema, input);
    if (!read.ok) return read;
    const end = read.value.method === 'datasheet' ? null : row.end;
    await lockTermination(tx, row.id);
    const sent = await findSentReading(tx, clientId);
    if (sent)
      return sent.cableId === row.cable.id && sent.end === end && sameReading(sent.reading, read.value)
        ? ok({ id: sent.id })
        : refuse('id', 'another reading was sent under this id', clientId);
    const reading = {
      ...read.value,
      person: read.value.person ?? actor.name,
      at: read.value.at ?? now.toISOString(),
    };
    const rules = job.profile.measurement;
    const diameter = diameterOf(reading, rules.tapeThicknessMm);
    if (!diameter.ok) return diameter;
    if (reading.method === 'datasheet') {
      const tolerance = nominalToleranceMm(reading, diameter.value, rules.nominalTolerance);
      if (!tolerance.ok) return tolerance;
    }
    const checked = measure([reading], reading.quantity, rules);
    if (!checked.ok) return checked;
    const id = await insertReading(tx, row.cable.id, end, reading, clientId);
    const log = new EditLog(tx);
    log.born('reading', id, 'withdrawnAt', now);
    await log.save(
      job,
      `${METHOD_WORDS[reading.method]} reading of ${QUANTITY_WORDS[reading.quantity]} on ${row.cable.tag}/${row.end}`,
      actor,
      now,
    );
    await refreshSummaries(tx, job, await terminationIdsOfCables(tx, [row.cable.id]));
    return ok({ id });
  });
}

/** Where work has begun at an end that the reading spoke for, its record says that it was withdrawn, by whom, and what it said. */
async function noteWithdrawal(
  tx: Tx,
  job: JobRow,
  cableId: number,
  { end, reading }: StoredReading,
  actor: Actor,
  now: Date,
): Promise<Result<null>> {
  const rows = await loadTerminations(tx, await terminationIdsOfCables(tx, [cableId]));
  const mine = rows.filter((row) => end === null || row.end === end);
  for (const row of mine) await lockTermination(tx, row.id);
  const recordOf = await auditedRecords(
    tx,
    job,
    'termination',
    mine.map((row) => row.id),
  );
  for (const row of mine) {
    const { events, faults } = recordOf(row.id);
    const last = events[events.length - 1];
    if (last === undefined) continue;
    const broken = brokenRecord(faults);
    if (broken) return broken;
    const by = reading.person === undefined ? '' : `, taken by ${reading.person}`;
    await append(
      tx,
      { job, kind: 'termination', id: row.id, name: terminationTag(row.cable.tag, row.end) },
      events,
      {
        id: randomUUID(),
        stepId: 'measure',
        kind: 'note',
        actor: actorName(actor),
        at: now.toISOString(),
        body: {
          title: 'Reading withdrawn',
          reason: `${QUANTITY_WORDS[reading.quantity]}, ${METHOD_WORDS[reading.method]} ${reading.text} ${reading.unit}${by}`,
        },
        planHash: last.planHash,
      },
      now,
    );
  }
  return ok(null);
}

/** Do two say the same? Who took it and when is added on the way and may differ. */
const sameReading = (a: Reading, b: Reading): boolean =>
  (['quantity', 'method', 'text', 'unit', 'instrument', 'angleDeg', 'tolerance'] as const).every(
    (key) => a[key] === b[key],
  );

/** Takes a reading out of the reckoning. It stays in the database. */
export function withdrawReading(
  ref: TerminationRef,
  readingId: number,
  actor: Actor,
  now: Date,
): Promise<Result<null>> {
  return operation(async (tx) => {
    const found = await requireTermination(tx, ref);
    if (!found.ok) return found;
    const { job, row } = found.value;
    const reading = await findReading(tx, readingId);
    if (!reading || reading.cableId !== row.cable.id)
      return refuse('reading', 'is not a reading of this cable', readingId);
    if (reading.withdrawnAt !== null) return refuse('reading', 'has been withdrawn already', readingId);
    const noted = await noteWithdrawal(tx, job, row.cable.id, reading, actor, now);
    if (!noted.ok) return noted;
    const log = new EditLog(tx);
    await log.write('reading', readingId, { withdrawnAt: now.toISOString() });
    await log.save(
      job,
      `withdrawn reading of ${QUANTITY_WORDS[reading.reading.quantity]} on ${row.cable.tag}/${row.end}`,
      actor,
      now,
    );
    await refreshSummaries(tx, job, await terminationIdsOfCables(tx, [row.cable.id]));
    return ok(null);
  });
}
