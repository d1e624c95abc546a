import { ARMOUR_WORDS } from '@/core/catalogue';
import { sheetName, type Criterion } from '../finding';
import { judgeSeal } from './seal';

/** The clamping ring: which face takes this armour, and whether its thickness lies in the face's range. */
export const armourRing: Criterion = {
  id: 'armourRing',
  scope: 'size',
  title: 'Armour',
  judge: (context) => {
    const { input, family, ring, size } = context;
    const source = sheetName(family);
    const base = { criterion: 'armourRing', margin: null, source } as const;
    if (input.cableType.armour === 'none') {
      return { ...base, verdict: 'fits', takes: 'none', has: 'no armour', reason: 'the cable has no armour' };
    }
    if (ring === null) {
      const words = ARMOUR_WORDS[input.cableType.armour];
      const reason =
        size.rings.length === 0 ? 'this family clamps no armour' : `no face of the ring takes ${words}`;
      return { ...base, verdict: 'misfit', takes: 'none', has: words, reason };
    }
    const face = ring.option.face === 'plain' ? 'ring' : `${ring.option.face} groove`;
    const what = ring.option.ring === undefined ? face : `${face} of ring ${ring.option.ring}`;
    return judgeSeal(context, 'armourRing', { what, thing: 'armour' }, ring.option.range, input.armourWire);
  },
};
