import { QUANTITY_WORDS } from '@/core/cable-measurement';
import {
  CLASS_GROUPS,
  DUST_GROUPS,
  GAS_GROUPS,
  HAZARD_CLASSES,
  MATERIAL_WORDS,
  type Material,
} from '@/core/catalogue';
import type { CableType, Enclosure } from '@/core/schedule';
import type { MissingField } from './barrier/trail';
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
  readonly words: string;
  /** The fact in the shape of its record; for `place` class and division together, for `length` metres. */
  readonly value: unknown;
  /** The answer of the choice if this were so. */
  readonly would: string;
  /** Of the sizes that wait: those that would fit, and those that would be refused. The others go on waiting for something else. */
  readonly fits: readonly string[];
  readonly refused: readonly string[];
}

/** Something that was asked and not answered, and what each answer would change. */
export interface Question {
  readonly fact: AskedFact;
  readonly words: string;
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
interface Answer {
  readonly words: string;
  readonly value: unknown;
  readonly apply: (input: TerminationInput) => TerminationInput;
}

const ofType = (words: string, value: unknown, facts: TypeFacts): Answer => ({
  words,
  value,
  apply: (input) => ({ ...input, cableType: { ...input.cableType, ...facts } }),
});
const ofBox = (words: string, value: unknown, facts: BoxFacts): Answer => ({
  words,
  value,
  apply: (input) => ({ ...input, enclosure: { ...input.enclosure, ...facts } }),
});

type ClassOrNone = Exclude<Enclosure['hazardClass'], undefined>;

/** Class and division together; the group stays as it is, and where nobody has said it, it is asked next. */
const place = (hazardClass: ClassOrNone, division?: 1 | 2) => {
  const facts: BoxFacts = { hazardClass, ...(division === undefined ? {} : { division }) };
  return ofBox(
    hazardClass === null ? 'Not classified' : `Class ${hazardClass}, division ${division}`,
    facts,
    facts,
  );
};

/** Classes that a group may belong to; all of them where it is not known. */
const GROUPS_OF = { I: CLASS_GROUPS.slice(0, 4), II: CLASS_GROUPS.slice(4), III: [] } as const;
const classesOf = ({ hazardClass, classGroup }: Enclosure): readonly (typeof HAZARD_CLASSES)[number][] =>
  HAZARD_CLASSES.filter(
    (c) =>
      (hazardClass === undefined || hazardClass === null || c === hazardClass) &&
      (classGroup === undefined || GROUPS_OF[c].some((g) => g === classGroup)),
  );

const metres = (m: number): Answer => ({
  words: `${m} m`,
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

interface AskedRecord {
  readonly path: string;
  readonly words: (input: TerminationInput) => string;
  readonly answers: (input: TerminationInput) => readonly Answer[];
}

const box = ({ enclosure }: TerminationInput) => enclosure.tag;
const type = ({ cableType }: TerminationInput) => cableType.code;

const FACTS: Readonly<Record<MissingField, AskedRecord>> = {
  compact: {
    path: 'cableType.compact',
    words: (i) => `Is ${type(i)} compact and round?`,
    answers: () => [
      ofType('Compact and round', true, { compact: true }),
      ofType('Not compact', false, { compact: false }),
    ],
  },
  length: {
    path: 'cableLengthMm',
    words: () => 'How long is the cable?',
    // One on either side of what the profile asks for, so that both outcomes are seen.
    answers: ({ profile }) => {
      const least = profile.barrier.minLengthM;
      return least === undefined ? [] : [metres(least), metres(Math.max(0, least - 0.5))];
    },
  },
  ignitionSource: {
    path: 'enclosure.ignitionSource',
    words: (i) => `Does ${box(i)} hold a source of ignition?`,
    answers: () => [
      ofBox('Something inside may ignite', true, { ignitionSource: true }),
      ofBox('Nothing inside ignites', false, { ignitionSource: false }),
    ],
  },
  gasGroup: {
    path: 'enclosure.gasGroup',
    words: (i) => `Which gas group is there at ${box(i)}?`,
    answers: () => GAS_GROUPS.map((g) => ofBox(g, g, { gasGroup: g })),
  },
  dustGroup: {
    path: 'enclosure.dustGroup',
    words: (i) => `Which dust group is there at ${box(i)}?`,
    answers: () => DUST_GROUPS.map((g) => ofBox(g, g, { dustGroup: g })),
  },
  zone: {
    path: 'enclosure.zone',
    words: (i) => `In which zone does ${box(i)} stand?`,
    answers: ({ enclosure }) => [
      ...([0, 1, 2, 20, 21, 22] as const).map((z) => ofBox(`Zone ${z}`, z, { zone: z })),
      ...(enclosure.concept === 'none' ? [ofBox('No explosive atmosphere', null, { zone: null })] : []),
    ],
  },
  place: {
    path: 'enclosure.hazardClass',
    words: (i) => `Which class and division has the place of ${box(i)}?`,
    answers: ({ enclosure }) => [
      ...classesOf(enclosure).flatMap((c) => [place(c, 1), place(c, 2)]),
      ...(enclosure.concept === 'none' ? [place(null)] : []),
    ],
  },
  classGroup: {
    path: 'enclosure.classGroup',
    words: (i) => `Which group is there at ${box(i)}?`,
    answers: ({ enclosure: { hazardClass } }) =>
      (hazardClass === undefined || hazardClass === null ? CLASS_GROUPS : GROUPS_OF[hazardClass]).map((g) =>
        ofBox(`Group ${g}`, g, { classGroup: g }),
      ),
  },
  listings: {
    path: 'cableType.listings',
    words: (i) => `What is ${type(i)} listed for?`,
    answers: () => [
      ofType('Divisions 1 and 2', ['I/1', 'I/2', 'II/1', 'II/2'], {
        listings: ['I/1', 'I/2', 'II/1', 'II/2'],
      }),
      ofType('Division 2 and tray use', ['I/2', 'II/2', 'tray'], { listings: ['I/2', 'II/2', 'tray'] }),
      ofType('Tray use only', ['tray'], { listings: ['tray'] }),
      ofType('No listing', [], { listings: [] }),
    ],
  },
  wet: {
    path: 'enclosure.wet',
    words: (i) => `Does water or salt stand at the joints of ${box(i)}?`,
    answers: () => [ofBox('Wet in service', true, { wet: true }), ofBox('Dry', false, { wet: false })],
  },
  armourMaterial: {
    path: 'cableType.armourMaterial',
    words: (i) => `What is the armour of ${type(i)} made of?`,
    answers: () => ARMOUR_METALS.map((m) => ofType(capital(MATERIAL_WORDS[m]), m, { armourMaterial: m })),
  },
  singleCoreAc: {
    path: 'cableType.singleCoreAc',
    words: (i) => `Does ${type(i)} carry one phase of an AC circuit?`,
    answers: () => [
      ofType('One phase of AC', true, { singleCoreAc: true }),
      ofType('Not AC', false, { singleCoreAc: false }),
    ],
  },
  profile: {
    path: 'profile.barrier',
    words: () => 'A figure of the code profile is missing.',
    answers: () => [],
  },
};

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

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
  if (asked !== null) waiting.set(asked.field, []);
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
  now: string,
): Question {
  if (isQuantity(fact)) {
    const words = `Measure: ${QUANTITY_WORDS[fact]}.`;
    return { fact, words, path: 'readings', waiting, decides: true, options: [] };
  }
  const { path, words, answers } = FACTS[fact];
  const options = answers(input).map((answer) => {
    const then = answer.apply(input);
    const after = choose(then, catalogue);
    const of = (verdict: Verdict) =>
      after.candidates
        .filter((c) => c.verdict === verdict && waiting.includes(c.size.code))
        .map((c) => c.size.code);
    return {
      words: answer.words,
      value: answer.value,
      would: outcomeOf(then, after),
      fits: of('fits'),
      refused: of('misfit'),
    };
  });
  const decides = options.length === 0 || options.some((o) => o.would !== now);
  return { fact, words: words(input), path, waiting, decides, options };
}

/** What the choice comes to; while readings are missing, what is decided about the inside of the cable. */
function outcomeOf(input: TerminationInput, { answer, barrier }: Choice): string {
  const unmeasured = neededQuantities(input.cableType, barrier.outcome).some((q) => input[q] === null);
  return unmeasured ? barrier.conclusion : answer;
}
