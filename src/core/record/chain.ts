import { hashOf } from '@/core/kernel';
import { readBody, underOf } from './event-body';
import { isSealed, type EventNames } from './name-seal';

/** What a record of work can be about: the end of a cable, or a crossing of a wall. */
export const SUBJECT_KINDS = ['termination', 'crossing'] as const;
export type SubjectKind = (typeof SUBJECT_KINDS)[number];

export const EVENT_VERSIONS = [1, 2, 3, 4, 5] as const;
export type EventVersion = (typeof EVENT_VERSIONS)[number];

/** How an event came that a device kept while it had no server. */
export interface Kept {
  /** When the device last heard of the server, ISO 8601 by the server's clock. */
  readonly contact: string;
  /** How far the clock of the device was ahead of the server's then, ms; negative when it was behind. */
  readonly aheadMs: number;
}

/**
 * What is hashed of an event: everything but its own hash. Version 2 hashes the kind of its subject and the server's time with it, version 3
 * the person who was signed in, version 4 how it was kept, version 5 marks in the place of names; events of before were written otherwise and verify as they were. Times are ISO 8601: `at` by the device, `receivedAt` by the server.
 */
export interface EventContent {
  readonly version: EventVersion;
  readonly id: string;
  readonly subjectKind: SubjectKind;
  /** As it was called when the event was written, such as `K-104/B`. */
  readonly subject: string;
  readonly seq: number;
  readonly stepId: string;
  readonly kind: string;
  /** By name. */
  readonly actor: string;
  /** Id of the person who was signed in; null where a name was typed and nobody signed in. */
  readonly person: string | null;
  readonly at: string;
  readonly receivedAt: string;
  readonly body: unknown;
  readonly planHash: string;
  readonly prevHash: string;
  /** Null for what reached the server as it was done. */
  readonly kept: Kept | null;
  /** Marks of the names in it. Null for events that hash the names themselves. */
  readonly names: EventNames | null;
}

export interface ChainedEvent extends EventContent {
  readonly hash: string;
}

/** The hash before the first event of a subject. */
export const GENESIS = '0'.repeat(64);

/** Hash of an event, which covers the hash of the event before it. */
export function eventHash(event: EventContent): string {
  const { version, id, subjectKind, subject, seq, stepId, kind, actor, at, receivedAt, body } = event;
  const { planHash, prevHash, person, kept } = event;
  const common = { id, seq, stepId, kind, actor, at, body, planHash, prevHash };
  if (version === 1) return hashOf({ ...common, termination: subject });
  const later = { ...common, version, subjectKind, subject, receivedAt };
  if (version === 2) return hashOf(later);
  if (version === 3) return hashOf({ ...later, person });
  if (version === 4) return hashOf({ ...later, person, kept });
  const { by, under } = event.names ?? { by: null, under: null };
  return hashOf({
    ...later,
    person,
    kept,
    actor: by?.mark ?? '',
    body: bodyByMark(body, under?.mark ?? null),
  });
}

/** A body as it is hashed and kept since version 5: whom somebody worked under by their mark. */
export function bodyByMark(body: unknown, mark: string | null): unknown {
  if (mark === null || typeof body !== 'object' || body === null || !('under' in body)) return body;
  const { under } = body;
  return typeof under === 'object' && under !== null ? { ...body, under: { ...under, name: mark } } : body;
}

/** Why the names of an event are not those that were sealed when it was written; null when they are. */
function nameFault(event: ChainedEvent): string | null {
  const { version, names, person, actor } = event;
  if (version < 5) return names === null ? null : 'seals its names, before names were sealed';
  if (names === null) return 'does not seal the names in it';
  const under = underOf(event);
  if (!isSealed(names.by, person, actor)) return 'names somebody else than whoever made it';
  if ((under === null) !== (names.under === null)) return 'does not seal the names in it';
  return under === null || names.under === null || isSealed(names.under, under.person, under.name)
    ? null
    : 'names somebody else as whom it was done under';
}

/**
 * When an event took place, ISO 8601, by the clock that it is judged by: the server's. What a device kept is put on the server's time by what
 * its clock was ahead of it at their last contact.
 */
export const timeOf = ({ at, receivedAt, kept }: Pick<EventContent, 'at' | 'receivedAt' | 'kept'>): string =>
  kept === null ? receivedAt : new Date(Date.parse(at) - kept.aheadMs).toISOString();

/** The first place where a record does not hold. `seq` 0 is its plan, or the record as a whole. */
export interface ChainFault {
  readonly seq: number;
  readonly fault: string;
}

const hashes = new WeakMap<ChainedEvent, string>();

/** The hash of an event that is there and does not change any more: worked out once. */
function hashOfStored(event: ChainedEvent): string {
  const before = hashes.get(event);
  if (before !== undefined) return before;
  const hash = eventHash(event);
  hashes.set(event, hash);
  return hash;
}

const MOST_KNOWN = 200_000;
const readable = new Set<string>();

/** Can its body be read? What a hash covers never changes, so each is looked at once. */
function isReadable({ hash, kind, body }: ChainedEvent): boolean {
  if (readable.has(hash)) return true;
  if (!readBody(kind, body).ok) return false;
  if (readable.size >= MOST_KNOWN) readable.clear();
  readable.add(hash);
  return true;
}

/** Audits a subject's events, in order. Empty means untouched: a changed, dropped, added or moved event shows; a cut tail only by `auditTail`. */
export function auditChain(events: readonly ChainedEvent[]): ChainFault[] {
  const faults: ChainFault[] = [];
  let previous = GENESIS;
  events.forEach((event, i) => {
    if (event.seq !== i + 1) faults.push({ seq: event.seq, fault: `number ${i + 1} was expected here` });
    if (event.prevHash !== previous)
      faults.push({ seq: event.seq, fault: 'does not follow the event before it' });
    if (hashOfStored(event) !== event.hash)
      faults.push({ seq: event.seq, fault: 'has been changed after it was written' });
    else if (!isReadable(event))
      faults.push({ seq: event.seq, fault: 'does not hold what an event of its kind holds' });
    const names = nameFault(event);
    if (names !== null) faults.push({ seq: event.seq, fault: names });
    if (event.version < 3 && event.person !== null)
      faults.push({ seq: event.seq, fault: 'names a person who was not signed in when it was written' });
    if (event.version < 4 && event.kept !== null)
      faults.push({ seq: event.seq, fault: 'says that a device kept it, before devices could' });
    if (event.version < (events[i - 1]?.version ?? 1))
      faults.push({ seq: event.seq, fault: 'claims to be older than the event before it' });
    previous = event.hash;
  });
  return faults;
}

/**
 * Does a record belong to this end of a cable? A cable may be given another tag, its ends never change places: a record that was written for the other
 * one was put here by somebody.
 */
export function auditEnd(events: readonly ChainedEvent[], end: 'A' | 'B'): ChainFault[] {
  const strange = events.find((e) => e.subjectKind === 'termination' && !e.subject.endsWith(`/${end}`));
  return strange === undefined
    ? []
    : [{ seq: strange.seq, fault: `was written for ${strange.subject}, and this is an end ${end}` }];
}

/** What a subject was called when its events were written, where that is not what it is called now; each name once, the first first. */
export const formerNames = (events: readonly ChainedEvent[], now: string): string[] => [
  ...new Set(events.map((e) => e.subject).filter((name) => name !== now)),
];

/** A fault in words that stand alone. */
export const faultWords = ({ seq, fault }: ChainFault): string =>
  seq === 0 ? fault : `event ${seq} ${fault}`;
