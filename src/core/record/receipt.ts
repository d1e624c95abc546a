import { hashOf, hashText } from '@/core/kernel';
import { GENESIS, type ChainedEvent, type ChainFault, type SubjectKind } from './chain';

/**
 * One line of a job's own chain: it says that the job's `number`-th event is this event of this subject. The chain of a job's receipts ends in
 * its head, which stands for all events of all subjects, and each is signed by a key that does not lie in the database: whoever can write
 * there can neither change an event, nor leave one out, nor cut the end off without a receipt that does not agree.
 */
export interface ReceiptContent {
  readonly job: string;
  readonly number: number;
  readonly subjectKind: SubjectKind;
  readonly subject: string;
  readonly seq: number;
  readonly eventHash: string;
  readonly prevHead: string;
}

export interface Receipt extends ReceiptContent {
  readonly head: string;
  /** Base64 over `head`, by the key whose name this is. */
  readonly signature: string;
  readonly keyId: string;
}

/** The head that a receipt makes: it covers the head before it. */
export const headHash = ({
  job,
  number,
  subjectKind,
  subject,
  seq,
  eventHash,
  prevHead,
}: ReceiptContent): string => hashOf({ job, number, subjectKind, subject, seq, eventHash, prevHead });

/** Short name of a public key (PEM). */
export const keyName = (pem: string): string => hashText(pem).slice(0, 16);

/** Checks a signature over a head; whoever has the public key can. */
export type SignatureCheck = (head: string, signature: string, keyId: string) => boolean;

/** A head as a person compares it with a print: `42 · 7f3a-9c21`. */
export const headCode = ({ number, head }: { readonly number: number; readonly head: string }): string =>
  `${number} · ${head.slice(0, 4)}-${head.slice(4, 8)}`;

/**
 * Do the receipts of one subject agree with its events? Names the first event that is missing, was rewritten, or was added without a receipt,
 * and a receipt that nobody with the key has signed.
 */
export function auditTail(
  events: readonly ChainedEvent[],
  receipts: readonly Receipt[],
  signed: SignatureCheck,
): ChainFault[] {
  const faults: ChainFault[] = [];
  const hashes = new Map(events.map((e) => [e.seq, e.hash]));
  const bySeq = new Map(receipts.map((r) => [r.seq, r]));
  const last = Math.max(0, ...hashes.keys(), ...bySeq.keys());
  for (let seq = 1; seq <= last; seq += 1) {
    const receipt = bySeq.get(seq);
    const hash = hashes.get(seq);
    if (receipt === undefined) {
      if (hash !== undefined)
        faults.push({ seq, fault: 'has no receipt: it was not written by this application' });
    } else if (hash === undefined) faults.push({ seq, fault: 'was written and is missing' });
    else if (hash !== receipt.eventHash) faults.push({ seq, fault: 'is not the one that was written' });
  }
  const newest = bySeq.get(last);
  // The newest is enough: its event covers all before it.
  if (newest && (headHash(newest) !== newest.head || !signed(newest.head, newest.signature, newest.keyId)))
    faults.push({ seq: last, fault: 'has a receipt that the key of this application has not signed' });
  return faults;
}

/** The end of a job's chain of receipts, and what is known of it from elsewhere. */
export interface JobHead {
  /** What the job is called in addresses: a name that it keeps. */
  readonly job: string;
  /** How many receipts there are, and the number of the last. */
  readonly count: number;
  readonly last: Receipt | null;
  /** The highest number that was ever seen, kept outside the database; 0 when none. */
  readonly remembered: number;
}

/** Is a job's chain of receipts whole at its end? A gap, or an end before what was seen already, belongs to no subject that could be named. */
export function auditHead({ job, count, last, remembered }: JobHead, signed: SignatureCheck): ChainFault[] {
  const number = last?.number ?? 0;
  if (number < remembered)
    return [
      { seq: 0, fault: `the record of this job ends at entry ${number}, and ${remembered} were written` },
    ];
  // Under another name nothing would be remembered of it.
  if (last && last.job !== job)
    return [{ seq: 0, fault: `the record of this job was written under the name ${last.job}` }];
  if (count !== number)
    return [{ seq: 0, fault: `of the ${number} entries of this job’s record ${number - count} are missing` }];
  if (last && (headHash(last) !== last.head || !signed(last.head, last.signature, last.keyId)))
    return [{ seq: 0, fault: 'the end of this job’s record is not signed by the key of this application' }];
  return [];
}

/** A job of which a record was written, and which is not there any more. */
export interface LostJob {
  readonly job: string;
  readonly entries: number;
}

/** The jobs that are remembered outside the database and that it does not hold, by name. */
export const lostJobs = (remembered: ReadonlyMap<string, number>, there: readonly string[]): LostJob[] =>
  [...remembered]
    .filter(([job]) => !there.includes(job))
    .map(([job, entries]) => ({ job, entries }))
    .sort((a, b) => a.job.localeCompare(b.job));

/** Follows a job's receipts from the first to the last; names the first that does not follow or is not signed. */
export function auditReceipts(receipts: readonly Receipt[], signed: SignatureCheck): ChainFault[] {
  let previous = GENESIS;
  for (const [i, receipt] of receipts.entries()) {
    const { number } = receipt;
    const wrong = (fault: string): ChainFault[] => [
      { seq: 0, fault: `entry ${number} of the job’s record ${fault}` },
    ];
    if (number !== i + 1) return wrong(`stands where ${i + 1} was expected`);
    if (receipt.prevHead !== previous) return wrong('does not follow the entry before it');
    if (headHash(receipt) !== receipt.head) return wrong('has been changed after it was written');
    if (!signed(receipt.head, receipt.signature, receipt.keyId)) return wrong('is not signed by the key');
    previous = receipt.head;
  }
  return [];
}
