import { ok, refuse } from '@/core/kernel';
import type { SubjectRules } from '@/core/record';

/** What the building of a crossing asks beyond the order of its steps: nothing cures in it, nothing is cut back, nothing is tested. */
export const CROSSING_RULES: SubjectRules = {
  confirm: () => ok({ waste: null }),
  temperature: () => refuse('tempC', 'nothing cures in a crossing'),
  recut: () => refuse('cutOffMm', 'a crossing is not cut back'),
  test: () => refuse('test', 'cables are tested at their ends'),
};
