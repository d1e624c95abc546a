import { group } from 'd3';
import { auditChain, auditEnd, auditHead, auditTail, type ChainFault, type SubjectKind } from '@/core/record';
import { caughtUp, loadEvents, loadHead, loadReceipts, type StoredEvent, type Tx } from '@/data';
import { settled } from '../transaction';
import { remembered, signedByUs } from './keep';

/** A subject's events with everything that is wrong with them, the first fault first. */
export interface AuditedRecord {
  readonly events: readonly StoredEvent[];
  readonly faults: readonly ChainFault[];
}

/** Somebody may write between two of the reads that are compared: what is wrong then is not wrong any more when it is read again. */
const READS = 3;

/** Of whose record it is asked: an end of a cable with its letter, or a crossing. */
export interface RecordKeeper {
  readonly id: number;
  readonly end?: 'A' | 'B' | undefined;
}

/** The records of several subjects of one job, read and audited. Subjects without events are in it too. */
export async function auditedRecords(
  tx: Tx,
  job: { readonly id: number; readonly slug: string },
  kind: SubjectKind,
  keepers: readonly RecordKeeper[],
): Promise<(id: number) => AuditedRecord> {
  await settled(tx);
  for (let read = 1; ; read += 1) {
    const records = await readRecords(tx, job, kind, keepers);
    const hold = keepers.every(({ id }) => records.get(id)?.faults.length === 0);
    if (hold || read === READS) return (id) => records.get(id) ?? { events: [], faults: [] };
    await caughtUp(tx);
  }
}

async function readRecords(
  tx: Tx,
  job: { readonly id: number; readonly slug: string },
  kind: SubjectKind,
  keepers: readonly RecordKeeper[],
): Promise<Map<number, AuditedRecord>> {
  const ids = keepers.map((k) => k.id);
  // Remembered first: what is remembered was written before, and so is in what is read after.
  const known = remembered(job.slug);
  const events = group(await loadEvents(tx, kind, ids), (e) => e.subjectId);
  const receipts = group(await loadReceipts(tx, kind, ids), (r) => r.subjectId);
  const ofJob = auditHead({ job: job.slug, ...(await loadHead(tx, job.id)), remembered: known }, signedByUs);
  return new Map(
    keepers.map(({ id, end }) => {
      const mine = events.get(id) ?? [];
      const faults = [
        ...auditChain(mine),
        ...auditTail(mine, receipts.get(id) ?? [], signedByUs),
        ...(end === undefined ? [] : auditEnd(mine, end)),
        ...ofJob,
      ];
      return [id, { events: mine, faults }];
    }),
  );
}

/** Work that was recorded stands on its plan: one that was changed since, or put in the place of the one that the record names, is a fault. */
export function planFaults(
  plan: { readonly planHash: string; readonly intact: () => boolean } | null,
  events: readonly StoredEvent[],
): ChainFault[] {
  if (plan === null) return [];
  if (!plan.intact()) return [{ seq: 0, fault: 'the plan has been changed after it was made' }];
  // Events of before named a plan only when work was done on it.
  const named = events.every((e) => e.version === 1) || events.some((e) => e.planHash === plan.planHash);
  return named ? [] : [{ seq: 0, fault: 'the plan in force is none that this record names' }];
}
