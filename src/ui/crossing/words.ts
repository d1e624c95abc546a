import type { CrossingFill, CrossingState } from '@/core/crossing';
import { openingName } from '@/core/frame-building';
import { FRAME_PLAN_FIELDS, type FramePlan, type PlaceRef } from '@/core/frame-packing';
import { placedProblem, type Problem } from '@/core/kernel';

export const STATE_WORDS: Readonly<Record<CrossingState, string>> = {
  empty: 'no cables yet',
  toPlan: 'to plan',
  stale: 'changed since it was planned',
  planned: 'planned',
  building: 'being built',
  built: 'built',
};

export const crossingsPath = (job: string): string => `/job/${encodeURIComponent(job)}/crossings`;
export const crossingPath = (job: string, name: string, more = ''): string =>
  `/job/${encodeURIComponent(job)}/crossings/${encodeURIComponent(name)}${more}`;

/** “1A row 2”: where a place is, in building order. */
export const refWords = ({ frame, opening, row }: PlaceRef): string =>
  `${openingName(frame, opening)} row ${row + 1}`;

/** What a plan breaks, with its place in front as a person would call it. */
export const placed = (p: Problem): Problem => placedProblem(p, FRAME_PLAN_FIELDS);

/** “optimal”, or how far from the proven bound. */
export function provenWords(plan: FramePlan): string {
  if (plan.cost === null) return plan.status === 'infeasible' ? 'cannot be built' : 'nothing found';
  if (plan.status === 'optimal') return 'proven to cost least';
  if (plan.bound === null || plan.bound <= 0) return 'not compared with cheaper frames';
  const gap = plan.cost === 0 ? 0 : (plan.cost - plan.bound) / plan.cost;
  return `at most ${Math.ceil(gap * 1000) / 10} % above the proven bound of ${plan.bound}`;
}

/** What a plan comes to after its frames, part by part: places, second measurings, spares, crossings. */
export function restWords(plan: FramePlan, fill: CrossingFill | null): string {
  const { remeasure, order, crossings } = plan;
  return [
    ...(fill ? [`${fill.taken} of ${fill.places} places taken`] : []),
    ...(remeasure && remeasure.places > 0
      ? [
          `${remeasure.places} to measure again${remeasure.atLeast === remeasure.places ? ', as few as can be' : remeasure.atLeast > 0 ? `, at least ${remeasure.atLeast}` : ''}`,
        ]
      : []),
    ...(order
      ? [
          order.toSpares === 0
            ? 'spares of all sizes in reach without disturbing a cable'
            : `${order.toSpares} cables out, over all sizes, to reach their nearest spares`,
        ]
      : []),
    `crossings ${crossings.front} in front, ${crossings.back} at the back`,
    ...(order?.proven ? ['no order of places is better'] : []),
  ].join('; ');
}
