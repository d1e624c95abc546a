import type { ArcStation } from './stations';

export type StepKind = 'confirm' | 'hold' | 'look' | 'sign';

/** One screen of the bench. What the hand does, with the numbers that belong to it. */
export interface Step {
  readonly id: string;
  readonly station: ArcStation;
  readonly kind: StepKind;
  readonly title: string;
  readonly detail: string;
  readonly caution?: string;
  readonly tool?: string;
  /** The number to be seen from two metres. */
  readonly figure?: {
    readonly value: string;
    readonly unit: string;
    readonly second?: string;
    readonly markId?: string;
  };
  readonly list?: readonly string[];
  readonly checks?: readonly string[];
  /** Decisions of the plan that this step carries out. */
  readonly decisions: readonly string[];
  /** Steps whose work this one stands on: when they must be done again, so must this. */
  readonly buildsOn: readonly string[];
  /** Hash of what the step asks for and of all that it builds on. A confirmation counts while it stays the same. */
  readonly fingerprint: string;
}

export const LOOK_DECISIONS = ['clamped', 'trim', 'spreadAgain'] as const;
export type LookDecision = (typeof LOOK_DECISIONS)[number];

/** As a button says it: what the hand will do next. */
export const LOOK_BUTTONS: Readonly<Record<LookDecision, string>> = {
  clamped: 'Hold: clamped all round',
  trim: 'Trim, close again',
  spreadAgain: 'Back to spreading',
};

export const LOOK_WORDS: Readonly<Record<LookDecision, string>> = {
  clamped: 'Clamped all round',
  trim: 'Trim loose strands, close again',
  spreadAgain: 'Not satisfactory: back to spreading',
};
