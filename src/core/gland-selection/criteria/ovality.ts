import { ovalityExceeds } from '@/core/cable-measurement';
import { isFlameproof } from '@/core/schedule';
import { sheetName, type Criterion } from '../finding';

const percent = (fraction: number) => `${(fraction * 100).toFixed(1)} %`;

/** An oval cable fails for a flameproof seal; elsewhere the whole interval lies in the seal's range and that is enough. */
export const ovality: Criterion = {
  id: 'ovality',
  scope: 'family',
  title: 'Ovality',
  judge: ({ input, family }) => {
    const base = {
      criterion: 'ovality',
      takes: `up to ${percent(family.maxOvality)}`,
      source: sheetName(family),
    } as const;
    const value = input.outerSheath?.ovality ?? null;
    if (value === null) {
      return {
        ...base,
        verdict: 'fits',
        has: 'not seen',
        margin: null,
        reason: 'no two caliper readings; the allowance is in the interval',
      };
    }
    const margin = (family.maxOvality - value) * 100;
    const exceeds = ovalityExceeds(value, family.maxOvality);
    if (exceeds && isFlameproof(input.enclosure)) {
      const reason = `oval by ${percent(value)}, a flameproof seal of this family takes ${percent(family.maxOvality)}: ${(-margin).toFixed(1)} % over`;
      return { ...base, verdict: 'misfit', has: percent(value), margin: null, reason };
    }
    const reason = exceeds
      ? `oval by ${percent(value)}, above the sheet’s ${percent(family.maxOvality)}; not a flameproof seal here, but look at it`
      : `oval by ${percent(value)}`;
    return { ...base, verdict: 'fits', has: percent(value), margin: null, reason };
  },
};
