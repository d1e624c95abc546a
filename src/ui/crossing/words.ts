import type { CrossingState } from '@/core/crossing';
import { openingName } from '@/core/frame-building';
import type { FramePlan, PlaceRef } from '@/core/frame-packing';

export const STATE_WORDS: Readonly<Record<CrossingState, string>> = {
  empty: 'no cables yet',
  toPlan: 'to plan',
  stale: 'changed since it was planned',
  planned: 'planned',
  building: 'being built',
  built: 'built',
};

export const crossingPath = (job: string, name: string, more = ''): string =>
  `/job/${encodeURIComponent(job)}/crossings/${encodeURIComponent(name)}${more}`;

/** “1A row 2”: where a place is, in building order. */
export const refWords = ({ frame, opening, row }: PlaceRef): string =>
  `${openingName(frame, opening)} row ${row + 1}`;

/** “optimal”, or how far from the proven bound. */
export function provenWords(plan: FramePlan): string {
  if (plan.cost === null) return plan.status === 'infeasible' ? 'cannot be built' : 'nothing found';
  if (plan.status === 'optimal') return 'proven to cost least';
  const gap = plan.bound === null || plan.cost === 0 ? 0 : (plan.cost - plan.bound) / plan.cost;
  return `at most ${Math.ceil(gap * 1000) / 10} % above the proven bound of ${plan.bound ?? 0}`;
}
