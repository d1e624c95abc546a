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
import { findReading, findSentReading, insertReading, lockTermination, terminationIdsOfCables } from '@/data';
import type { Actor } from '../actor';
import { noteReading } from '../record/note-reading';
import { operation } from '../transaction';
import { rulesOf } from './measuring';
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
      person: actor.name,
      at: read.value.at ?? now.toISOString(),
    };
    const rules = rulesOf(job);
    const diameter = diameterOf(reading, rules.tapeThicknessMm);
    if (!diameter.ok) return diameter;
    if (reading.method === 'datasheet') {
      const tolerance = nominalToleranceMm(reading, diameter.value, rules.nominalTolerance);
      if (!tolerance.ok) return tolerance;
    }
    const checked = measure([reading], reading.quantity, rules);
    if (!checked.ok) return checked;
    const noted = await noteReading(
      tx,
      job,
      { cableId: row.cable.id, end, reading },
      'Reading added',
      actor,
      now,
    );
    if (!noted.ok) return noted;
    const id = await insertReading(tx, row.cable.id, end, reading, clientId, actor.id);
    const log = new EditLog(tx);
    log.born('reading', id, 'withdrawnAt', now);
    await log.save(
      job,
      `${METHOD_WORDS[reading.method]} reading of ${QUANTITY_WORDS[reading.quantity]} on ${row.cable.tag}/${row.end}`,
      actor,
      now,
    );
    await refreshSummaries(
      tx,
      job,
      end === null ? await terminationIdsOfCables(tx, [row.cable.id]) : [row.id],
    );
    return ok({ id });
  });
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
    const noted = await noteReading(tx, job, reading, 'Reading withdrawn', actor, now);
    if (!noted.ok) return noted;
    const log = new EditLog(tx);
    await log.write('reading', readingId, { withdrawnAt: now.toISOString() });
    await log.save(
      job,
      `withdrawn reading of ${QUANTITY_WORDS[reading.reading.quantity]} on ${row.cable.tag}/${row.end}`,
      actor,
      now,
    );
    await refreshSummaries(
      tx,
      job,
      reading.end === row.end ? [row.id] : await terminationIdsOfCables(tx, [row.cable.id]),
    );
    return ok(null);
  });
}
