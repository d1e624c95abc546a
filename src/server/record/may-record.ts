import { faultWords, type ChainFault } from '@/core/record';
import { ok, refuse, type Result } from '@/core/kernel';
import type { StoredEvent } from '@/data';
import { deviceTime, latest } from './device-time';

/** What decides whether anything may be added to a record. */
export interface RecordState {
  readonly faults: readonly ChainFault[];
  readonly events: readonly StoredEvent[];
  /** When the plan in force was made; null where there is none. */
  readonly plannedAt: Date | null;
}

/** Why nothing may be added to a record that does not hold; null when it does. */
export function brokenRecord(faults: readonly ChainFault[]): ReturnType<typeof refuse> | null {
  const [fault] = faults;
  return fault === undefined
    ? null
    : refuse('record', `this record does not hold (${faultWords(fault)}): nothing is added to it or signed`);
}

/**
 * May work be added to this record now? Nothing is added to a record that does not hold, nor with a time of the device (`at`) that cannot be:
 * before the plan, or before the last event by the device that sent it. Times of what a device kept are judged as a whole, elsewhere.
 */
export function mayRecord(
  { faults, events, plannedAt }: RecordState,
  at: string,
  now: Date,
  judged: 'here' | 'as kept' = 'here',
): Result<null> {
  const broken = brokenRecord(faults);
  if (broken) return broken;
  if (judged === 'as kept') return ok(null);
  const last = events[events.length - 1];
  return deviceTime(
    at,
    now,
    latest(
      plannedAt?.getTime() ?? null,
      last ? Math.min(Date.parse(last.at), Date.parse(last.receivedAt)) : null,
    ),
  );
}
