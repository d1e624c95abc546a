import type { CriterionId } from './finding';
import type { Candidate } from './candidate';
import { flameproofSealOn, type MeasuredQuantity, type TerminationInput } from './termination-input';

/** Where the parts of a candidate stand in a request: `catalogue.families[2]`, `catalogue.families[2].sizes[3]`, and so on. */
export interface Located {
  readonly family: string;
  readonly size: string;
  readonly adaptor: string | null;
  /** Accessories on the thread and inside the wall. */
  readonly accessories: readonly string[];
}

interface Standing {
  readonly candidate: Candidate;
  readonly input: TerminationInput;
  readonly at: Located;
}

type PathsOf = (s: Standing) => readonly string[];

/** Paths of the readings that a quantity was worked out from. */
export const readingPaths = (input: TerminationInput, quantity: MeasuredQuantity): string[] =>
  (input[quantity]?.samples ?? []).map((s) => `readings[${s.index}].text`);

const measured = (input: TerminationInput, quantity: MeasuredQuantity): string[] => [
  ...readingPaths(input, quantity),
  'profile.measurement.uncertaintyMm',
  'profile.measurement.ovalityAllowance',
];

const PLACE = ['enclosure.concept', 'enclosure.zone', 'enclosure.hazardClass', 'enclosure.division'];
const METALS: PathsOf = ({ at }) => [
  `${at.family}.material`,
  'enclosure.material',
  'cableType.armour',
  'cableType.armourMaterial',
  ...(at.adaptor === null ? [] : [`${at.adaptor}.material`]),
];

const BARRIER: Readonly<Record<TerminationInput['profile']['barrier']['rule'], readonly string[]>> = {
  lengthFilling: [
    'enclosure.concept',
    'cableType.effectivelyFilled',
    'cableType.compact',
    'cableLengthMm',
    'profile.barrier',
  ],
  flow: [
    'enclosure.concept',
    'cableType.effectivelyFilled',
    'cableType.compact',
    'enclosure.ignitionSource',
    'enclosure.gasGroup',
    'enclosure.zone',
    'enclosure.freeVolumeCm3',
    'profile.barrier',
  ],
  division: [...PLACE, 'cableType.listings', 'profile.cableListing', 'profile.barrier'],
  none: ['enclosure.zone', 'enclosure.hazardClass', 'profile.barrier'],
};

/** The figures that each rule looks at. A rule without its paths does not compile. */
const PATHS: Readonly<Record<CriterionId, PathsOf>> = {
  cableListing: () => [
    'enclosure.hazardClass',
    'enclosure.division',
    'cableType.listings',
    'profile.cableListing',
  ],
  construction: ({ at }) => [
    'cableType.armour',
    'cableType.jacketed',
    'cableType.effectivelyFilled',
    `${at.family}.accepts`,
  ],
  filling: ({ input, at }) => [
    ...BARRIER[input.profile.barrier.rule],
    `${at.family}.procedureKind`,
    `${at.size}.chamber`,
  ],
  coldFlow: ({ at }) => ['cableType.coldFlow', `${at.family}.accepts.coldFlow`],
  outerSeal: ({ input, at }) => [`${at.size}.outerSeal`, ...measured(input, 'outerSheath')],
  ovality: ({ input, candidate, at }) => [
    'enclosure.concept',
    `${at.family}.maxOvality`,
    ...readingPaths(input, flameproofSealOn(candidate.size)),
  ],
  innerSeal: ({ input, at }) => [
    `${at.size}.innerSeal`,
    'cableType.innerSheath',
    ...measured(input, 'innerSheath'),
  ],
  armourRing: ({ input, candidate, at }) => [
    'cableType.armour',
    ringPath(candidate, at),
    ...measured(
      input,
      ['interlocked', 'corrugated'].includes(input.cableType.armour) ? 'overArmour' : 'armourWire',
    ),
  ],
  endStop: ({ input, candidate, at }) => [
    `${at.size}.endStop`,
    ...(candidate.endStop ? readingPaths(input, candidate.endStop.measuredBy) : []),
  ],
  coreCount: ({ candidate, at }) => [
    'cableType.cores',
    candidate.size.pot === undefined ? `${at.size}.chamber.maxCores` : `${at.size}.pot.conductors`,
  ],
  overCores: ({ input, at }) => [`${at.size}.chamber.maxOverCoresMm`, ...measured(input, 'laidUpCores')],
  freeArea: ({ input, at }) => [
    `${at.size}.chamber.boreMm`,
    `${at.size}.chamber.minFreeShare`,
    'cableType.cores',
    ...measured(input, 'core'),
  ],
  compound: ({ at }) => ['cableType.cores', `${at.size}.chamber.compounds`],
  entryThread: ({ at }) => [
    `${at.size}.entry.thread`,
    'entry.kind',
    'entry.thread',
    'entry.holeMm',
    ...(at.adaptor === null
      ? []
      : [`${at.adaptor}.male`, `${at.adaptor}.female`, `${at.adaptor}.certificate`]),
  ],
  engagement: ({ at }) => [
    `${at.size}.entry`,
    'entry.wallMm',
    'entry.chamferMm',
    'entry.taperedTurns',
    'enclosure.concept',
    'enclosure.freeVolumeCm3',
    'enclosure.ip',
    'enclosure.wallEarthed',
    'profile.flameproofThreads',
    'profile.otherThreads',
    ...at.accessories.map((a) => `${a}.thicknessMm`),
    ...(at.adaptor === null
      ? []
      : ['maleLengthMm', 'femaleLengthMm', 'femaleChamferMm'].map((key) => `${at.adaptor}.${key}`)),
  ],
  concept: ({ input, at }) => [
    ...PLACE,
    `${at.family}.certificate.concepts`,
    `${at.family}.certificate.${input.profile.system === 'divisions' ? 'divisions' : 'zones'}`,
  ],
  group: ({ at }) => [
    'enclosure.zone',
    'enclosure.gasGroup',
    'enclosure.dustGroup',
    'enclosure.hazardClass',
    'enclosure.division',
    'enclosure.classGroup',
    `${at.family}.certificate.gasGroup`,
    `${at.family}.certificate.dustGroup`,
    `${at.family}.certificate.divisions`,
  ],
  ip: ({ at }) => ['enclosure.ip', `${at.family}.certificate.ip`],
  temperature: ({ at }) => [
    'enclosure.ambientMinC',
    'enclosure.entryMaxC',
    `${at.family}.certificate.serviceMinC`,
    `${at.family}.certificate.serviceMaxC`,
  ],
  temperatureClass: () => [
    'enclosure.temperatureClass',
    'enclosure.entryMaxC',
    'enclosure.zone',
    'enclosure.hazardClass',
    'enclosure.concept',
  ],
  corrosion: (s) => [...METALS(s), 'enclosure.wet', 'profile.corrosion.pairs'],
  singleCore: (s) => [
    'cableType.cores',
    'cableType.singleCoreAc',
    ...METALS(s),
    'enclosure.nonMagneticPlate',
    'profile.singleCore',
  ],
};

const ringPath = ({ ring, size }: Candidate, at: Located): string =>
  ring === null ? `${at.size}.rings` : `${at.size}.rings[${size.rings.indexOf(ring.option)}].range`;

/** Paths, in the request, of the figures that a finding stands on, so that a stranger can follow it by hand. Order is that of the reasoning. */
export const becauseOf = (
  criterion: CriterionId,
  candidate: Candidate,
  input: TerminationInput,
  at: Located,
): readonly string[] => PATHS[criterion]({ candidate, input, at });
