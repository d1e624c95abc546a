import { measuringBy, type MeasuringRules } from '@/core/cable-measurement';
import type { Measuring } from '@/core/instrument';
import type { JobRow } from '@/data';

/** How a job measures: its profile's rules, with what its register says of instruments. */
export const rulesOf = ({ profile, worth }: Pick<JobRow, 'profile' | 'worth'>): MeasuringRules => ({
  ...profile.measurement,
  worth,
});

export const measuringOf = (job: Pick<JobRow, 'profile' | 'worth'>): Measuring => measuringBy(rulesOf(job));
