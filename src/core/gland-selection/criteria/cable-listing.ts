import { cableListed } from '../cable-listing';
import { plainFinding, type Criterion } from '../finding';

/** Under division-style codes the cable's own listing for the place decides before any gland. */
export const cableListing: Criterion = {
  id: 'cableListing',
  scope: 'family',
  judge: ({ input }) => {
    const { verdict, takes, has, reason } = cableListed(input);
    const asks = verdict === 'unknown' ? (['listings'] as const) : [];
    return plainFinding('cableListing', verdict, takes, has, reason, input.profile.cableListing.source, asks);
  },
};
