import type { DivisionPlace, Listing, ListingCases, ListingLack } from '../cable-listing';
import type { Wording } from '@/core/kernel';
import type { FoundWords } from './found-words';
import { listingWords } from './small-words';

const listed = (listings: readonly Listing[], between: string): string =>
  listings.map(listingWords).join(between);
const placeOf = ({ hazardClass, division }: DivisionPlace): string =>
  `class ${hazardClass}, division ${division}`;

/** “class I, division 1 asks for a cable listed for class I division 1; K has tray use”. */
export const listingLackWords = ({ place, accepts, has, cable }: ListingLack): string =>
  `${placeOf(place)} asks for a cable listed for ${listed(accepts, ' or ')}; ${cable} has ${listed(has, ', ') || 'no listing'}`;

export const LISTING_FOUND: Wording<ListingCases, FoundWords> = {
  listingNotAsked: () => ({
    takes: 'any cable',
    has: '–',
    reason: 'this place asks for no listing of the cable',
  }),
  listingNotKnown: ({ place, accepts, cable }) => {
    const takes = listed(accepts, ' or ');
    return {
      takes,
      has: 'not known',
      reason: `${placeOf(place)} asks for a cable listed for ${takes}; what ${cable} is listed for is not known`,
    };
  },
  listingLacks: (lack) => ({
    takes: listed(lack.accepts, ' or '),
    has: listed(lack.has, ', ') || 'no listing',
    reason: listingLackWords(lack),
  }),
  listed: ({ place, accepts, has, by }) => ({
    takes: listed(accepts, ' or '),
    has: listed(has, ', '),
    reason: `listed for ${listingWords(by)}, which ${placeOf(place)} accepts`,
  }),
};
