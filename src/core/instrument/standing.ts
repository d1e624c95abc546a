import type { InstrumentCheck } from './instrument';
import { isSimulated, plainCode } from './name';

/** What an instrument in use on a day was worth, by all checks that are known today. */
export type Standing =
  | { readonly good: true; readonly until: string }
  | {
      readonly good: false;
      readonly why: 'undated' | 'unchecked' | 'failedBefore' | 'failedAfter' | 'lapsed';
      readonly on: string;
    };

/** Checks in the order of their days; of one day the one that came in last counts last. */
const inOrder = (checks: readonly InstrumentCheck[]): InstrumentCheck[] =>
  [...checks].sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0));

/**
 * Was an instrument good on a day (`2027-03-31`)? It needs a good check on or before it that still held, and the first check after it, once there is
 * one, must have found it good: one that is found bad had drifted at a time that nobody knows, and what was made since its last good check
 * is open again.
 */
export function standingOn(checks: readonly InstrumentCheck[], day: string): Standing {
  if (day === '') return { good: false, why: 'undated', on: day };
  const ordered = inOrder(checks);
  const before = ordered.findLast((c) => c.on <= day);
  if (before === undefined) return { good: false, why: 'unchecked', on: day };
  if (!before.good) return { good: false, why: 'failedBefore', on: before.on };
  if (before.until < day) return { good: false, why: 'lapsed', on: before.until };
  const after = ordered.find((c) => c.on > day);
  if (after !== undefined && !after.good) return { good: false, why: 'failedAfter', on: after.on };
  return { good: true, until: before.until };
}

/** What is wrong with it, in a sentence that begins with its name. */
export function standingWords(code: string, standing: Standing): string {
  if (standing.good) return `${code} is in calibration until ${standing.until}`;
  switch (standing.why) {
    case 'undated':
      return `nobody said when ${code} was used`;
    case 'unchecked':
      return `${code} has no check before ${standing.on}: nobody knows what it is worth`;
    case 'failedBefore':
      return `${code} was found out of calibration on ${standing.on}`;
    case 'failedAfter':
      return `${code} was found out of calibration on ${standing.on}, after it was used here`;
    case 'lapsed':
      return `the calibration of ${code} ended on ${standing.on}`;
  }
}

/** An instrument in use: its name as it was written, and when, ISO 8601. */
export interface InUse {
  readonly code: string;
  readonly at: string;
}

export interface Registered {
  readonly code: string;
  readonly checks: readonly InstrumentCheck[];
}

/**
 * Why work that was measured with these may not be signed, a sentence for each instrument. A simulator measured nothing, whatever the job keeps.
 * A job that keeps no register says nothing of the others; one that keeps one knows of every instrument in use, or it is not known what that is
 * worth.
 */
export function unfitInstruments(register: readonly Registered[], used: readonly InUse[]): string[] {
  const known = new Map(register.map((r) => [plainCode(r.code), r]));
  const said = new Map<string, string>();
  for (const { code, at } of used) {
    const name = plainCode(code);
    if (name === '' || said.has(name)) continue;
    const found = known.get(name);
    if (isSimulated(code)) said.set(name, `${code} measures nothing: take the figure with a real instrument`);
    else if (register.length === 0) continue;
    else if (found === undefined)
      said.set(name, `${code} is not in the register: nobody knows its calibration`);
    else {
      const standing = standingOn(found.checks, at.slice(0, 10));
      if (!standing.good) said.set(name, standingWords(found.code, standing));
    }
  }
  return [...said.values()];
}

/** What was made with an instrument and is open again, of all that was: the uses on days on which it was not good. */
export const openAgain = <T extends InUse>(registered: Registered, used: readonly T[]): T[] =>
  used.filter(
    (u) =>
      plainCode(u.code) === plainCode(registered.code) &&
      !standingOn(registered.checks, u.at.slice(0, 10)).good,
  );
