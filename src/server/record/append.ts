import { eventHash, GENESIS, headHash, type EventContent, type Kept, type SubjectKind } from '@/core/record';
import {
  insertEvent,
  insertReceipt,
  jobsWithoutReceipts,
  loadHead,
  loadJobEvents,
  lockJob,
  type StoredEvent,
  type Tx,
} from '@/data';
import { afterCommit, committed } from '../transaction';
import { remember, remembered, signHead } from './keep';

/** Whose record an event goes into. */
export interface Subject {
  readonly job: { readonly id: number; readonly slug: string };
  readonly kind: SubjectKind;
  readonly id: number;
  /** As it is called today. */
  readonly name: string;
}

export type EventDraft = Pick<
  EventContent,
  'id' | 'stepId' | 'kind' | 'actor' | 'person' | 'at' | 'body' | 'planHash'
> & {
  /** Left out for what reaches the server as it is done. */
  readonly kept?: Kept;
};

/**
 * Chains an event to the last one of its subject, gives it a receipt in the record of its job, and signs the head that this makes. The caller
 * holds the subject's row; the job's is taken here, last, so that the entries of one job come one after the other. Returns the event, which is the last one now.
 */
export async function append(
  tx: Tx,
  subject: Subject,
  events: readonly StoredEvent[],
  draft: EventDraft,
  now: Date,
): Promise<StoredEvent> {
  const last = events[events.length - 1];
  const content: EventContent = {
    ...draft,
    kept: draft.kept ?? null,
    version: 4,
    subjectKind: subject.kind,
    subject: subject.name,
    seq: (last?.seq ?? 0) + 1,
    receivedAt: now.toISOString(),
    prevHash: last?.hash ?? GENESIS,
  };
  const event = { ...content, hash: eventHash(content), subjectId: subject.id };
  // Before anything is written that names the job: two that each share its row already could not have it alone any more.
  await lockJob(tx, subject.job.id);
  await insertEvent(tx, subject.job.id, event);
  const head = await loadHead(tx, subject.job.id);
  await receipt(tx, subject.job, event, head.last, now);
  return event;
}

async function receipt(
  tx: Tx,
  job: Subject['job'],
  event: StoredEvent,
  last: { readonly number: number; readonly head: string } | null,
  now: Date,
): Promise<{ readonly number: number; readonly head: string }> {
  const content = {
    job: job.slug,
    number: (last?.number ?? 0) + 1,
    subjectKind: event.subjectKind,
    subject: event.subject,
    seq: event.seq,
    eventHash: event.hash,
    prevHead: last?.head ?? GENESIS,
  };
  const head = headHash(content);
  await insertReceipt(tx, job.id, { ...content, head, ...signHead(head), subjectId: event.subjectId }, now);
  afterCommit(tx, () => remember(job.slug, content.number, head));
  return { number: content.number, head };
}

/**
 * Gives receipts to the records of jobs that were written before there were any, in the order in which their events came in. Done once for each
 * job: where a receipt is known of from outside the database, missing ones are a fault and stay one. Returns how many events got one.
 */
export function adoptRecords(now: Date): Promise<number> {
  return committed(async (tx) => {
    let adopted = 0;
    for (const job of await jobsWithoutReceipts(tx)) {
      if (remembered(job.slug) > 0) continue;
      await lockJob(tx, job.id);
      let last: { readonly number: number; readonly head: string } | null = null;
      for (const event of await loadJobEvents(tx, job.id)) {
        last = await receipt(tx, job, event, last, now);
        adopted += 1;
      }
    }
    return adopted;
  });
}
