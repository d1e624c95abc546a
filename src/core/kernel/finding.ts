import type { Said } from './said';

/** What was looked at: it holds, it does not, or somebody has to say something first. What is not known never holds. */
export const VERDICTS = ['holds', 'fails', 'ask'] as const;
export type Verdict = (typeof VERDICTS)[number];

export interface Finding<Cases extends object> {
  readonly verdict: Verdict;
  readonly case: Said<Cases>;
}
