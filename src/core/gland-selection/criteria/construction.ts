import { ARMOUR_WORDS } from '@/core/catalogue';
import { coldFlowRefusal, constructionRefusal } from '../construction-refusal';
import { plainFinding, sheetName, type Criterion } from '../finding';

/** Does the family take this construction of cable at all? */
export const construction: Criterion = {
  id: 'construction',
  scope: 'family',
  judge: ({ input, family }) => {
    const refusal = constructionRefusal(family, input.cableType);
    const has = ARMOUR_WORDS[input.cableType.armour];
    return plainFinding(
      'construction',
      refusal === null ? 'fits' : 'misfit',
      family.accepts.armour.map((a) => ARMOUR_WORDS[a]).join(', '),
      has,
      refusal ?? `takes ${has}`,
      sheetName(family),
    );
  },
};

/** A sheath that creeps asks for a seal that follows it. */
export const coldFlow: Criterion = {
  id: 'coldFlow',
  scope: 'family',
  judge: ({ input, family }) => {
    const refusal = coldFlowRefusal(family, input.cableType);
    return plainFinding(
      'coldFlow',
      refusal === null ? 'fits' : 'misfit',
      family.accepts.coldFlow ? 'creeping sheath too' : 'firm sheath',
      input.cableType.coldFlow ? 'creeps' : 'firm',
      refusal ??
        (input.cableType.coldFlow
          ? 'the inner seal follows a sheath that creeps'
          : 'the sheath does not creep'),
      sheetName(family),
    );
  },
};
