import type { ChainedEvent } from './chain';
import type { Command } from './decide';

// What goes to and fro between a bench and whoever keeps its record.

/** How the end of a cable is named in an address: job, cable tag, end. */
export interface TerminationRef {
  readonly job: string;
  readonly cable: string;
  readonly end: string;
}

export interface CrossingRef {
  readonly job: string;
  readonly crossing: string;
}

/** What work is recorded of. */
export type SubjectRef =
  ({ readonly kind: 'termination' } & TerminationRef) | ({ readonly kind: 'crossing' } & CrossingRef);

/** A command as a hand types it: a length that is cut off comes in the job's unit. */
export type WorkCommand =
  Exclude<Command, { readonly kind: 'recut' }> | { readonly kind: 'recut'; readonly text: string };

export interface WorkInput {
  /** Made by the device, so that a repeated send is stored once. */
  readonly id: string;
  /** When the hand did it, by the clock of the device. */
  readonly at: string;
  readonly command: WorkCommand;
}

export interface WorkOutcome {
  /** The very same event had arrived before. */
  readonly repeated: boolean;
  /** Set when the mix came too late: it is recorded as waste, and why. */
  readonly waste: string | null;
}

/** A recorded event as it is shown. */
export type EventView = Pick<
  ChainedEvent,
  | 'id'
  | 'kept'
  | 'seq'
  | 'stepId'
  | 'kind'
  | 'actor'
  | 'person'
  | 'at'
  | 'receivedAt'
  | 'body'
  | 'planHash'
  | 'hash'
>;

export const eventView = (event: ChainedEvent): EventView => {
  const { id, kept, seq, stepId, kind, actor, person, at, receivedAt, body, planHash, hash } = event;
  return { id, kept, seq, stepId, kind, actor, person, at, receivedAt, body, planHash, hash };
};
