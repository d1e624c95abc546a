import { ovalityExceeds } from '@/core/cable-measurement';
import { isFlameproof } from '@/core/schedule';
import { trimNumber } from '@/core/units';
import { plainFinding, sheetName, type Criterion } from '../finding';

const percent = (fraction: number) => `${trimNumber(fraction * 100, 1)} %`;

/** An oval cable fails for a flameproof seal; elsewhere the whole interval lies in the seal's range and that is enough. */
export const ovality: Criterion = {
  id: 'ovality',
  scope: 'family',
  judge: ({ input, family }) => {
    const limit = percent(family.maxOvality);
    const takes = `up to ${limit}`;
    const source = sheetName(family);
    const value = input.outerSheath?.ovality ?? null;
    if (value === null) {
      const reason = 'no two caliper readings; the allowance is in the interval';
      return plainFinding('ovality', 'fits', takes, 'not seen', reason, source);
    }
    const has = percent(value);
    if (!ovalityExceeds(value, family.maxOvality))
      return plainFinding('ovality', 'fits', takes, has, `oval by ${has}`, source);
    if (!isFlameproof(input.enclosure)) {
      const reason = `oval by ${has}, above the sheet’s ${limit}; not a flameproof seal here, but look at it`;
      return plainFinding('ovality', 'fits', takes, has, reason, source);
    }
    const reason = `oval by ${has}, a flameproof seal of this family takes ${limit}: ${percent(value - family.maxOvality)} over`;
    return plainFinding('ovality', 'misfit', takes, has, reason, source);
  },
};
