import type { Entry } from '@/core/schedule';

/** What an entry is made to take: a gland of any kind, a plug-in body, a coupler, or only the clamp that its device has come with. */
export type MadeFor = 'gland' | 'plugIn' | 'coupler' | 'ownClamp' | 'inLineSockets' | 'inLinePins';

export const MADE_FOR: readonly (readonly [MadeFor, string])[] = [
  ['gland', 'a gland'],
  ['plugIn', 'a plug-in body'],
  ['coupler', 'a coupler'],
  ['ownClamp', 'the device’s own clamp'],
  ['inLineSockets', 'half of an in-line joint with sockets, the side that feeds'],
  ['inLinePins', 'half of an in-line joint with pins, the side that is fed'],
];

/** What an entry is made to take. A device's own clamp takes nothing else, whatever more is said of the entry. */
export function madeFor({
  ownClamp,
  coupler,
  plugIn,
  inLine,
}: Pick<Entry, 'ownClamp' | 'coupler' | 'plugIn' | 'inLine'>): MadeFor {
  if (ownClamp === true) return 'ownClamp';
  if (inLine !== undefined) return inLine === 'sockets' ? 'inLineSockets' : 'inLinePins';
  if (coupler === true) return 'coupler';
  return plugIn === true ? 'plugIn' : 'gland';
}

/** The same entry, made for something else; an entry made for a gland says nothing. */
export function withMadeFor(
  { plugIn: _p, ownClamp: _c, coupler: _u, inLine: _i, ...entry }: Entry,
  kind: MadeFor,
): Entry {
  switch (kind) {
    case 'gland':
      return entry;
    case 'inLineSockets':
      return { ...entry, inLine: 'sockets' };
    case 'inLinePins':
      return { ...entry, inLine: 'pins' };
    default:
      return { ...entry, [kind]: true };
  }
}
