import { plainFinding, type Criterion } from '../finding';
import { enteredAt } from '../barrier';
import { fillingVerdict } from '../purpose';

/** Barrier or not: the profile's decision against what this size of gland does inside the cable. */
export const filling: Criterion = {
  id: 'filling',
  // Answered once for all sizes of a family that do the same inside the cable.
  scope: 'family',
  judge: ({ input, trail: { outcome, conclusion, missing }, purpose }) => {
    const verdict = fillingVerdict(outcome, purpose);
    return plainFinding(
      'filling',
      verdict,
      { code: 'filling', outcome, purpose, fits: verdict !== 'misfit', conclusion },
      { code: 'profile', text: input.profile.barrier.source },
      missing === null ? [] : [enteredAt(missing).field],
    );
  },
};
