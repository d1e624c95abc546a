import type { CandidateView } from '@/core/termination-view';

/** How many the short list shows at least, nearest misses after what may be taken. */
const SHOWN = 14;

/**
 * What a person wants to see first: all that may be taken and competes, then the nearest misses, and whatever is taken. The list comes in
 * order of merit.
 */
export function shortList(candidates: readonly CandidateView[], taken: string | null): CandidateView[] {
  const may = candidates.filter((c) => c.refusal === null && c.notCalledFor === null).length;
  const length = Math.max(SHOWN, may);
  return candidates.filter((c, i) => i < length || c.code === taken);
}
