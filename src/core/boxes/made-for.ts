import type { Entry } from '@/core/schedule';

/** What an entry is made to take: a gland of any kind, a plug-in body, a coupler, or only the clamp that its device has come with. */
export type MadeFor = 'gland' | 'plugIn' | 'coupler' | 'ownClamp';

export const MADE_FOR: readonly (readonly [MadeFor, string])[] = [
  ['gland', 'a gland'],
  ['plugIn', 'a plug-in body'],
  ['coupler', 'a coupler'],
  ['ownClamp', 'the device’s own clamp'],
];

/** What an entry is made to take. A device's own clamp takes nothing else, whatever more is said of the entry. */
export function madeFor({
  ownClamp,
  coupler,
  plugIn,
}: Pick<Entry, 'ownClamp' | 'coupler' | 'plugIn'>): MadeFor {
  if (ownClamp === true) return 'ownClamp';
  if (coupler === true) return 'coupler';
  return plugIn === true ? 'plugIn' : 'gland';
}

/** The same entry, made for something else; an entry made for a gland says nothing. */
export function withMadeFor(
  { plugIn: _p, ownClamp: _c, coupler: _u, ...entry }: Entry,
  kind: MadeFor,
): Entry {
  return kind === 'gland' ? entry : { ...entry, [kind]: true };
}
