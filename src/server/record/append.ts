import { refuse } from '@/core/kernel';
import {
  eventHash,
  GENESIS,
  headHash,
  underOf,
  type EventContent,
  type EventNames,
  type Kept,
  type SubjectKind,
} from '@/core/record';
import {
  duplicateKey,
  insertEvent,
  insertReceipt,
  isDuplicate,
  jobsWithoutReceipts,
  lastReceipt,
  loadJobEvents,
  lockJob,
  sealName,
  type StoredEvent,
  type Tx,
} from '@/data';
import { Refusal } from '../guard';
import { afterCommit, beforeCommit, committed } from '../transaction';
import { remember, rememberedJobs, signHead } from './keep';

export const ID_IS_TAKEN = 'this event id belongs to something else';

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
 * As which version an event is written. While processes of a release that cannot read version 5 serve beside this one, `AMBER_COLLAR_WRITES=4` keeps to
 * what they read; no record goes back.
 */
const versionAfter = (last: StoredEvent | undefined): 4 | 5 =>
  process.env.AMBER_COLLAR_WRITES === '4' && (last?.version ?? 1) < 5 ? 4 : 5;

/** Seals the names in an event. */
async function namesSealed(tx: Tx, draft: EventDraft): Promise<EventNames> {
  const under = underOf(draft);
  return {
    by: await sealName(tx, draft.person, draft.actor),
    under: under === null ? null : await sealName(tx, under.person, under.name),
  };
}

/**
 * Chains an event to the last one of its subject. The caller holds the subject's row. Its receipt in the record of the job is left to the end of
 * the transaction, since all who work in one job wait for each other there. Returns the event, which is the last one now.
 */
export async function append(
  tx: Tx,
  subject: Subject,
  events: readonly StoredEvent[],
  draft: EventDraft,
  now: Date,
): Promise<StoredEvent> {
  const last = events[events.length - 1];
  const version = versionAfter(last);
  const content: EventContent = {
    ...draft,
    kept: draft.kept ?? null,
    version,
    names: version < 5 ? null : await namesSealed(tx, draft),
    subjectKind: subject.kind,
    subject: subject.name,
    seq: (last?.seq ?? 0) + 1,
    receivedAt: now.toISOString(),
    prevHash: last?.hash ?? GENESIS,
  };
  const event = { ...content, hash: eventHash(content), subjectId: subject.id };
  await insertOnce(tx, subject.job.id, event);
  beforeCommit(tx, () => nextReceipt(tx, subject.job, event, now));
  return event;
}

/** Refused where another event, of any record, has this id. */
async function insertOnce(tx: Tx, jobId: number, event: StoredEvent): Promise<void> {
  try {
    await insertEvent(tx, jobId, event);
  } catch (error) {
    if (!isDuplicate(error) || duplicateKey(error) !== 'PRIMARY') throw error;
    throw new Refusal(refuse('id', ID_IS_TAKEN, event.id));
  }
}

/** So many others may be faster in a row: more than work in one job at once. */
const RACES = 200;

/** The next receipt of a job. Who is next, its number decides, which is there once: whoever comes second waits for the first, and takes the one after. */
async function nextReceipt(tx: Tx, job: Subject['job'], event: StoredEvent, now: Date): Promise<void> {
  for (let race = 1; ; race += 1) {
    const last = await lastReceipt(tx, job.id);
    try {
      await receipt(tx, job, event, last, now);
      return;
    } catch (error) {
      if (race === RACES || !isDuplicate(error) || duplicateKey(error) !== 'PRIMARY') throw error;
    }
  }
}

interface Place {
  readonly number: number;
  readonly head: string;
}

async function receipt(
  tx: Tx,
  job: Subject['job'],
  event: StoredEvent,
  last: Place | null,
  now: Date,
): Promise<Place> {
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
 * Gives receipts to the records of jobs that were written before there were any, in the order in which their events came in. Done once for all
 * jobs of a database: as soon as any receipt is known of from outside it, missing ones are a fault and stay one, whatever the job is called, or
 * whoever could write to the database would have new histories signed at the next start. Returns how many events got one.
 */
export function adoptRecords(now: Date): Promise<number> {
  if (rememberedJobs().size > 0) return Promise.resolve(0);
  return committed(async (tx) => {
    let adopted = 0;
    for (const job of await jobsWithoutReceipts(tx)) {
      await lockJob(tx, job.id);
      let last: Place | null = null;
      for (const event of await loadJobEvents(tx, job.id)) {
        last = await receipt(tx, job, event, last, now);
        adopted += 1;
      }
    }
    return adopted;
  });
}
