import { plainFinding, sheetOf, type Criterion } from '../finding';
import { armourQuantity } from '../termination-input';
import { judgeSeal } from './seal';

/** The clamping or earthing ring: which face takes this armour, and whether the armour lies in the face's range. */
export const armourRing: Criterion = {
  id: 'armourRing',
  scope: 'size',
  absent: ({ input }) => (input.cableType.armour === 'none' ? 'armour' : null),
  judge: (context) => {
    const { input, family, facts, ring } = context;
    const { armour } = input.cableType;
    if (ring !== null) return judgeSeal(context, 'armourRing', ring.facts, armourQuantity(armour));
    const code = facts.rings.length === 0 ? 'clampsNoArmour' : 'noFaceFor';
    return plainFinding('armourRing', 'misfit', { code, armour }, sheetOf(family));
  },
};
