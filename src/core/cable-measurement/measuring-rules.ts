import type { Measuring, Worth } from '@/core/instrument';
import type { MeasurementRules } from './rules';

/** The rules of a job's profile, with what its register says of instruments. */
export interface MeasuringRules extends MeasurementRules {
  /** Nothing of any where it is left out. */
  readonly worth?: readonly Worth[];
}

/** The same for lengths and torques at the bench: one that says nothing of its instrument is worth what a caliper is. */
export const measuringBy = ({ worth = [], uncertaintyMm }: MeasuringRules): Measuring => ({
  worth,
  lengthMm: uncertaintyMm.caliper,
});
