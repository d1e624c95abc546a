import { ARMOUR_WORDS } from '@/core/catalogue';
import { sheetName, type Criterion } from '../finding';
import { constructionRefusal } from '../construction-refusal';

/** Does the family take this construction of cable at all? */
export const construction: Criterion = {
  id: 'construction',
  scope: 'family',
  title: 'Construction',
  judge: ({ input, family }) => {
    const refusal = constructionRefusal(family, input.cableType);
    return {
      criterion: 'construction',
      verdict: refusal === null ? 'fits' : 'misfit',
      takes: family.accepts.armour.map((a) => ARMOUR_WORDS[a]).join(', '),
      has: ARMOUR_WORDS[input.cableType.armour],
      margin: null,
      reason: refusal ?? `takes ${ARMOUR_WORDS[input.cableType.armour]}`,
      source: sheetName(family),
    };
  },
};
