import { worded, type IntervalMm, type Wording } from '@/core/kernel';
import type { ReentryCase, ReentryCases, UnplacedCase, UnplacedCases } from '../model/frame-cases';

export { FRAME_PLAN_FIELDS } from './field-words';

const span = ({ min, max }: IntervalMm): string => (min === max ? `${min} mm` : `${min}–${max} mm`);
const listed = (modules: readonly string[]): string => modules.join(', ');
const beside = (frame: string | null): string =>
  frame === null ? '' : `, or another frame beside it (from ${frame})`;

const UNPLACED: Wording<UnplacedCases> = {
  noFrameForModule: ({ diameter, modules }) =>
    `${span(diameter)} goes into ${listed(modules)}, which no offered frame has a place for`,
  thickerThanAll: ({ diameter, largestMm }) =>
    `${span(diameter)} is thicker than every module takes (up to ${largestMm} mm)`,
  thinnerThanAll: ({ diameter, smallestMm }) =>
    `${span(diameter)} is thinner than every module takes (from ${smallestMm} mm)`,
  betweenRanges: ({ diameter }) =>
    `${span(diameter)} lies in no module’s range as a whole: measure again, or look for a module between`,
};

/** Why a cable has no place in a plan, in words. */
export const unplacedWords = (said: UnplacedCase): string => worded(UNPLACED, said);

/** A refusal with what would help. */
export interface ReentryRefusal {
  readonly reason: string;
  readonly help: string;
}

const REENTRY: Wording<ReentryCases, ReentryRefusal> = {
  noModule: ({ diameter }) => ({
    reason: `no module takes ${span(diameter)}`,
    help: 'measure again, or look for a module between',
  }),
  noSpare: ({ diameter, modules, frame }) => ({
    reason: `${span(diameter)} needs ${listed(modules)}, and no spare of that size is left`,
    help: `a row would have to be rebuilt: plan again with this cable${beside(frame)}`,
  }),
  divideAnew: ({ diameter, modules, row, count, sizeMm, frame }) => ({
    reason: `${span(diameter)} needs ${listed(modules)}, and no spare of that size is left`,
    help: `row ${row} has ${count} empty places of ${sizeMm} mm that can be divided anew${beside(frame)}`,
  }),
  takenByOthers: ({ spares, modules, frame }) => ({
    reason: `the ${spares} spares of ${listed(modules)} are taken by the other new cables`,
    help: `fewer cables${beside(frame)}`,
  }),
  besideCircuitsKeptApart: ({ modules, circuit, frame }) => ({
    reason: `spares of ${listed(modules)} are left only beside circuits that ${circuit ?? 'it'} is kept apart from`,
    help: `exchange places first so that a row of its own is free${beside(frame)}`,
  }),
};

/** Why a cable cannot be added to a built frame and what would help, in words. */
export const reentryWords = (said: ReentryCase): ReentryRefusal => worded(REENTRY, said);
