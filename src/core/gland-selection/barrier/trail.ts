/** What a decision about the inside of a cable comes to. `refused`: the place or the cable is not one this profile can judge. */
export type BarrierOutcome = 'none' | 'barrier' | 'seal' | 'ask' | 'refused';

/** Facts that a decision or a criterion may ask for; a screen offers the field, a file the path. */
export const MISSING_FIELDS = [
  'compact',
  'length',
  'ignitionSource',
  'gasGroup',
  'dustGroup',
  'zone',
  'place',
  'classGroup',
  'listings',
  'wet',
  'armourMaterial',
  'singleCoreAc',
  'profile',
] as const;
export type MissingField = (typeof MISSING_FIELDS)[number];

/** One question of a decision: what was asked, what answer was used and where it came from, and where that led. */
export interface TrailStep {
  readonly question: string;
  readonly answer: string;
  /** Where the answer came from: enclosure, cable type, schedule. */
  readonly from: string;
  /** The published rule the question is about. */
  readonly rule: string;
  /** Where this answer led, in words. */
  readonly next: string;
}

/** A barrier decision as the path that led to it, never a bare yes or no. */
export interface BarrierTrail {
  readonly outcome: BarrierOutcome;
  readonly steps: readonly TrailStep[];
  /** The conclusion in one sentence. */
  readonly conclusion: string;
  /** The fact that is missing, when the outcome is `ask`: what, and where it is entered. */
  readonly missing: { readonly field: MissingField; readonly fact: string; readonly where: string } | null;
  readonly caution: string;
}

/** Builds a trail question by question. The first question that settles it, ends it. */
export class Trail {
  private readonly steps: TrailStep[] = [];

  constructor(
    private readonly rule: string,
    private readonly caution: string,
  ) {}

  /** Notes a question whose answer is known and leads on. */
  pass(question: string, answer: string, from: string, next: string): void {
    this.steps.push({ question, answer, from, rule: this.rule, next });
  }

  /** Notes the question that settles the matter. */
  end(
    question: string,
    answer: string,
    from: string,
    outcome: Exclude<BarrierOutcome, 'ask'>,
    conclusion: string,
  ): BarrierTrail {
    this.pass(question, answer, from, OUTCOME_WORDS[outcome]);
    return { outcome, steps: this.steps, conclusion, missing: null, caution: this.caution };
  }

  /** Notes a question whose answer is missing. */
  ask(question: string, field: MissingField, fact: string, where: string): BarrierTrail {
    this.pass(question, 'not known', where, OUTCOME_WORDS.ask);
    return {
      outcome: 'ask',
      steps: this.steps,
      conclusion: `Not decided: ${fact} is not known. Enter it under ${where}.`,
      missing: { field, fact, where },
      caution: this.caution,
    };
  }
}

export const OUTCOME_WORDS: Readonly<Record<BarrierOutcome, string>> = {
  none: 'no barrier',
  barrier: 'barrier gland',
  seal: 'sealing fitting or listed barrier gland',
  ask: 'answer it first',
  refused: 'refused',
};
