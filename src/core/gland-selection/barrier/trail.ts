import type { NoFigures, Said } from '@/core/kernel';
import type { Enclosure } from '@/core/schedule';
import type { Listing, ListingLack } from '../cable-listing';
import type { BarrierOutcome } from './outcome';

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
  'temperatureClass',
  'listings',
  'wet',
  'armourMaterial',
  'singleCoreAc',
  'profile',
] as const;
export type MissingField = (typeof MISSING_FIELDS)[number];

/** Where an answer came from, or is to be entered. */
export type FactSource = 'enclosure' | 'cableType' | 'schedule' | 'profile';

/** The questions of all rules. */
export interface TrailQuestions {
  flameproof: NoFigures;
  filled: NoFigures;
  compact: NoFigures;
  /** Metres from which on no barrier is called for; null where the profile does not say. */
  longEnough: { leastM: number | null };
  ignites: NoFigures;
  groupIIC: NoFigures;
  zone1: NoFigures;
  volume: { limitCm3: number | null };
  classified: NoFigures;
  listed: NoFigures;
  gas: NoFigures;
  explosionproof: NoFigures;
  explosive: NoFigures;
}
export type TrailQuestion = Said<TrailQuestions>;

/** What a question was answered. */
export interface TrailAnswers {
  yes: NoFigures;
  no: NoFigures;
  notKnown: NoFigures;
  notConcept: { concept: string };
  isConcept: { box: string; concept: string };
  noConcept: { concept: string };
  metres: { yes: boolean; metres: number };
  gasGroup: { group: string };
  zone: { yes: boolean; zone: number };
  volume: { yes: boolean; cm3: number };
  place: { place: PlaceGiven };
  inPlace: { place: PlaceGiven };
  listed: { yes: boolean; listings: readonly Listing[] | null };
  hazardClass: { gas: boolean; hazardClass: string };
}
export type TrailAnswer = Said<TrailAnswers>;

/** How a place is given: by zone, or by class and division. */
export type PlaceGiven = Pick<Enclosure, 'zone' | 'hazardClass' | 'division'>;

/** What the questions come to. */
export interface Conclusions {
  notFlameproof: { concept: string };
  gasPath: NoFigures;
  notCompact: NoFigures;
  longEnough: { metres: number };
  tooShort: { metres: number; leastM: number };
  nothingIgnites: NoFigures;
  groupIIC: NoFigures;
  groupElsewhere: { group: string; zone: number };
  volumeAbove: { cm3: number; limitCm3: number };
  volumeBelow: { cm3: number; limitCm3: number };
  notClassified: NoFigures;
  notListed: ListingLack;
  dust: NoFigures;
  divisionOne: NoFigures;
  divisionOneBox: { box: string; concept: string };
  explosionproof: { division: number };
  plainBox: NoFigures;
  wrongProfile: { box: string; place: PlaceGiven };
  noAtmosphere: NoFigures;
  missing: { missing: Missing };
}
export type Conclusion = Said<Conclusions>;

/** A fact that is missing, with what it is missing of: a box, a cable, or nothing but the profile. */
export interface MissingFacts {
  compact: { cable: string };
  leastLength: NoFigures;
  length: NoFigures;
  ignitionSource: { box: string };
  gasGroup: { box: string };
  zone: { box: string };
  atmosphere: { box: string };
  largestVolume: NoFigures;
  place: { box: string };
  listings: { cable: string };
}
export type Missing = Said<MissingFacts>;

/** Which field each missing fact is entered in, and where. */
const ENTERED: Readonly<
  Record<Missing['code'], { readonly field: MissingField; readonly where: FactSource }>
> = {
  compact: { field: 'compact', where: 'cableType' },
  leastLength: { field: 'profile', where: 'profile' },
  length: { field: 'length', where: 'schedule' },
  ignitionSource: { field: 'ignitionSource', where: 'enclosure' },
  gasGroup: { field: 'gasGroup', where: 'enclosure' },
  zone: { field: 'zone', where: 'enclosure' },
  atmosphere: { field: 'zone', where: 'enclosure' },
  largestVolume: { field: 'profile', where: 'profile' },
  place: { field: 'place', where: 'enclosure' },
  listings: { field: 'listings', where: 'cableType' },
};

export const enteredAt = (missing: Missing) => ENTERED[missing.code];

/** Where an answer led: on to a question, or to the end. */
export type TrailNext = { readonly question: keyof TrailQuestions } | { readonly outcome: BarrierOutcome };

/** One question of a decision: what was asked, what answer was used and where it came from, and where that led. */
export interface TrailStep {
  readonly question: TrailQuestion;
  readonly answer: TrailAnswer;
  readonly from: FactSource;
  readonly next: TrailNext;
}

/** A barrier decision as the path that led to it, never a bare yes or no. */
export interface BarrierTrail {
  readonly outcome: BarrierOutcome;
  readonly steps: readonly TrailStep[];
  readonly conclusion: Conclusion;
  /** The fact that is missing, when the outcome is `ask`. */
  readonly missing: Missing | null;
  /** The published rule the questions are about, and the caution that goes with it; both as the profile has them. */
  readonly rule: string;
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
  pass(question: TrailQuestion, answer: TrailAnswer, from: FactSource, next: keyof TrailQuestions): void {
    this.steps.push({ question, answer, from, next: { question: next } });
  }

  /** Notes the question that settles the matter. */
  end(
    question: TrailQuestion,
    answer: TrailAnswer,
    from: FactSource,
    outcome: Exclude<BarrierOutcome, 'ask'>,
    conclusion: Conclusion,
  ): BarrierTrail {
    this.steps.push({ question, answer, from, next: { outcome } });
    return this.settled(outcome, conclusion, null);
  }

  /** Notes a question whose answer is missing. */
  ask(question: TrailQuestion, missing: Missing): BarrierTrail {
    const { where } = enteredAt(missing);
    this.steps.push({ question, answer: { code: 'notKnown' }, from: where, next: { outcome: 'ask' } });
    return this.settled('ask', { code: 'missing', missing }, missing);
  }

  private settled(outcome: BarrierOutcome, conclusion: Conclusion, missing: Missing | null): BarrierTrail {
    return { outcome, steps: this.steps, conclusion, missing, rule: this.rule, caution: this.caution };
  }
}
