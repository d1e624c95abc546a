import type { StoredDeed } from './kept-db';

const DAY_MS = 24 * 3600_000;

/** “3 not sent, since 10:42”: what of this device's work the server has not got. Times are of this device, ms. */
export function unsentWords(kept: readonly Pick<StoredDeed, 'since'>[], now = Date.now()): string {
  const [first] = kept;
  if (first === undefined) return '';
  const since = new Date(first.since);
  const clock = since.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
  const day = now - first.since > DAY_MS ? `${since.toLocaleDateString('en-GB')} ` : '';
  return `${kept.length} not sent, since ${day}${clock}`;
}
