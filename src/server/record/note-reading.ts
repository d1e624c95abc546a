import { randomUUID } from 'node:crypto';
import { METHOD_WORDS, QUANTITY_WORDS } from '@/core/cable-measurement';
import { ok, type Result } from '@/core/kernel';
import { terminationTag } from '@/core/schedule';
import {
  loadTerminations,
  lockTermination,
  terminationIdsOfCables,
  type JobRow,
  type StoredReading,
  type Tx,
} from '@/data';
import { madeBy, type Actor } from '../actor';
import { append } from './append';
import { auditedRecords } from './faults';
import { keeperOf } from './housed';
import { brokenRecord } from './may-record';

type Spoken = Pick<StoredReading, 'cableId' | 'end' | 'reading'>;

/**
 * Where work has begun at an end that a reading speaks for, its record says what became of the reading, by whom, and what it says. Refused where
 * such a record does not hold: nothing is added to it.
 */
export async function noteReading(
  tx: Tx,
  job: JobRow,
  { cableId, end, reading }: Spoken,
  title: string,
  actor: Actor,
  now: Date,
): Promise<Result<null>> {
  const rows = await loadTerminations(tx, await terminationIdsOfCables(tx, [cableId]));
  const mine = rows.filter((row) => end === null || row.end === end);
  const spoken: { row: (typeof rows)[number]; of: string }[] = [];
  for (const row of mine)
    spoken.push({ row: await keeperOf(tx, row), of: terminationTag(row.cable.tag, row.end) });
  for (const { row } of spoken) await lockTermination(tx, row.id);
  const recordOf = await auditedRecords(
    tx,
    job,
    'termination',
    spoken.map(({ row }) => row),
  );
  for (const { row, of } of spoken) {
    const { events, faults } = recordOf(row.id);
    const last = events[events.length - 1];
    if (last === undefined) continue;
    const broken = brokenRecord(faults);
    if (broken) return broken;
    const name = terminationTag(row.cable.tag, row.end);
    const ofMate = of === name ? '' : ` for ${of}`;
    await append(
      tx,
      { job, kind: 'termination', id: row.id, name },
      events,
      {
        id: randomUUID(),
        stepId: 'measure',
        kind: 'note',
        ...madeBy(actor),
        at: now.toISOString(),
        body: { title: `${title}${ofMate}`, reason: readingWords(reading) },
        planHash: last.planHash,
      },
      now,
    );
  }
  return ok(null);
}

function readingWords({
  quantity,
  method,
  text,
  unit,
  instrument,
  person,
}: StoredReading['reading']): string {
  const with_ = instrument === undefined ? '' : ` with ${instrument}`;
  const by = person === undefined ? '' : `, taken by ${person}`;
  return `${QUANTITY_WORDS[quantity]}, ${METHOD_WORDS[method]} ${text} ${unit}${with_}${by}`;
}
