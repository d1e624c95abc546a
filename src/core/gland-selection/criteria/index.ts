import type { Criterion } from '../finding';
import { armourRing } from './armour-ring';
import { cableListing } from './cable-listing';
import { compound, coreCount, freeArea, overCores } from './chamber';
import { coldFlow, construction } from './construction';
import { corrosion, singleCore } from './corrosion';
import { endStop } from './end-stop';
import { engagement, entryThread } from './entry';
import { filling } from './filling';
import { innerSeal } from './inner-seal';
import { outerSeal } from './outer-seal';
import { ovality } from './ovality';
import { concept, group, ip, temperature, temperatureClass } from './place';

/** Every rule that judges a gland size, in the order in which a reader looks. A new rule is one file and one line here. */
export const CRITERIA: readonly Criterion[] = [
  cableListing,
  construction,
  filling,
  coldFlow,
  outerSeal,
  ovality,
  innerSeal,
  armourRing,
  endStop,
  coreCount,
  overCores,
  freeArea,
  compound,
  entryThread,
  engagement,
  concept,
  group,
  ip,
  temperature,
  temperatureClass,
  corrosion,
  singleCore,
];
