import type { TerminationView } from '@/core/termination-view';
import type { Said, TestForm } from './test-form';

/** What every test of an end is given. */
export interface TestProps {
  readonly view: TerminationView;
  readonly form: TestForm;
  readonly change: (next: Partial<TestForm>) => void;
}

export const SAID: readonly (readonly [Said, string])[] = [
  ['', 'not said yet'],
  ['yes', 'yes'],
  ['no', 'no'],
];
