import type { EventView } from './at-the-bench';
import type { SubjectKind } from './chain';
import type { EventKind } from './event-body';

/** Groups of events that somebody looks for in a record. */
export const RECORD_GROUPS = {
  all: null,
  signed: ['sign'],
  looked: ['look'],
  compound: ['mix', 'waste', 'temperature'],
  tested: ['test'],
  takenBack: ['correct', 'recut', 'leftOut', 'replan'],
  notes: ['note'],
} as const satisfies Readonly<Record<string, readonly EventKind[] | null>>;
export type RecordGroup = keyof typeof RECORD_GROUPS;

/** An event that was found, with whose it is. */
export interface FoundEvent {
  readonly kind: SubjectKind;
  /** As it was called when the event was written. */
  readonly subject: string;
  readonly event: EventView;
}

export interface FoundEvents {
  readonly total: number;
  readonly found: readonly FoundEvent[];
}
