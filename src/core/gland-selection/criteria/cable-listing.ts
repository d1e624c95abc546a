import { cableListed } from '../cable-listing';
import { plainFinding, type Criterion } from '../finding';

/** Under division-style codes the cable's own listing for the place decides before any gland. */
export const cableListing: Criterion = {
  id: 'cableListing',
  scope: 'family',
  judge: ({ input }) => {
    const { verdict, case: found } = cableListed(input);
    const asks = verdict === 'unknown' ? (['listings'] as const) : [];
    const source = { code: 'profile', text: input.profile.cableListing.source } as const;
    return plainFinding('cableListing', verdict, found, source, asks);
  },
};
