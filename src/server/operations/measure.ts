import { ok, refuse, type Result } from '@/core/kernel';
import { validate } from '@/core/kernel';
import {
  diameterOf,
  measure,
  METHOD_WORDS,
  nominalToleranceMm,
  QUANTITY_WORDS,
  readingSchema,
} from '@/core/cable-measurement';
import { findReading, insertReading, terminationIdsOfCables } from '@/data';
import type { Actor } from '../actor';
import { operation } from '../transaction';
import { EditLog } from './edits';
import { refreshSummaries, requireTermination, type TerminationRef } from './load';

/** Adds one reading to a cable end. Datasheet values stand for the whole cable. */
export function addReading(
  ref: TerminationRef,
  input: unknown,
  actor: Actor,
  now: Date,
): Promise<Result<{ id: number }>> {
  return operation(async (tx) => {
    const found = await requireTermination(tx, ref);
    if (!found.ok) return found;
    const { job, row } = found.value;
    const read = validate(readingSchema, input);
    if (!read.ok) return read;
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
    const end = reading.method === 'datasheet' ? null : row.end;
    const id = await insertReading(tx, row.cable.id, end, reading);
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
