import type { Entry } from '@/core/schedule';

/** What an entry is made to take: a gland of any kind, a plug-in body, or only the clamp that its device has come with. */
export type MadeFor = 'gland' | 'plugIn' | 'ownClamp';

export const MADE_FOR: readonly (readonly [MadeFor, string])[] = [
  ['gland', 'a gland'],
  ['plugIn', 'a plug-in body'],
  ['ownClamp', 'the device’s own clamp'],
];

/** What an entry is made to take. A device's own clamp takes nothing else, whatever more is said of the entry. */
export const madeFor = ({ ownClamp, plugIn }: Pick<Entry, 'ownClamp' | 'plugIn'>): MadeFor =>
  ownClamp === true ? 'ownClamp' : plugIn === true ? 'plugIn' : 'gland';

/** The same entry, made for something else; an entry made for a gland says nothing. */
export function withMadeFor({ plugIn: _p, ownClamp: _c, ...entry }: Entry, kind: MadeFor): Entry {
  return kind === 'gland' ? entry : { ...entry, [kind]: true };
}
