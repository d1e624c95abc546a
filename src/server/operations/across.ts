import { ok, type Result } from '@/core/kernel';
import { eventView, type EventView, type TerminationRef } from '@/core/record';
import { database, findTermination, type JobRow, type TerminationRow, type Tx } from '@/data';
import { guarded } from '../guard';
import { auditedRecords, type AuditedRecord } from '../record/faults';
import { keeperOf } from '../record/housed';
import { requireTermination } from './load';

/** The record of the other end of a cable: what is tested from there is tested of the same cores. */
export async function recordAcross(
  tx: Tx,
  job: JobRow,
  { cable, end }: Pick<TerminationRow, 'cable' | 'end'>,
): Promise<AuditedRecord> {
  const other = await findTermination(tx, job.id, cable.tag, end === 'A' ? 'B' : 'A');
  if (other === null || other.cable.id !== cable.id) return { events: [], faults: [] };
  const keeper = await keeperOf(tx, other);
  return (await auditedRecords(tx, job, 'termination', [keeper]))(keeper.id);
}

/** The same of every cable that ends in a record: of one, or of the two that a joint joins. */
export async function recordsAcross(
  tx: Tx,
  job: JobRow,
  rows: readonly TerminationRow[],
): Promise<AuditedRecord> {
  const all: AuditedRecord[] = [];
  for (const row of rows) all.push(await recordAcross(tx, job, row));
  return { events: all.flatMap((r) => r.events), faults: all.flatMap((r) => r.faults) };
}

/** Tests that stand in the record of the other end. */
export function viewTestsAcross(ref: TerminationRef): Promise<Result<EventView[]>> {
  return guarded<EventView[]>(async () => {
    const tx = database();
    const found = await requireTermination(tx, ref);
    if (!found.ok) return found;
    const { events } = await recordAcross(tx, found.value.job, found.value.row);
    return ok(events.filter((e) => e.kind === 'test').map(eventView));
  });
}
