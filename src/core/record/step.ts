import type { ArcStation } from './stations';

/**
 * `hold`: work may not pass until somebody has looked. `look`: a decision that may lead back. `mix`: the pot life begins. `cure`: passes
 * only when the compound is hard. `sign`: the end.
 */
export type StepKind = 'confirm' | 'hold' | 'look' | 'mix' | 'cure' | 'sign';

export const LOOK_DECISIONS = [
  'clamped',
  'trim',
  'spreadAgain',
  'sound',
  'repair',
  'dry',
  'dryOut',
  'stands',
  'turnOn',
  'smooth',
  'rubAgain',
  'gapHolds',
  'gapTaped',
  'trimmed',
  'capOff',
  'energised',
] as const;
export type LookDecision = (typeof LOOK_DECISIONS)[number];

export const LOOK_WORDS: Readonly<Record<LookDecision, string>> = {
  clamped: 'Clamped all round',
  trim: 'Held, but ends stand out: cut them and tighten',
  spreadAgain: 'Not held all round: lay the armour anew',
  sound: 'Hard, without voids',
  repair: 'Voids: repair with fresh compound',
  dry: 'Dry: the insulation holds',
  dryOut: 'Damp: heat, let it cool, read again',
  stands: 'Stands as it is wanted',
  turnOn: 'Turned, and not there yet',
  smooth: 'Smooth all round',
  rubAgain: 'Not smooth yet: eased and sanded once more',
  gapHolds: 'Gap within what may stay open',
  gapTaped: 'Gap filled with tape',
  trimmed: 'Gap too wide: conductor trimmed',
  capOff: 'Cap off, proved dead and still locked',
  energised: 'Energised again: isolated, locked and proved anew',
};

/** One way out of a look: what was seen, what the button says, and where it leads; null leads on. */
export interface Branch {
  readonly decision: LookDecision;
  readonly button: string;
  readonly backTo: string | null;
}

/** Units of what is read at a step that is neither a length nor a torque. */
export const READ_UNITS = ['MΩ', 'V', 'Hz', 'W', '°'] as const;
export type ReadUnit = (typeof READ_UNITS)[number];

/** A length or a torque that is measured at this step, and the span it must lie in. */
export interface Acceptance {
  /** Names it among those of its step. */
  readonly key: string;
  readonly label: string;
  /** mm when left out. */
  readonly unit?: 'N·m' | ReadUnit;
  readonly min: number;
  readonly max: number;
  /** What the plan expects it to read; the middle of its span where left out. */
  readonly planned?: number;
  /** What to do when it is more, or less; left out for a length that is cut. */
  readonly over?: string;
  readonly under?: string;
  /** Why the step may not pass without it; left out where it may. */
  readonly needed?: string;
}

/** Something that is said at a step by one of several words, such as the position that a core lies on. */
export interface Choice {
  readonly key: string;
  readonly label: string;
  readonly options: readonly string[];
}

/** What of the plan a step works at. Frames, openings and rows count from nought. */
export type StepTarget =
  | { readonly kind: 'mark'; readonly mark: string }
  | { readonly kind: 'stage'; readonly stage: string }
  | { readonly kind: 'opening'; readonly frame: number; readonly opening: number }
  | { readonly kind: 'row'; readonly frame: number; readonly opening: number; readonly row: number };

/** One screen of the bench. What the hand does, with the numbers that belong to it. */
export interface Step {
  readonly id: string;
  readonly station: ArcStation;
  readonly kind: StepKind;
  /** Tag of the end that is worked at, where a record is of two: a joint. Left out where it is of one, and where both are. */
  readonly end?: string;
  readonly target?: StepTarget;
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
  /** What to see. At a hold point and at the signature each is ticked; elsewhere they are only shown. */
  readonly checks?: readonly string[];
  /** The checks are the product sheet's own: others ask for the step to be done again. */
  readonly checksBySheet?: true;
  readonly accepts?: readonly Acceptance[];
  /** Each is said before the step passes, and no option twice: what lies on one position does not lie on another. */
  readonly choices?: readonly Choice[];
  /** What must be settled elsewhere before this step can be confirmed at all. */
  readonly blockedBy?: string;
  readonly branches?: readonly Branch[];
  /** A clock that runs from here: the pot life, or the cure. */
  readonly timer?: 'potLife' | 'cure' | 'insulation';
  /** Its checks are ticked whatever its kind: what it reads means nothing without them. */
  readonly ticked?: true;
  /** The part of the gland that is turned or laid on, for the section drawing. */
  readonly partId?: string;
  /** Decisions of the plan that this step carries out. */
  readonly decisions: readonly string[];
  /** Steps whose work this one stands on: when they must be done again, so must this. */
  readonly buildsOn: readonly string[];
  /** Hash of what the step asks for and of all that it builds on. A confirmation counts while it stays the same. */
  readonly fingerprint: string;
  /** The same by the rule before, which hashed words too. */
  readonly formerly: string;
}

/** Does this step stop the work until somebody has looked? */
export const isHoldPoint = ({ kind }: Pick<Step, 'kind'>): boolean =>
  kind === 'hold' || kind === 'look' || kind === 'cure';

/** Must every check of this step be ticked before it passes? */
export const mustTick = (step: Pick<Step, 'kind' | 'checks' | 'ticked'>): boolean =>
  (step.ticked === true || step.kind === 'hold' || step.kind === 'sign' || step.kind === 'cure') &&
  (step.checks ?? []).length > 0;

/** A step before it is chained to what it builds on. */
export type StepDraft = Omit<Step, 'fingerprint' | 'formerly' | 'buildsOn' | 'end'> & {
  /** The one length that the rule before knew, in its words, where it was another. */
  readonly formerAccept?: Pick<Acceptance, 'label' | 'min' | 'max'> | null;
  /** Decisions that the rule before did not know of. */
  readonly newDecisions?: readonly string[];
};
