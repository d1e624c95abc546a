import type { Family, Size } from '@/core/catalogue';
import type { EntryFit } from '@/core/gland-selection';
import type { CodeProfile, Entry } from '@/core/schedule';
import type { LengthUnit } from '@/core/units';
import type { Terminal } from './core-tails';
import type { SheathFacts } from './depth-guard';

/** All that the marks of one end depend on. */
export interface CutInput extends SheathFacts {
  readonly family: Family;
  readonly size: Size;
  readonly entryFit: EntryFit;
  readonly entry: Entry;
  readonly profile: CodeProfile;
  /** From the inside face of the wall to the farthest terminal, along the route the cores take. mm. */
  readonly routeMm: number | null;
  /** Where terminals differ: the way to each. Left out when all cores go as far as `routeMm`. */
  readonly terminals?: readonly Terminal[];
  /** Extra tail that is left for another go. mm. */
  readonly spareMm: number;
  readonly unit: LengthUnit;
}
