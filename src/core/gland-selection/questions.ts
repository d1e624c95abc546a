import { canonicalJson } from '@/core/kernel';
import { CLASS_GROUPS, DUST_GROUPS, GAS_GROUPS, HAZARD_CLASSES, type Material } from '@/core/catalogue';
import { TEMPERATURE_CLASSES, type CableType, type Enclosure } from '@/core/schedule';
import type { Answer } from './answer';
import { enteredAt, type MissingField } from './barrier/trail';
import type { CatalogueView } from './candidate';
import { choose, type Choice } from './choose';
import type { AskedFact } from './finding';
import type { Verdict } from './verdict';
import {
  MEASURED_QUANTITIES,
  neededQuantities,
  type MeasuredQuantity,
  type TerminationInput,
} from './termination-input';

/** One answer that a question may get: what it writes, and what the choice would come to. */
export interface QuestionOption {
  /** The fact in the shape of its record; for `place` class and division together, for `length` metres. */
  readonly value: unknown;
  /** What the choice would come to if this were so. */
  readonly would: Answer;
  /** Of the sizes that wait: those that would fit, and those that would be refused. The others go on waiting for something else. */
  readonly fits: readonly string[];
  readonly refused: readonly string[];
}

/** Something that was asked and not answered, and what each answer would change. */
export interface Question {
  readonly fact: AskedFact;
  /** The box and the type of cable that it is asked of. */
  readonly box: string;
  readonly cable: string;
  /** Path of the fact in a request. */
  readonly path: string;
  /** Size codes that wait for it. */
  readonly waiting: readonly string[];
  /** Some answer would change what the choice comes to; otherwise it only tells more of sizes that are not the best. */
  readonly decides: boolean;
  /** Empty for a quantity that is measured and for a figure of the profile. */
  readonly options: readonly QuestionOption[];
}

type TypeFacts = Partial<CableType>;
type BoxFacts = Partial<Enclosure>;
interface Given {
  readonly value: unknown;
  readonly apply: (input: TerminationInput) => TerminationInput;
}

const ofType = (value: unknown, facts: TypeFacts): Given => ({
  value,
  apply: (input) => ({ ...input, cableType: { ...input.cableType, ...facts } }),
});
const ofBox = (value: unknown, facts: BoxFacts): Given => ({
  value,
  apply: (input) => ({ ...input, enclosure: { ...input.enclosure, ...facts } }),
});

type ClassOrNone = Exclude<Enclosure['hazardClass'], undefined>;

/** Class and division together; the group stays as it is, and where nobody has said it, it is asked next. */
const place = (hazardClass: ClassOrNone, division?: 1 | 2) => {
  const facts: BoxFacts = { hazardClass, ...(division === undefined ? {} : { division }) };
  return ofBox(facts, facts);
};

/** Classes that a group may belong to; all of them where it is not known. */
const GROUPS_OF = { I: CLASS_GROUPS.slice(0, 4), II: CLASS_GROUPS.slice(4), III: [] } as const;
const classesOf = ({ hazardClass, classGroup }: Enclosure): readonly (typeof HAZARD_CLASSES)[number][] =>
  HAZARD_CLASSES.filter(
    (c) =>
      (hazardClass === undefined || hazardClass === null || c === hazardClass) &&
      (classGroup === undefined || GROUPS_OF[c].some((g) => g === classGroup)),
  );

const metres = (m: number): Given => ({
  value: m,
  apply: (input) => ({ ...input, cableLengthMm: m * 1000 }),
});

const ARMOUR_METALS: readonly Material[] = [
  'galvanisedSteel',
  'steel',
  'stainlessSteel',
  'aluminium',
  'bronze',
  'copper',
];

const LISTINGS: readonly NonNullable<CableType['listings']>[] = [
  ['I/1', 'I/2', 'II/1', 'II/2'],
  ['I/2', 'II/2', 'tray'],
  ['tray'],
  [],
];

interface AskedRecord {
  readonly path: string;
  readonly answers: (input: TerminationInput) => readonly Given[];
}

const FACTS: Readonly<Record<MissingField, AskedRecord>> = {
  compact: {
    path: 'cableType.compact',
    answers: () => [true, false].map((compact) => ofType(compact, { compact })),
  },
  length: {
    path: 'cableLengthMm',
    // One on either side of what the profile asks for, so that both outcomes are seen.
    answers: ({ profile }) => {
      const least = profile.barrier.minLengthM;
      return least === undefined ? [] : [metres(least), metres(Math.max(0, least - 0.5))];
    },
  },
  ignitionSource: {
    path: 'enclosure.ignitionSource',
    answers: () => [true, false].map((ignitionSource) => ofBox(ignitionSource, { ignitionSource })),
  },
  gasGroup: {
    path: 'enclosure.gasGroup',
    answers: () => GAS_GROUPS.map((gasGroup) => ofBox(gasGroup, { gasGroup })),
  },
  dustGroup: {
    path: 'enclosure.dustGroup',
    answers: () => DUST_GROUPS.map((dustGroup) => ofBox(dustGroup, { dustGroup })),
  },
  zone: {
    path: 'enclosure.zone',
    answers: ({ enclosure }) => [
      ...([0, 1, 2, 20, 21, 22] as const).map((zone) => ofBox(zone, { zone })),
      ...(enclosure.concept === 'none' ? [ofBox(null, { zone: null })] : []),
    ],
  },
  place: {
    path: 'enclosure.hazardClass',
    answers: ({ enclosure }) => [
      ...classesOf(enclosure).flatMap((c) => [place(c, 1), place(c, 2)]),
      ...(enclosure.concept === 'none' ? [place(null)] : []),
    ],
  },
  classGroup: {
    path: 'enclosure.classGroup',
    answers: ({ enclosure: { hazardClass } }) =>
      (hazardClass === undefined || hazardClass === null ? CLASS_GROUPS : GROUPS_OF[hazardClass]).map(
        (classGroup) => ofBox(classGroup, { classGroup }),
      ),
  },
  temperatureClass: {
    path: 'enclosure.temperatureClass',
    answers: () =>
      TEMPERATURE_CLASSES.map((temperatureClass) => ofBox(temperatureClass, { temperatureClass })),
  },
  listings: {
    path: 'cableType.listings',
    answers: () => LISTINGS.map((listings) => ofType(listings, { listings })),
  },
  wet: {
    path: 'enclosure.wet',
    answers: () => [true, false].map((wet) => ofBox(wet, { wet })),
  },
  armourMaterial: {
    path: 'cableType.armourMaterial',
    answers: () => ARMOUR_METALS.map((armourMaterial) => ofType(armourMaterial, { armourMaterial })),
  },
  singleCoreAc: {
    path: 'cableType.singleCoreAc',
    answers: () => [true, false].map((singleCoreAc) => ofType(singleCoreAc, { singleCoreAc })),
  },
  profile: { path: 'profile.barrier', answers: () => [] },
};

const isQuantity = (fact: AskedFact): fact is MeasuredQuantity => MEASURED_QUANTITIES.some((q) => q === fact);

/**
 * What the choice waits for: every fact that a size which is not refused anyhow has not been told, with the sizes that wait and, for facts
 * with a list of answers, what the choice would say after each. Facts that most sizes wait for come first. Runs the choice once for each
 * answer: for one termination, not for thousands.
 */
export function questionsOf(input: TerminationInput, catalogue: CatalogueView, choice: Choice): Question[] {
  const waiting = new Map<AskedFact, string[]>();
  const note = (fact: AskedFact, size: string) => {
    const sizes = waiting.get(fact) ?? [];
    if (!sizes.includes(size)) sizes.push(size);
    waiting.set(fact, sizes);
  };
  const asked = choice.barrier.missing;
  if (asked !== null) waiting.set(enteredAt(asked).field, []);
  for (const { verdict, findings, size, notCalledFor } of choice.candidates) {
    if (verdict === 'misfit' || notCalledFor !== null) continue;
    for (const finding of findings) for (const fact of finding.asks ?? []) note(fact, size.code);
  }
  const now = outcomeOf(input, choice);
  return [...waiting]
    .map(([fact, sizes]) => questionOf(fact, sizes, input, catalogue, now))
    .sort((a, b) => Number(b.decides) - Number(a.decides) || b.waiting.length - a.waiting.length);
}

function questionOf(
  fact: AskedFact,
  waiting: readonly string[],
  input: TerminationInput,
  catalogue: CatalogueView,
  now: Answer,
): Question {
  const asked = { fact, box: input.enclosure.tag, cable: input.cableType.code, waiting };
  if (isQuantity(fact)) return { ...asked, path: 'readings', decides: true, options: [] };
  const { path, answers } = FACTS[fact];
  const options = answers(input).map(({ value, apply }) => {
    const then = apply(input);
    const after = choose(then, catalogue);
    const of = (verdict: Verdict) =>
      after.candidates
        .filter((c) => c.verdict === verdict && waiting.includes(c.size.code))
        .map((c) => c.size.code);
    return { value, would: outcomeOf(then, after), fits: of('fits'), refused: of('misfit') };
  });
  const decides = options.length === 0 || options.some((o) => canonicalJson(o.would) !== canonicalJson(now));
  return { ...asked, path, decides, options };
}

/** What the choice comes to; while readings are missing, what is decided about the inside of the cable. */
function outcomeOf(input: TerminationInput, { answer, barrier }: Choice): Answer {
  const unmeasured = neededQuantities(input.cableType, barrier.outcome).some((q) => input[q] === null);
  return unmeasured ? { code: 'barrier', conclusion: barrier.conclusion } : answer;
}
