import { worded, type Wording } from '@/core/kernel';
import { placeWords } from '@/core/schedule';
import { trimNumber } from '@/core/units';
import type {
  BarrierTrail,
  Conclusion,
  Conclusions,
  FactSource,
  Missing,
  MissingFacts,
  MissingField,
  TrailAnswers,
  TrailNext,
  TrailQuestions,
} from '../barrier';
import { enteredAt } from '../barrier';
import { listingLackWords } from './listing-words';
import { conceptWords, listingWords, OUTCOME_WORDS } from './small-words';

const metres = (m: number): string => trimNumber(m, 2);

const QUESTIONS: Wording<TrailQuestions> = {
  flameproof: () => 'Does the cable enter a flameproof box directly?',
  filled: () => 'Is the cable filled, without a gas path between its cores?',
  compact: () => 'Is the cable compact and round?',
  longEnough: ({ leastM }) => `Is the cable at least ${leastM === null ? '?' : metres(leastM)} m long?`,
  ignites: () => 'Does the box hold a source of ignition?',
  groupIIC: () => 'Is the gas of group IIC?',
  zone1: () => 'Does the box stand in zone 1?',
  volume: ({ limitCm3 }) => `Is its free volume above ${limitCm3 ?? '?'} cm³?`,
  classified: () => 'Is the place classified by class and division?',
  listed: () => 'Is the cable listed for this place?',
  gas: () => 'Is the hazard a gas or vapour?',
  explosionproof: () => 'Is the box explosionproof?',
  explosive: () => 'Is there an explosive atmosphere?',
};

/** The same where an answer leads on to them. */
const LEADING_ON: Readonly<Record<keyof TrailQuestions, string>> = {
  flameproof: 'does it enter a flameproof box?',
  filled: 'is the cable filled?',
  compact: 'is it compact and round?',
  longEnough: 'how long is it?',
  ignites: 'is there an ignition source inside?',
  groupIIC: 'which gas group?',
  zone1: 'which zone?',
  volume: 'how large is the box?',
  classified: 'which class and division?',
  listed: 'is the cable listed for it?',
  gas: 'gas or dust?',
  explosionproof: 'must the box hold an explosion?',
  explosive: 'is there an explosive atmosphere?',
};

const yesNo = (yes: boolean): string => (yes ? 'yes' : 'no');

const ANSWERS: Wording<TrailAnswers> = {
  yes: () => 'yes',
  no: () => 'no',
  notKnown: () => 'not known',
  notConcept: ({ concept }) => `no, the box is ${conceptWords(concept)}`,
  isConcept: ({ box, concept }) => `yes, ${box} is ${concept}`,
  noConcept: ({ concept }) => `no, it is ${conceptWords(concept)}`,
  metres: (a) => `${yesNo(a.yes)}, ${metres(a.metres)} m`,
  gasGroup: ({ group }) => `no, ${group}`,
  zone: ({ yes, zone }) => `${yesNo(yes)}, zone ${zone}`,
  volume: ({ yes, cm3 }) => `${yesNo(yes)}, ${cm3} cm³`,
  place: ({ place }) => placeWords(place),
  inPlace: ({ place }) => `yes, ${placeWords(place)}`,
  listed: ({ yes, listings }) =>
    listings === null
      ? 'yes: nothing is asked for'
      : `${yesNo(yes)}: ${listings.map(listingWords).join(', ') || 'no listing'}`,
  hazardClass: ({ gas, hazardClass }) => `${yesNo(gas)}, class ${hazardClass}`,
};

const SOURCES: Readonly<Record<FactSource, string>> = {
  enclosure: 'enclosure',
  cableType: 'cable type',
  schedule: 'schedule',
  profile: 'code profile',
};

const MISSING: Wording<MissingFacts> = {
  compact: ({ cable }) => `whether ${cable} is compact and round`,
  leastLength: () => 'the least length without a barrier',
  length: () => 'the route length of the cable',
  ignitionSource: ({ box }) => `whether ${box} holds a source of ignition`,
  gasGroup: ({ box }) => `the gas group at ${box}`,
  zone: ({ box }) => `the zone of ${box}`,
  atmosphere: ({ box }) => `whether ${box} stands in an explosive atmosphere`,
  largestVolume: () => 'the volume above which a barrier is called for',
  place: ({ box }) => `the class and division of ${box}`,
  listings: ({ cable }) => `what ${cable} is listed for`,
};

const CONCLUSIONS: Wording<Conclusions> = {
  notFlameproof: ({ concept }) =>
    `The box is ${conceptWords(concept)}, not flameproof: no barrier is called for.`,
  gasPath: () => 'The cable has a gas path between its cores: it goes straight to a barrier gland.',
  notCompact: () => 'A cable that is not compact and round cannot be sealed from outside: barrier gland.',
  longEnough: (c) => `Filled, compact and ${metres(c.metres)} m long: no barrier is called for.`,
  tooShort: (c) =>
    `The cable is ${metres(c.metres)} m long, ${metres(c.leastM - c.metres)} m short of ${metres(c.leastM)} m: barrier gland.`,
  nothingIgnites: () => 'Nothing inside the box ignites: a flameproof gland with its sealing ring is enough.',
  groupIIC: () => 'Group IIC with an ignition source inside: barrier gland.',
  groupElsewhere: ({ group, zone }) => `Group ${group} in zone ${zone}: no barrier is called for.`,
  volumeAbove: ({ cm3, limitCm3 }) =>
    `Zone 1, ignition source inside and ${cm3} cm³, ${cm3 - limitCm3} cm³ above ${limitCm3}: barrier gland.`,
  volumeBelow: ({ cm3, limitCm3 }) =>
    `The box has ${cm3} cm³, not above ${limitCm3}: no barrier is called for.`,
  notClassified: () => 'The place is not classified: no seal is called for.',
  notListed: (lack) => `Refused before any gland: ${listingLackWords(lack)}.`,
  dust: () => 'Dust and fibres do not travel through the cable under pressure: no seal is called for.',
  divisionOne: () => 'Class I, division 1: the cable is sealed with compound at every termination.',
  divisionOneBox: ({ box, concept }) =>
    `Refused before any gland: class I, division 1 asks for an explosionproof box; ${box} is ${conceptWords(concept)}.`,
  explosionproof: ({ division }) =>
    `Class I, division ${division}, explosionproof box: the entry is sealed with compound.`,
  plainBox: () => 'The box does not have to hold an explosion: no seal is called for at its entry.',
  wrongProfile: ({ box, place }) =>
    `${box} stands in ${placeWords(place)}; this profile is for places without an explosive atmosphere. Take another profile.`,
  noAtmosphere: () => 'No explosive atmosphere: no barrier is called for.',
  missing: ({ missing }) =>
    `Not decided: ${worded(MISSING, missing)} is not known. Enter it under ${SOURCES[enteredAt(missing).where]}.`,
};

/** The conclusion in one sentence. */
export const conclusionWords = (conclusion: Conclusion): string => worded(CONCLUSIONS, conclusion);

const nextWords = (next: TrailNext): string =>
  'question' in next ? LEADING_ON[next.question] : OUTCOME_WORDS[next.outcome];

const missingView = (missing: Missing) => {
  const { field, where } = enteredAt(missing);
  return { field, fact: worded(MISSING, missing), where: SOURCES[where] };
};

/** A barrier decision in words. */
export interface TrailView {
  readonly outcome: BarrierTrail['outcome'];
  readonly steps: readonly {
    readonly question: string;
    readonly answer: string;
    readonly from: string;
    /** The published rule the question is about. */
    readonly rule: string;
    readonly next: string;
  }[];
  readonly conclusion: string;
  readonly missing: { readonly field: MissingField; readonly fact: string; readonly where: string } | null;
  readonly caution: string;
}

export const trailView = ({
  outcome,
  steps,
  conclusion,
  missing,
  rule,
  caution,
}: BarrierTrail): TrailView => ({
  outcome,
  steps: steps.map((step) => ({
    question: worded(QUESTIONS, step.question),
    answer: worded(ANSWERS, step.answer),
    from: SOURCES[step.from],
    rule,
    next: nextWords(step.next),
  })),
  conclusion: conclusionWords(conclusion),
  missing: missing === null ? null : missingView(missing),
  caution,
});
