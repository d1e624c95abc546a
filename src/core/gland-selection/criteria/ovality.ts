import { ovalityExceeds } from '@/core/cable-measurement';
import { isFlameproof } from '@/core/schedule';
import { plainFinding, sheetOf, type Criterion } from '../finding';
import { flameproofSealOn } from '../termination-input';

/**
 * An oval cable fails for a flameproof seal, on whichever sheath that seal closes; elsewhere the whole interval lies in the seal's range and
 * that is enough. Readings that differ speak against a cable whatever diameters they are of; that none do, proves nothing.
 */
export const ovality: Criterion = {
  id: 'ovality',
  scope: 'size',
  judge: ({ input, family, size }) => {
    const thing = flameproofSealOn(size);
    const m = input[thing];
    const value = m?.leastOvality ?? 0;
    const seen = m !== null && (m.ovality !== null || value > 0) ? value : null;
    const limit = family.maxOvality;
    const exceeds = !ovalityExceeds(value, limit)
      ? 'no'
      : isFlameproof(input.enclosure)
        ? 'flameproof'
        : 'elsewhere';
    return plainFinding(
      'ovality',
      exceeds === 'flameproof' ? 'misfit' : 'fits',
      { code: 'ovality', thing, seen, limit, exceeds },
      sheetOf(family),
    );
  },
};
