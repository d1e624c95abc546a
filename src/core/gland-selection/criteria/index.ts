import type { Criterion } from '../finding';
import { armourRing } from './armour-ring';
import { construction } from './construction';
import { engagement, entryThread } from './entry';
import { innerSeal } from './inner-seal';
import { outerSeal } from './outer-seal';
import { ovality } from './ovality';
import { concept, group, ip, temperature } from './place';

/** Every rule that judges a gland size, in the order in which a reader looks. A new rule is one file and one line here. */
export const CRITERIA: readonly Criterion[] = [
  construction,
  outerSeal,
  ovality,
  innerSeal,
  armourRing,
  entryThread,
  engagement,
  concept,
  group,
  ip,
  temperature,
];
