import type { NoFigures, Said } from '@/core/kernel';
import type { CableType } from '@/core/schedule';
import type { TerminationInput } from './termination-input';

export type Listing = NonNullable<CableType['listings']>[number];

/** A place by class and division. */
export interface DivisionPlace {
  readonly hazardClass: string;
  readonly division: number;
}

/** What a cable is listed for that goes where something else is asked for. */
export interface ListingLack {
  readonly place: DivisionPlace;
  readonly accepts: readonly Listing[];
  readonly has: readonly Listing[];
  readonly cable: string;
}

export interface ListingCases {
  listingNotAsked: NoFigures;
  listingNotKnown: { place: DivisionPlace; accepts: readonly Listing[]; cable: string };
  listingLacks: ListingLack;
  listed: { place: DivisionPlace; accepts: readonly Listing[]; has: readonly Listing[]; by: Listing };
}

/** Does the cable itself carry the hazardous-location listing that its place asks for? */
export interface ListingAnswer {
  readonly verdict: 'fits' | 'unknown' | 'misfit';
  readonly case: Said<ListingCases>;
}

/** In division-style codes the listing of the cable decides before any gland. A profile without such rows asks nothing. */
export function cableListed({
  cableType,
  enclosure,
  profile,
}: Pick<TerminationInput, 'cableType' | 'enclosure' | 'profile'>): ListingAnswer {
  const row = profile.cableListing.rows.find(
    (r) => r.hazardClass === enclosure.hazardClass && r.division === enclosure.division,
  );
  if (row === undefined) return { verdict: 'fits', case: { code: 'listingNotAsked' } };
  const { accepts } = row;
  const place = { hazardClass: row.hazardClass, division: row.division };
  const { listings: has, code: cable } = cableType;
  if (has === undefined)
    return { verdict: 'unknown', case: { code: 'listingNotKnown', place, accepts, cable } };
  const by = has.find((l) => accepts.includes(l));
  return by === undefined
    ? { verdict: 'misfit', case: { code: 'listingLacks', place, accepts, has, cable } }
    : { verdict: 'fits', case: { code: 'listed', place, accepts, has, by } };
}
