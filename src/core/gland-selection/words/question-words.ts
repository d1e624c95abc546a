import { QUANTITY_WORDS } from '@/core/cable-measurement';
import { MATERIAL_WORDS, type Material } from '@/core/catalogue';
import type { CableType, Enclosure } from '@/core/schedule';
import type { MissingField } from '../barrier';
import type { Question, QuestionOption } from '../questions';
import type { MeasuredQuantity } from '../termination-input';
import { answerWords } from './answer-words';

type Asked = Pick<Question, 'box' | 'cable'>;
interface FactWords<V> {
  readonly question: (asked: Asked) => string;
  /** What an answer of this fact is called. */
  readonly answer: (value: V) => string;
}

type OfBox<K extends keyof Enclosure> = Exclude<Enclosure[K], undefined>;
type OfType<K extends keyof CableType> = Exclude<CableType[K], undefined>;

/** What each fact is answered with. */
interface FactValues {
  compact: boolean;
  length: number;
  ignitionSource: boolean;
  gasGroup: OfBox<'gasGroup'>;
  dustGroup: OfBox<'dustGroup'>;
  zone: OfBox<'zone'>;
  place: Pick<Enclosure, 'hazardClass' | 'division'>;
  classGroup: OfBox<'classGroup'>;
  temperatureClass: NonNullable<OfBox<'temperatureClass'>>;
  listings: OfType<'listings'>;
  wet: boolean;
  armourMaterial: Material;
  singleCoreAc: boolean;
  profile: never;
}

const either =
  (yes: string, no: string) =>
  (value: boolean): string =>
    value ? yes : no;
const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** Listings that are offered together; an answer of others names them one by one. */
function listingAnswer(listings: FactValues['listings']): string {
  if (listings.length === 0) return 'No listing';
  if (listings.includes('I/1')) return 'Divisions 1 and 2';
  return listings.includes('I/2') ? 'Division 2 and tray use' : 'Tray use only';
}

function placeAnswer({ hazardClass, division }: FactValues['place']): string {
  return hazardClass === null ? 'Not classified' : `Class ${hazardClass}, division ${division}`;
}

const FACTS: { readonly [F in MissingField]: FactWords<FactValues[F]> } = {
  compact: {
    question: ({ cable }) => `Is ${cable} compact and round?`,
    answer: either('Compact and round', 'Not compact'),
  },
  length: { question: () => 'How long is the cable?', answer: (m) => `${m} m` },
  ignitionSource: {
    question: ({ box }) => `Does ${box} hold a source of ignition?`,
    answer: either('Something inside may ignite', 'Nothing inside ignites'),
  },
  gasGroup: { question: ({ box }) => `Which gas group is there at ${box}?`, answer: String },
  dustGroup: { question: ({ box }) => `Which dust group is there at ${box}?`, answer: String },
  zone: {
    question: ({ box }) => `In which zone does ${box} stand?`,
    answer: (zone) => (zone === null ? 'No explosive atmosphere' : `Zone ${zone}`),
  },
  place: {
    question: ({ box }) => `Which class and division has the place of ${box}?`,
    answer: placeAnswer,
  },
  classGroup: {
    question: ({ box }) => `Which group is there at ${box}?`,
    answer: (group) => `Group ${group}`,
  },
  temperatureClass: {
    question: ({ box }) => `Which temperature class is asked for at ${box}?`,
    answer: String,
  },
  listings: {
    question: ({ cable }) => `What is ${cable} listed for?`,
    answer: listingAnswer,
  },
  wet: {
    question: ({ box }) => `Does water or salt stand at the joints of ${box}?`,
    answer: either('Wet in service', 'Dry'),
  },
  armourMaterial: {
    question: ({ cable }) => `What is the armour of ${cable} made of?`,
    answer: (metal) => capital(MATERIAL_WORDS[metal]),
  },
  singleCoreAc: {
    question: ({ cable }) => `Does ${cable} carry one phase of an AC circuit?`,
    answer: either('One phase of AC', 'Not AC'),
  },
  profile: { question: () => 'A figure of the code profile is missing.', answer: String },
};

/** A question in words, with what each answer would change. */
export interface QuestionView extends Omit<Question, 'options' | 'box' | 'cable'> {
  readonly words: string;
  readonly options: readonly (Omit<QuestionOption, 'would'> & {
    readonly words: string;
    readonly would: string;
  })[];
}

const isFact = (fact: Question['fact']): fact is MissingField => Object.hasOwn(FACTS, fact);

export function questionView({ options, box, cable, ...question }: Question): QuestionView {
  const { fact } = question;
  if (!isFact(fact))
    return {
      ...question,
      words: `Measure: ${QUANTITY_WORDS[fact satisfies MeasuredQuantity]}.`,
      options: [],
    };
  // Every option of a fact has a value of that fact.
  const words = FACTS[fact] as FactWords<unknown>;
  return {
    ...question,
    words: words.question({ box, cable }),
    options: options.map((option) => ({
      ...option,
      words: words.answer(option.value),
      would: answerWords(option.would),
    })),
  };
}
