import type { Verdict } from './verdict';
import type { TerminationInput } from './termination-input';

/** Does the cable itself carry the hazardous-location listing that its place asks for? */
export interface ListingAnswer {
  readonly verdict: Verdict;
  readonly takes: string;
  readonly has: string;
  readonly reason: string;
}

const words = (listing: string): string =>
  listing === 'tray' ? 'tray use' : `class ${listing.replace('/', ' division ')}`;

/** In division-style codes the listing of the cable decides before any gland. A profile without such rows asks nothing. */
export function cableListed({
  cableType,
  enclosure,
  profile,
}: Pick<TerminationInput, 'cableType' | 'enclosure' | 'profile'>): ListingAnswer {
  const row = profile.cableListing.rows.find(
    (r) => r.hazardClass === enclosure.hazardClass && r.division === enclosure.division,
  );
  if (row === undefined) {
    const reason = 'this place asks for no listing of the cable';
    return { verdict: 'fits', takes: 'any cable', has: '–', reason };
  }
  const takes = row.accepts.map(words).join(' or ');
  const place = `class ${row.hazardClass}, division ${row.division}`;
  const { listings } = cableType;
  if (listings === undefined) {
    const reason = `${place} asks for a cable listed for ${takes}; what ${cableType.code} is listed for is not known`;
    return { verdict: 'unknown', takes, has: 'not known', reason };
  }
  const has = listings.length === 0 ? 'no listing' : listings.map(words).join(', ');
  const good = listings.find((l) => row.accepts.includes(l));
  return good === undefined
    ? {
        verdict: 'misfit',
        takes,
        has,
        reason: `${place} asks for a cable listed for ${takes}; ${cableType.code} has ${has}`,
      }
    : { verdict: 'fits', takes, has, reason: `listed for ${words(good)}, which ${place} accepts` };
}
