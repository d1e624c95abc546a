import { constructionRefusal, letsGoOfCreep } from '../construction-refusal';
import { plainFinding, sheetOf, type Criterion } from '../finding';

/** Does the family take this construction of cable at all? */
export const construction: Criterion = {
  id: 'construction',
  scope: 'family',
  judge: ({ input, family }) => {
    const refusal = constructionRefusal(family, input.cableType);
    const { armour, construction: made = null } = input.cableType;
    const { armour: accepts, construction: madeFor = null } = family.accepts;
    return plainFinding(
      'construction',
      refusal === null ? 'fits' : 'misfit',
      { code: 'construction', family: family.code, accepts, armour, refusal, madeFor, made },
      sheetOf(family),
    );
  },
};

/** A sheath that creeps asks for a seal that follows it. */
export const coldFlow: Criterion = {
  id: 'coldFlow',
  scope: 'family',
  judge: ({ input, family }) =>
    plainFinding(
      'coldFlow',
      letsGoOfCreep(family, input.cableType) ? 'misfit' : 'fits',
      { code: 'coldFlow', followsCreep: family.accepts.coldFlow, creeps: input.cableType.coldFlow },
      sheetOf(family),
    ),
};
