import { array, mixed, number, object, string, type InferType } from 'yup';
import { fail, hashOf, ok, refuse, validate, type Problem, type Result } from '@/core/kernel';
import {
  auditChain,
  EVENT_VERSIONS,
  faultWords,
  SUBJECT_KINDS,
  type ChainedEvent,
  type EventVersion,
} from './chain';
import { photosOf } from './event-body';
import { auditReceipts, auditTail, type Receipt, type SignatureCheck } from './receipt';

const hash = () => string().length(64).required();
const seal = () => object({ mark: hash(), salt: string().length(64).nullable().defined() }).noUnknown();
const kind = () => string().oneOf(SUBJECT_KINDS).required();

const eventSchema = object({
  version: number<EventVersion>().oneOf(EVENT_VERSIONS).required(),
  id: string().required(),
  subjectKind: kind(),
  subject: string().required(),
  seq: number().integer().min(1).required(),
  stepId: string().required(),
  kind: string().required(),
  actor: string().defined(),
  /** Files of before have none. */
  person: string().nullable().optional(),
  at: string().required(),
  receivedAt: string().required(),
  body: mixed<object | string | number | boolean>().nullable().defined(),
  planHash: string().defined(),
  prevHash: hash(),
  /** Files of before have none. */
  kept: object({ contact: string().required(), aheadMs: number().integer().required() })
    .noUnknown()
    .nullable()
    .optional()
    .default(undefined),
  /** Events that hash the names themselves have none. */
  names: object({ by: seal().required(), under: seal().nullable().defined() })
    .noUnknown()
    .nullable()
    .optional()
    .default(undefined),
  hash: hash(),
}).noUnknown();

const receiptSchema = object({
  job: string().required(),
  number: number().integer().min(1).required(),
  subjectKind: kind(),
  subject: string().required(),
  seq: number().integer().min(1).required(),
  eventHash: hash(),
  prevHead: hash(),
  head: hash(),
  signature: string().required(),
  keyId: string().required(),
}).noUnknown();

/** The record of a whole job in one file: every event, every plan that work stood on, every receipt, and the key that signed them. */
export const recordBundleSchema = object({
  format: string()
    .oneOf(['amber-collar-record'] as const)
    .required(),
  version: number()
    .oneOf([1] as const)
    .required(),
  job: string().required(),
  made: string().required(),
  /** Public key, PEM. It proves no more than that all was signed by one key: whose it is must be known from elsewhere. */
  publicKey: string().required(),
  subjects: array()
    .of(
      object({
        kind: kind(),
        name: string().required(),
        events: array().of(eventSchema.required()).required(),
        plans: array()
          .of(
            object({ hash: hash(), body: mixed<object | string | number | boolean>().required() })
              .noUnknown()
              .required(),
          )
          .required(),
      })
        .noUnknown()
        .required(),
    )
    .required(),
  receipts: array().of(receiptSchema.required()).required(),
  /** Only these subjects are in it, though the receipts are of the whole job; left out where all are. */
  scope: array()
    .of(object({ kind: kind(), name: string().required() }).noUnknown().required())
    .min(1)
    .optional(),
})
  .noUnknown()
  .required();

export interface BundleReport {
  readonly job: string;
  readonly subjects: number;
  readonly events: number;
  /** SHA-256 of every photo that an event names, each once. */
  readonly photos: readonly string[];
  /** The last head, as it stands on prints; null for a record without events. */
  readonly head: { readonly number: number; readonly head: string } | null;
}

/** An event from a file, with nothing for what files of before do not have. */
const asToday = (event: InferType<typeof eventSchema>): ChainedEvent => ({
  ...event,
  person: event.person ?? null,
  kept: event.kept ?? null,
  names: event.names ?? null,
});

/**
 * Checks the record of a job without its database: every event, every plan that an event names, every receipt. All that is wrong is named.
 * `signed` is asked for every receipt.
 */
export function verifyBundle(json: unknown, signed: SignatureCheck): Result<BundleReport> {
  const read = validate(recordBundleSchema, json);
  if (!read.ok) return read;
  const { job, subjects, scope } = read.value;
  const receipts = read.value.receipts as readonly Receipt[];
  const problems: Problem[] = auditReceipts(receipts, signed).map((f) => ({
    path: 'receipts',
    message: f.fault,
  }));
  const foreign = receipts.find((r) => r.job !== job);
  if (foreign)
    problems.push({
      path: 'receipts',
      message: `entry ${foreign.number} belongs to another job`,
      value: foreign.job,
    });
  const photos: string[] = [];
  let matched = 0;
  const keyOf = (k: string, name: string) => `${k} ${name}`;
  const known = new Set<string>();
  for (const { kind: k, name, events: raw, plans } of subjects) {
    const path = `${k} ${name}`;
    known.add(keyOf(k, name));
    const events = raw.map(asToday);
    // A tag may have been changed since: an event keeps the name that it was written under, and so does its receipt.
    const ids = new Set(events.map((e) => e.hash));
    const names = new Set([name, ...events.map((e) => e.subject)]);
    const mine = receipts.filter(
      (r) => r.subjectKind === k && (ids.has(r.eventHash) || names.has(r.subject)),
    );
    matched += mine.length;
    photos.push(...events.flatMap(photosOf));
    for (const fault of [...auditChain(events), ...auditTail(events, mine, () => true)])
      problems.push({ path, message: faultWords(fault) });
    for (const r of mine) known.add(keyOf(k, r.subject));
    const held = new Map(plans.map((p) => [p.hash, p.body]));
    for (const [planHash, body] of held)
      if (hashOf(body) !== planHash)
        problems.push({ path, message: 'a plan has been changed after it was made', value: planHash });
    const without = events.find((e) => e.planHash !== '' && !held.has(e.planHash));
    if (without) problems.push({ path, message: `the plan that event ${without.seq} stands on is missing` });
  }
  const lost = receipts.find((r) => !known.has(keyOf(r.subjectKind, r.subject)));
  if (lost && scope === undefined)
    problems.push({
      path: keyOf(lost.subjectKind, lost.subject),
      message: `is missing as a whole, from entry ${lost.number} of the job’s record on`,
    });
  const missing = (scope ?? []).find((s) => !subjects.some((t) => t.kind === s.kind && t.name === s.name));
  if (missing)
    problems.push({
      path: keyOf(missing.kind, missing.name),
      message: 'is missing, though the file says it holds it',
    });
  if (problems.length > 0) return fail(problems);
  const events = subjects.reduce((sum, s) => sum + s.events.length, 0);
  const last = receipts[receipts.length - 1];
  const asked = scope === undefined ? receipts.length : matched;
  if (events !== asked) return refuse('receipts', `${asked} receipts for ${events} events`);
  return ok({
    job,
    subjects: subjects.length,
    events,
    photos: [...new Set(photos)],
    head: last ? { number: last.number, head: last.head } : null,
  });
}
