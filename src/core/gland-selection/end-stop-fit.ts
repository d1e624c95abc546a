import type { Measurement } from '@/core/cable-measurement';
import type { Size } from '@/core/catalogue';
import type { SizeFacts } from './size-facts';
import { intervalUm, type MeasuredQuantity, type TerminationInput } from './termination-input';
import type { Verdict } from './verdict';

/** Whether the end stop stays in the gland for this cable, and when it leaves. */
export interface EndStopFit {
  readonly verdict: Verdict;
  /** Null when it cannot be said yet. */
  readonly stays: boolean | null;
  /** What to do with it. */
  readonly rule: EndStopRule;
  readonly measuredBy: MeasuredQuantity;
}

export const END_STOP_RULES = ['stays', 'untilCompound', 'out', 'undecided'] as const;
/** It stays, it stays until the compound goes in, it goes for good, or nobody can say yet. */
export type EndStopRule = (typeof END_STOP_RULES)[number];

type Test = NonNullable<Size['endStop']>['test'];

/** What each test of the catalogue looks at: see the sheet's own wording in brief terms. */
const MEASURED_BY: Readonly<Record<Test, MeasuredQuantity>> = {
  cableRange: 'outerSheath',
  conductorsPass: 'laidUpCores',
  slidesPastArmour: 'overArmour',
};

/**
 * Inside the range of its test the end stop stays, outside it comes out; an interval that straddles the bound must be measured again.
 * Null for a size without an end stop.
 */
export function fitEndStop(size: Size, facts: SizeFacts, input: TerminationInput): EndStopFit | null {
  const stop = size.endStop;
  if (stop === undefined) return null;
  const measuredBy = MEASURED_BY[stop.test];
  const measured: Measurement | null = input[measuredBy];
  const undecided = { stays: null, rule: 'undecided', measuredBy } as const;
  if (facts.endStop === null || measured === null) return { verdict: 'unknown', ...undecided };
  const { min, max } = intervalUm(measured);
  const { minUm, maxUm } = facts.endStop;
  if (min >= minUm && max <= maxUm) {
    const rule = stop.leaves === 'beforeCompound' ? 'untilCompound' : 'stays';
    return { verdict: 'fits', stays: true, rule, measuredBy };
  }
  if (max < minUm || min > maxUm) return { verdict: 'fits', stays: false, rule: 'out', measuredBy };
  return { verdict: 'marginal', ...undecided };
}
