import { array, object, type InferType } from 'yup';
import { boxWithEntriesSchema } from '@/core/job';
import { cableTypeSchema, type CableType, type Enclosure, type Entry } from '@/core/schedule';
import {
  findAnyBox,
  findAnyEntry,
  findAnyType,
  insertCableType,
  insertEnclosure,
  insertEntry,
  type JobRow,
  type Tx,
} from '@/data';
import type { EditLog } from './edits';

/** Types, boxes and entries that are made on the way, when a list of cables speaks of them. */
export const setupSchema = object({
  types: array().of(cableTypeSchema).max(2000).required(),
  boxes: array().of(boxWithEntriesSchema).max(2000).required(),
})
  .noUnknown()
  .required();
export type Setup = InferType<typeof setupSchema>;

/** What is made, and into which line of undo it goes. */
export interface Making {
  readonly tx: Tx;
  readonly job: JobRow;
  readonly log: EditLog;
  readonly now: Date;
}

/** Makes a cable type; one of that code that was taken out comes back with these facts. Null when one is there already. */
export async function makeType({ tx, job, log, now }: Making, facts: CableType): Promise<number | null> {
  const there = await findAnyType(tx, job.id, facts.code);
  if (there && !there.retired) return null;
  if (there) {
    await log.write('cableType', there.id, { facts: JSON.stringify(facts), retiredAt: null });
    return there.id;
  }
  const id = await insertCableType(tx, job.id, facts);
  log.born('cableType', id, 'retiredAt', now);
  return id;
}

/** Likewise a box. */
export async function makeBox(
  { tx, job, log, now }: Making,
  area: string,
  facts: Enclosure,
): Promise<number | null> {
  const there = await findAnyBox(tx, job.id, facts.tag);
  if (there && !there.retired) return null;
  if (there) {
    await log.write('enclosure', there.id, { area, facts: JSON.stringify(facts), retiredAt: null });
    return there.id;
  }
  const id = await insertEnclosure(tx, job.id, area, facts);
  log.born('enclosure', id, 'retiredAt', now);
  return id;
}

/** And an entry of a box. */
export async function makeEntry(
  { tx, log, now }: Making,
  boxId: number,
  facts: Entry,
): Promise<number | null> {
  const there = await findAnyEntry(tx, boxId, facts.label);
  if (there && !there.retired) return null;
  if (there) {
    await log.write('entry', there.id, { facts: JSON.stringify(facts), retiredAt: null });
    return there.id;
  }
  const id = await insertEntry(tx, boxId, facts);
  log.born('entry', id, 'retiredAt', now);
  return id;
}

/** Makes what is not there yet; what is there stays as it is. */
export async function makeSetup(making: Making, { types, boxes }: Setup): Promise<void> {
  for (const facts of types) await makeType(making, facts);
  for (const { area, box, entries } of boxes) {
    const made = await makeBox(making, area, box);
    const id = made ?? (await findAnyBox(making.tx, making.job.id, box.tag))?.id;
    if (id === undefined) throw new Error('the box was there a moment ago');
    for (const entry of entries) await makeEntry(making, id, entry);
  }
}
