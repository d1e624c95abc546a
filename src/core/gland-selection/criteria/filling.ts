import { PURPOSE_WORDS } from '@/core/catalogue';
import { OUTCOME_WORDS } from '../barrier';
import { plainFinding, type Criterion } from '../finding';
import { fillingReason, fillingVerdict } from '../purpose';

/** Barrier or not: the profile's decision against what this size of gland does inside the cable. */
export const filling: Criterion = {
  id: 'filling',
  // Answered once for all sizes of a family that do the same inside the cable.
  scope: 'family',
  judge: ({ input, trail, purpose }) =>
    plainFinding(
      'filling',
      fillingVerdict(trail.outcome, purpose),
      PURPOSE_WORDS[purpose],
      OUTCOME_WORDS[trail.outcome],
      fillingReason(trail, purpose),
      input.profile.barrier.source,
      trail.missing === null ? [] : [trail.missing.field],
    ),
};
