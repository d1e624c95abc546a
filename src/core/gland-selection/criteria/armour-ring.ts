import { ARMOUR_WORDS } from '@/core/catalogue';
import { plainFinding, sheetName, type Criterion } from '../finding';
import { armourQuantity } from '../termination-input';
import { judgeSeal } from './seal';

/** The clamping or earthing ring: which face takes this armour, and whether the armour lies in the face's range. */
export const armourRing: Criterion = {
  id: 'armourRing',
  scope: 'size',
  absent: ({ input }) => (input.cableType.armour === 'none' ? 'the cable has no armour' : null),
  judge: (context) => {
    const { input, family, facts, ring } = context;
    const { armour } = input.cableType;
    if (ring === null) {
      const words = ARMOUR_WORDS[armour];
      const reason =
        facts.rings.length === 0 ? 'this family clamps no armour' : `no face of the ring takes ${words}`;
      return plainFinding('armourRing', 'misfit', 'none', words, reason, sheetName(family));
    }
    return judgeSeal(context, 'armourRing', ring.facts, armourQuantity(armour));
  },
};
