import { QUANTITY_WORDS } from '@/core/cable-measurement';
import { MATERIAL_WORDS, PURPOSE_WORDS, threadName } from '@/core/catalogue';
import { worded, type Wording } from '@/core/kernel';
import { trimNumber } from '@/core/units';
import type { Answer, Answers, NamedSeal } from '../answer';
import type { CriterionId } from '../finding';
import type { Nearest, RemedyCases, RemedyKind } from '../nearest';
import type { NotCalledFor } from '../purpose';
import type { Provisional, Provisionals } from '../termination-input';
import type { RingWay, Way } from '../way';
import { conclusionWords } from './barrier-words';
import { reasonWords, hasWords } from './finding-words';
import { END_STOP_WORDS } from './small-words';

/** How the ring goes on: “coarse groove to the cone”, “ring AY3-R32F, flat groove to the cone”; empty without armour. */
export function ringWords(way: RingWay | null): string {
  if (way === null) return '';
  const plain = {
    earthing: 'armour edge in the earthing ring',
    oneWay: `ring ${way.facing ?? 'one way only'}`,
    either: 'ring either way round',
  };
  const words = way.face === 'plain' ? plain[way.plain] : `${way.face} groove to the cone`;
  return way.ring === null ? words : `ring ${way.ring}, ${words}`;
}

/** Everything that sets a size up. */
export const wayWords = ({ ring, endStop, adaptor }: Way): string =>
  [
    ringWords(ring),
    endStop === null ? '' : END_STOP_WORDS[endStop],
    adaptor === null ? '' : `adaptor ${adaptor}`,
  ]
    .filter((w) => w !== '')
    .join(', ');

const sizeAndWay = (way: Way): string => [way.size, wayWords(way)].filter((w) => w !== '').join(', ');

const SEALS: Readonly<Record<NamedSeal, string>> = {
  outerSeal: 'outer seal range',
  innerSeal: 'inner seal range',
  overCores: 'chamber',
};

const ANSWERS: Wording<Answers> = {
  barrier: ({ conclusion }) => conclusionWords(conclusion),
  measureFirst: ({ quantities }) => `Measure first: ${quantities.map((q) => QUANTITY_WORDS[q]).join(', ')}.`,
  emptyCatalogue: () => 'The catalogue is empty.',
  onlyMore: ({ way }) => `Only ${sizeAndWay(way)} fits, and it is more than is called for.`,
  take: ({ way, provisional, room }) =>
    `${provisional ? 'Plan on' : 'Take'} ${sizeAndWay(way)}${room === null ? '' : `; ${trimNumber(room.mm, 1)} mm inside the ${SEALS[room.seal]}`}.`,
  measureAgain: ({ size }) => `Measure again: ${size} may fit, nothing certainly does.`,
  notDecided: ({ size, finding }) =>
    `Not decided: ${size} hangs on what is missing: ${finding === null ? '' : reasonWords(finding)}.`,
  nothingFits: ({ size, finding, remedy }) =>
    `No size fits. Nearest is ${size}: ${finding === null ? 'not judged' : reasonWords(finding)}.${remedy === null ? '' : ` ${worded(REMEDIES, remedy.case)}.`}`,
  noSize: () => 'No size fits.',
};

/** The answer of a choice in one sentence. */
export const answerWords = (answer: Answer): string => worded(ANSWERS, answer);

const NAMES: Readonly<Partial<Record<CriterionId, string>>> = {
  outerSeal: 'outer seal',
  innerSeal: 'inner seal',
  armourRing: 'armour',
  overCores: 'chamber',
  freeArea: 'room in the chamber',
  endStop: 'end stop',
};

const mm = (value: number): string => trimNumber(value, 1);
const spanMm = ({ fromMm, toMm }: { readonly fromMm: number; readonly toMm: number }): string =>
  `${mm(fromMm)}–${mm(toMm)} mm`;
const entryName = (entry: RemedyCases['reducer']['entry']): string =>
  entry === null ? 'the entry' : threadName(entry);

/** What would help, each a sentence without its full stop. */
const REMEDIES: Wording<RemedyCases> = {
  measureAgainFor: ({ criterion }) => `Measure again for the ${NAMES[criterion] ?? criterion}`,
  measureBeforeBuying: () => 'Measure again before another gland is bought',
  roundPiece: () => 'A round piece of the cable: cut back beyond what bent it, and measure again',
  familyForArmour: () => 'Another family, whose ring takes this kind of armour',
  ringFor: ({ has }) => `Another ring: one for ${hasWords(has)}, if the sheet offers it`,
  sealFor: ({ has }) => `Another seal or family that closes on ${hasWords(has)}`,
  certifiedFor: ({ has }) => `A gland certified for ${hasWords(has)}`,
  otherPot: ({ cores }) => `A pot for ${cores} conductors`,
  largerChamber: () => 'A gland with a larger chamber or another approved compound',
  glandOf: ({ metals }) =>
    `A gland of another metal: ${metals.map((m) => MATERIAL_WORDS[m]).join(', ') || 'none of ours'}`,
  plainArmour: () => 'A cable whose armour is not magnetic',
  plainGland: () => 'A gland that is not magnetic',
  plainAdaptor: () => 'An adaptor that is not magnetic',
  plainPlate: () => 'A non-magnetic plate, or one opening for all phases',
  threadedEntry: ({ thread }) => `A threaded entry ${threadName(thread)}`,
  biggerHole: (hole) => `A bigger hole: ${spanMm(hole)} for ${threadName(hole.thread)}`,
  reducerFromHole: ({ holeMm, thread }) =>
    `A reducer from the ${mm(holeMm)} mm hole to ${threadName(thread)}`,
  plateWithHole: (hole) => `Another plate with a hole of ${spanMm(hole)}`,
  reducer: ({ entry, gland }) =>
    `A certified reducer from ${entryName(entry)} to ${threadName(gland)}, which is not in the catalogue`,
  entryOrAdaptor: ({ entry, gland }) =>
    `An entry ${threadName(gland)}, or a certified adaptor from ${entryName(entry)}, which is not in the catalogue`,
  taperedTurns: () => 'Find on the sheets of both parts how many threads engage wrench-tight',
  thickerWall: (wall) => `A wall at least ${mm(wall.mm)} mm thicker, or another box`,
  thinnerPlate: (plate) => `A thinner plate or stack, or an entry thread ${mm(plate.mm)} mm longer`,
};

/** The nearest size in words. */
export interface NearestView extends Omit<Nearest, 'refusals' | 'remedies'> {
  readonly reasons: readonly string[];
  readonly remedies: readonly {
    readonly kind: RemedyKind;
    readonly criterion: CriterionId;
    readonly words: string;
  }[];
}

export const nearestView = ({ refusals, remedies, ...rest }: Nearest): NearestView => ({
  ...rest,
  reasons: refusals.map(reasonWords),
  remedies: remedies.map(({ kind, criterion, case: remedy }) => ({
    kind,
    criterion,
    words: worded(REMEDIES, remedy),
  })),
});

const PROVISIONAL: Wording<Provisionals> = {
  datasheet: ({ quantity }) => `${QUANTITY_WORDS[quantity]} is a datasheet value`,
  twoCalipers: () =>
    'a flameproof entry asks for two caliper readings of the outer sheath, a quarter turn apart',
  tape: () => 'a flameproof entry asks for a tape reading of the outer sheath as well',
};

export const provisionalWords = (reason: Provisional): string => worded(PROVISIONAL, reason);

/** Why a kind of gland does not compete here. */
export function notCalledForWords(why: NotCalledFor): string {
  if (why === 'entryForPlugIn') return 'this entry is made for a plug-in gland body';
  if (why === 'entryOwnClamp') return 'this is the clamp of a device: it takes no gland';
  if (why === 'entryNoClamp') return 'this entry is no clamp of a device';
  if (why === 'entryForCoupler') return 'this is the inlet of a coupler: it takes no gland';
  if (why === 'entryNotForCoupler') return 'this entry is no inlet of a coupler';
  if (why === 'entryForInLine') return 'this is the housing of an in-line joint: it takes no gland';
  if (why === 'entryNotForInLine') return 'this entry is no housing of an in-line joint';
  if (why === 'entryNotForPlugIn') return 'this entry is not made for a plug-in body';
  return `${PURPOSE_WORDS[why]}: not called for here`;
}
