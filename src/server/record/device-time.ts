import { ok, refuse, type Result } from '@/core/kernel';

/** A device's clock may run ahead of the server's by this much, and lag as much behind it. */
const APART_MS = 2 * 60_000;

/**
 * May this time of a device be recorded? The server's time orders events and judges pot life and cure; what the device says is kept beside
 * it. Refused: a text that is no instant, more than two minutes ahead of the server, before what it follows (the record's last event, or the
 * plan that the work follows). `after` is an instant in ms; null where nothing came before.
 */
export function deviceTime(at: string, now: Date, after: number | null): Result<null> {
  const ms = typeof at === 'string' ? Date.parse(at) : NaN;
  if (Number.isNaN(ms) || new Date(ms).toISOString() !== at) return refuse('at', 'is not a time', at);
  if (ms > now.getTime() + APART_MS)
    return refuse('at', 'the clock of this device runs ahead: set it before you go on', at);
  if (after !== null && ms < after - APART_MS)
    return refuse(
      'at',
      `lies before what it follows (${new Date(after).toISOString().slice(0, 16).replace('T', ' ')} UTC): set the clock of this device`,
      at,
    );
  return ok(null);
}

/** The later of the instants that something follows. */
export const latest = (...instants: readonly (number | null)[]): number | null => {
  const known = instants.filter((i) => i !== null);
  return known.length === 0 ? null : Math.max(...known);
};
