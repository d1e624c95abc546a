import { hashOf } from '@/core/kernel';

/** What is hashed of an event: everything but its own hash. Times are ISO 8601 as the bench sent them. */
export interface EventContent {
  readonly id: string;
  readonly termination: string;
  readonly seq: number;
  readonly stepId: string;
  readonly kind: string;
  readonly actor: string;
  readonly at: string;
  readonly body: unknown;
  readonly planHash: string;
  readonly prevHash: string;
}

export interface ChainedEvent extends EventContent {
  readonly hash: string;
}

/** The hash before the first event of a termination. */
export const GENESIS = '0'.repeat(64);

/** Hash of an event, which covers the hash of the event before it. */
export function eventHash(event: EventContent): string {
  const { id, termination, seq, stepId, kind, actor, at, body, planHash, prevHash } = event;
  return hashOf({ id, termination, seq, stepId, kind, actor, at, body, planHash, prevHash });
}

export interface ChainFault {
  readonly seq: number;
  readonly fault: string;
}

/** Audits a termination's events, in order. Empty means untouched: a changed, dropped, added or moved event shows. */
export function auditChain(events: readonly ChainedEvent[]): ChainFault[] {
  const faults: ChainFault[] = [];
  let previous = GENESIS;
  events.forEach((event, i) => {
    if (event.seq !== i + 1) faults.push({ seq: event.seq, fault: `number ${i + 1} was expected here` });
    if (event.prevHash !== previous)
      faults.push({ seq: event.seq, fault: 'does not follow the event before it' });
    if (eventHash(event) !== event.hash)
      faults.push({ seq: event.seq, fault: 'has been changed after it was written' });
    previous = event.hash;
  });
  return faults;
}
