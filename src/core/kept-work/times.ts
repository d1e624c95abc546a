import { ok, refuse, type Result } from '@/core/kernel';
import type { Kept } from '@/core/record';
import type { Contact } from './deed';

/** Two clocks may differ by this much, and no more: as for what reaches the server at once. */
const APART_MS = 2 * 60_000;

interface Timed {
  readonly at: string;
  readonly contact: Contact;
}

const instant = (text: string): number | null => {
  const ms = Date.parse(text);
  return Number.isNaN(ms) || new Date(ms).toISOString() !== text ? null : ms;
};

const minutes = (ms: number): string => `${Math.round(Math.abs(ms) / 60_000)} min`;

/** How far the clock of a device was ahead of the server's when they last met, ms. Both times must be instants. */
export const aheadMs = ({ server, device }: Contact): number => Date.parse(device) - Date.parse(server);

/**
 * Our own rule for times that nobody but the device has seen: they never go back, none lies before its last contact with the server, and none after it was
 * received; the device's clock was right at that contact, and was not set since (`sentAt` is its time when it sent them). What is off by more
 * than two minutes is refused with the number. `known` is when the newest thing that the device knew of took place: no last contact lies
 * before it. Returns for each how it was kept. Times are ISO 8601.
 */
export function keptTimes(
  items: readonly Timed[],
  sentAt: string,
  receivedAt: string,
  known: string | null = null,
): Result<readonly Kept[]> {
  const received = Date.parse(receivedAt);
  const sent = instant(sentAt);
  if (sent === null) return refuse('sentAt', 'is not a time', sentAt);
  let previous = -Infinity;
  const kept: Kept[] = [];
  for (const [i, { at, contact }] of items.entries()) {
    const path = `items[${i}].at`;
    const [mine, server, device] = [instant(at), instant(contact.server), instant(contact.device)];
    if (mine === null || server === null || device === null) return refuse(path, 'is not a time', at);
    const ahead = device - server;
    if (Math.abs(ahead) > APART_MS)
      return refuse(
        path,
        `the clock of this device was ${minutes(ahead)} ${ahead > 0 ? 'ahead' : 'behind'} at its last contact`,
        at,
      );
    if (server > received)
      return refuse(path, 'its last contact lies ahead of the server’s clock', contact.server);
    const unseen = known === null ? 0 : Date.parse(known) - server;
    if (unseen > APART_MS)
      return refuse(path, `its last contact lies ${minutes(unseen)} before what it says it has seen`, at);
    const moved = sent - received - ahead;
    if (Math.abs(moved) > APART_MS)
      return refuse(path, `the clock of this device was set by ${minutes(moved)} while it was away`, at);
    if (mine < device) return refuse(path, `lies ${minutes(device - mine)} before the last contact`, at);
    if (mine < previous)
      return refuse(path, `lies ${minutes(previous - mine)} before what was done first`, at);
    if (mine - ahead > received + APART_MS)
      return refuse(path, `lies ${minutes(mine - ahead - received)} ahead of the server’s clock`, at);
    previous = mine;
    kept.push({ contact: contact.server, aheadMs: ahead });
  }
  return ok(kept);
}

/**
 * May something be kept with this time of the device, after what it has kept already? Said at the bench, before the hand goes on: the clock has
 * gone back, or was wrong when the server was last heard. `previous` is null where nothing is kept yet.
 */
export function mayKeep(at: string, contact: Contact | null, previous: string | null): Result<null> {
  if (contact === null)
    return refuse('at', 'this device has never heard of the server: nothing says what its clock is worth');
  const ahead = aheadMs(contact);
  if (Math.abs(ahead) > APART_MS)
    return refuse(
      'at',
      `the clock of this device is ${minutes(ahead)} ${ahead > 0 ? 'ahead' : 'behind'}: set it, and meet the server once more`,
    );
  const floor = Math.max(Date.parse(contact.device), previous === null ? -Infinity : Date.parse(previous));
  const back = floor - Date.parse(at);
  return back > 0
    ? refuse(
        'at',
        `the clock of this device has gone back by ${minutes(back)}: set it right before you go on`,
      )
    : ok(null);
}
