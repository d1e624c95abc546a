import { ovalityExceeds, QUANTITY_WORDS } from '@/core/cable-measurement';
import { isFlameproof } from '@/core/schedule';
import { trimNumber } from '@/core/units';
import { plainFinding, sheetName, type Criterion } from '../finding';
import { flameproofSealOn } from '../termination-input';

const percent = (fraction: number) => `${trimNumber(fraction * 100, 1)} %`;

/**
 * An oval cable fails for a flameproof seal, on whichever sheath that seal closes; elsewhere the whole interval lies in the seal's range and
 * that is enough. Readings that differ speak against a cable whatever diameters they are of; that none do, proves nothing.
 */
export const ovality: Criterion = {
  id: 'ovality',
  scope: 'size',
  judge: ({ input, family, size }) => {
    const limit = percent(family.maxOvality);
    const takes = `up to ${limit}`;
    const source = sheetName(family);
    const quantity = flameproofSealOn(size);
    const thing = QUANTITY_WORDS[quantity];
    const m = input[quantity];
    const value = m?.leastOvality ?? 0;
    const seen = m !== null && (m.ovality !== null || value > 0);
    const has = seen ? percent(value) : 'not seen';
    if (ovalityExceeds(value, family.maxOvality)) {
      if (isFlameproof(input.enclosure)) {
        const reason = `${thing} oval by ${has}, a flameproof seal of this family takes ${limit}: ${percent(value - family.maxOvality)} over`;
        return plainFinding('ovality', 'misfit', takes, has, reason, source);
      }
      const reason = `${thing} oval by ${has}, above the sheet’s ${limit}; not a flameproof seal here, but look at it`;
      return plainFinding('ovality', 'fits', takes, has, reason, source);
    }
    const reason = seen
      ? `${thing} oval by ${has}`
      : `no caliper readings of two diameters of the ${thing}; the allowance is in the interval`;
    return plainFinding('ovality', 'fits', takes, has, reason, source);
  },
};
