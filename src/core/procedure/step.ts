import type { ArcStation } from './stations';

/**
 * `hold`: work may not pass until somebody has looked. `look`: a decision that may lead back. `mix`: the pot life begins. `cure`: passes
 * only when the compound is hard. `sign`: the end.
 */
export type StepKind = 'confirm' | 'hold' | 'look' | 'mix' | 'cure' | 'sign';

export const LOOK_DECISIONS = ['clamped', 'trim', 'spreadAgain', 'sound', 'repair'] as const;
export type LookDecision = (typeof LOOK_DECISIONS)[number];

export const LOOK_WORDS: Readonly<Record<LookDecision, string>> = {
  clamped: 'Clamped all round',
  trim: 'Held, but ends stand out: cut them and tighten',
  spreadAgain: 'Not held all round: lay the armour anew',
  sound: 'Hard, without voids',
  repair: 'Voids: repair with fresh compound',
};

/** One way out of a look: what was seen, what the button says, and where it leads; null leads on. */
export interface Branch {
  readonly decision: LookDecision;
  readonly button: string;
  readonly backTo: string | null;
}

/** A length that is measured at this step, and the span it must lie in. mm. */
export interface Acceptance {
  readonly label: string;
  readonly minMm: number;
  readonly maxMm: number;
  /** What to do when it is more, or less; left out for a length that is cut. */
  readonly over?: string;
  readonly under?: string;
}

/** One screen of the bench. What the hand does, with the numbers that belong to it. */
export interface Step {
  readonly id: string;
  readonly station: ArcStation;
  readonly kind: StepKind;
  readonly title: string;
  readonly detail: string;
  /** Why the step is there: what goes wrong without it. */
  readonly reason: string;
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
  readonly accept?: Acceptance;
  readonly branches?: readonly Branch[];
  /** A clock that runs from here: the pot life, or the cure. */
  readonly timer?: 'potLife' | 'cure';
  /** The part of the gland that is turned or laid on, for the section drawing. */
  readonly partId?: string;
  /** Decisions of the plan that this step carries out. */
  readonly decisions: readonly string[];
  /** Steps whose work this one stands on: when they must be done again, so must this. */
  readonly buildsOn: readonly string[];
  /** Hash of what the step asks for and of all that it builds on. A confirmation counts while it stays the same. */
  readonly fingerprint: string;
}

/** A step before it is chained to what it builds on. */
export type StepDraft = Omit<Step, 'fingerprint' | 'buildsOn'>;
