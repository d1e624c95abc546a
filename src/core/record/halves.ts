import type { Step } from './step';

// Steps of two ends stand in one record: those of the other half carry a prefix, so that no id stands twice.
const OTHER = 'other.';

export const isOfOther = (stepId: string): boolean => stepId.startsWith(OTHER);

/** The id of a step of the other half among the steps of both, and back. */
export const asOther = (stepId: string): string => `${OTHER}${stepId}`;
export const asOwn = (stepId: string): string => (isOfOther(stepId) ? stepId.slice(OTHER.length) : stepId);

/** Does a record with these steps stand for two ends? */
export const isOfTwo = (steps: readonly Step[]): boolean => steps.some((s) => s.end !== undefined);

/** What of a record belongs to one of its ends: its own steps, and those at which both are. All of it where it is of one. */
export const stepsOfEnd = (steps: readonly Step[], tag: string): Step[] =>
  steps.filter((s) => s.end === undefined || s.end === tag);
