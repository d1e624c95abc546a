import { ok, type Result } from '@/core/kernel';
import { eventView, type EventView, type TerminationRef } from '@/core/record';
import {
  database,
  findTermination,
  loadEvents,
  type StoredEvent,
  type TerminationRow,
  type Tx,
} from '@/data';
import { guarded } from '../guard';
import { requireTermination } from './load';

/** The record of the other end of a cable: what is tested from there is tested of the same cores. */
export async function eventsAcross(
  tx: Tx,
  jobId: number,
  { cable, end }: Pick<TerminationRow, 'cable' | 'end'>,
): Promise<StoredEvent[]> {
  const other = await findTermination(tx, jobId, cable.tag, end === 'A' ? 'B' : 'A');
  return other === null || other.cable.id !== cable.id ? [] : loadEvents(tx, 'termination', [other.id]);
}

/** Tests that stand in the record of the other end. */
export function viewTestsAcross(ref: TerminationRef): Promise<Result<EventView[]>> {
  return guarded<EventView[]>(async () => {
    const tx = database();
    const found = await requireTermination(tx, ref);
    if (!found.ok) return found;
    const events = await eventsAcross(tx, found.value.job.id, found.value.row);
    return ok(events.filter((e) => e.kind === 'test').map(eventView));
  });
}
