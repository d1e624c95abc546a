import type { Reading } from '@/core/cable-measurement';
import type { Person, SubjectRef, WorkInput } from '@/core/record';
import type { EventView } from '@/core/record';

/** The last time that a device heard of the server: the same moment by both clocks, ISO 8601. */
export interface Contact {
  readonly server: string;
  readonly device: string;
}

/** What a device knew of a record when it began to keep work for it: its last event, and the plan that the work follows. */
export interface Base {
  /** 0 where nothing was recorded yet. */
  readonly seq: number;
  /** Of the last event; empty where there was none. */
  readonly hash: string;
  readonly planHash: string;
}

/** Something that a hand did while no server was there: work at a step, or a reading. */
export type Deed =
  | { readonly kind: 'work'; readonly input: WorkInput }
  | { readonly kind: 'reading'; readonly id: string; readonly at: string; readonly reading: Reading };

/** A deed as the device keeps it until the server has it. */
export interface KeptDeed {
  readonly subject: SubjectRef;
  readonly base: Base;
  readonly contact: Contact;
  /** Who did it: nobody else sends it. */
  readonly person: Person;
  /** In words, for a list. */
  readonly title: string;
  readonly deed: Deed;
}

/** Work of one subject as it is sent: in the order in which it was done. */
export interface KeptBatch {
  readonly base: Base;
  /** By the device's clock, when it was sent. */
  readonly sentAt: string;
  readonly person: string | null;
  readonly items: readonly { readonly input: WorkInput; readonly contact: Contact }[];
  /** Events that this device has recorded of the subject before: what it did itself is nothing that others did, whenever it was sent. */
  readonly mine?: readonly string[] | undefined;
  /** What somebody has decided where the record went another way meanwhile; null where nothing was to be decided. */
  readonly settle: Settle | null;
}

/** `record`: the record stands, what the device kept is told and counts for nothing. `device`: what was recorded meanwhile is taken back, then the device's work goes in. */
export interface Settle {
  readonly stands: 'record' | 'device';
  readonly reason: string;
  /** Last event that was shown to whoever decided; what came after it has to be looked at first. */
  readonly seen: string;
}

export interface KeptOutcome {
  /** How many of the items, from the first, the record holds now. */
  readonly recorded: number;
  readonly waste: string | null;
  /** Why the next one did not go in; null when all did. */
  readonly stopped: { readonly path: string; readonly message: string } | null;
  /** The record went another way meanwhile; nothing was written. */
  readonly conflict: Conflict | null;
}

export interface Conflict {
  /** What others recorded since, in order; empty where only the plan is another one. */
  readonly theirs: readonly EventView[];
  readonly planChanged: boolean;
}

/** What is known of a record by its events, in order, and the hash of the plan in force; empty where there is none. */
export function baseOf(events: readonly Pick<EventView, 'seq' | 'hash'>[], planHash: string): Base {
  const last = events[events.length - 1];
  return { seq: last?.seq ?? 0, hash: last?.hash ?? '', planHash };
}

/** Most that is sent at once: a run has far fewer steps. */
export const MOST_KEPT = 500;

export const deedId = (deed: Deed): string => (deed.kind === 'work' ? deed.input.id : deed.id);
/** SHA-256 of the photos that a deed names. */
export const deedPhotos = (deed: Deed): readonly string[] =>
  deed.kind === 'work' && deed.input.command.kind === 'confirm' ? (deed.input.command.photos ?? []) : [];
export const deedAt = (deed: Deed): string => (deed.kind === 'work' ? deed.input.at : deed.at);

/** One name for a subject, for stores and lists. */
export const subjectKey = (subject: SubjectRef): string =>
  subject.kind === 'termination'
    ? `termination/${subject.job}/${subject.cable}/${subject.end}`
    : `crossing/${subject.job}/${subject.crossing}`;
