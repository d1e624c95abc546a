import { majorDiameterMm, MATERIALS, type Material, type Thread } from '@/core/catalogue';
import { fromUm, type NoFigures, type Said } from '@/core/kernel';
import { isFlameproof } from '@/core/schedule';
import type { BarrierTrail } from './barrier/trail';
import type { Candidate } from './candidate';
import type { CriterionId, Finding } from './finding';
import type { FindingCase } from './finding-case';
import type { TerminationInput } from './termination-input';

export const REMEDY_KINDS = [
  'biggerHole',
  'otherEntry',
  'reducer',
  'otherPlate',
  'thickerWall',
  'otherRing',
  'otherSeal',
  'otherMetal',
  'otherCertificate',
  'biggerChamber',
  'sheetFigure',
  'measureAgain',
] as const;
export type RemedyKind = (typeof REMEDY_KINDS)[number];

/** What would help, with its figures. */
export interface RemedyCases {
  measureAgainFor: { criterion: CriterionId };
  measureBeforeBuying: NoFigures;
  roundPiece: NoFigures;
  familyForArmour: NoFigures;
  ringFor: { has: FindingCase };
  sealFor: { has: FindingCase };
  certifiedFor: { has: FindingCase };
  largerChamber: NoFigures;
  otherPot: { cores: number };
  glandOf: { metals: readonly Material[] };
  plainArmour: NoFigures;
  plainGland: NoFigures;
  plainAdaptor: NoFigures;
  plainPlate: NoFigures;
  threadedEntry: { thread: Thread };
  biggerHole: { fromMm: number; toMm: number; thread: Thread };
  reducerFromHole: { holeMm: number; thread: Thread };
  plateWithHole: { fromMm: number; toMm: number };
  reducer: { entry: Thread | null; gland: Thread };
  entryOrAdaptor: { entry: Thread | null; gland: Thread };
  taperedTurns: NoFigures;
  thickerWall: { mm: number };
  thinnerPlate: { mm: number };
}
export type RemedyCase = Said<RemedyCases>;

/** What would make a size fit that does not. */
export interface Remedy {
  readonly kind: RemedyKind;
  readonly criterion: CriterionId;
  readonly case: RemedyCase;
}

/** The size that comes nearest where none fits: it takes the cable, or misses it by the least, and what stands in the way can be read. */
export interface Nearest {
  readonly size: string;
  readonly family: string;
  readonly revision: string;
  /** Does it take this cable, so that only the place refuses it? */
  readonly takesCable: boolean;
  readonly refusals: readonly FindingCase[];
  readonly remedies: readonly Remedy[];
}

/** The nearest of the candidates, which are in order of merit; null while something fits, may fit or is still to be asked. */
export function nearestOf(
  input: TerminationInput,
  trail: BarrierTrail,
  candidates: readonly Candidate[],
): Nearest | null {
  const best = candidates[0];
  if (best?.verdict !== 'misfit' || trail.outcome === 'refused' || trail.outcome === 'ask') return null;
  const refusing = best.findings.filter((f) => f.verdict === 'misfit');
  const remedies = [...refusing, ...best.findings.filter((f) => f.verdict === 'marginal')].flatMap((f) =>
    remediesFor(f, best, input),
  );
  return {
    size: best.size.code,
    family: best.family.code,
    revision: best.family.sheet.revision,
    takesCable: best.cableRefusals === 0,
    refusals: refusing.map((f) => f.case),
    remedies,
  };
}

function remediesFor(finding: Finding, candidate: Candidate, input: TerminationInput): Remedy[] {
  const { criterion, case: has } = finding;
  const one = (kind: RemedyKind, remedy: RemedyCase): Remedy[] => [{ kind, criterion, case: remedy }];
  if (finding.verdict === 'marginal') return one('measureAgain', { code: 'measureAgainFor', criterion });
  switch (criterion) {
    case 'entryThread':
      return entryRemedies(candidate, input).map(([kind, remedy]) => ({ kind, criterion, case: remedy }));
    case 'engagement':
      return engagementRemedies(candidate, input).map(([kind, remedy]) => ({
        kind,
        criterion,
        case: remedy,
      }));
    case 'armourRing':
      return one(
        'otherRing',
        candidate.ring === null ? { code: 'familyForArmour' } : { code: 'ringFor', has },
      );
    case 'outerSeal':
    case 'innerSeal':
      return [
        ...one('otherSeal', { code: 'sealFor', has }),
        ...one('measureAgain', { code: 'measureBeforeBuying' }),
      ];
    case 'ovality':
      return one('measureAgain', { code: 'roundPiece' });
    case 'corrosion':
      return one('otherMetal', { code: 'glandOf', metals: goodMetals(candidate, input) });
    case 'singleCore':
      return [singleCoreRemedy(candidate, input)].map(([kind, remedy]) => ({
        kind,
        criterion,
        case: remedy,
      }));
    case 'concept':
    case 'group':
    case 'ip':
    case 'temperature':
      return one('otherCertificate', { code: 'certifiedFor', has });
    case 'coreCount':
      if (candidate.size.pot !== undefined)
        return one('biggerChamber', { code: 'otherPot', cores: input.cableType.cores });
      return one('biggerChamber', { code: 'largerChamber' });
    case 'overCores':
    case 'freeArea':
    case 'compound':
      return one('biggerChamber', { code: 'largerChamber' });
    default:
      return [];
  }
}

type KindAndCase = readonly [RemedyKind, RemedyCase];

/** A hole that is too small or too wide, a thread that differs. */
function entryRemedies({ size }: Candidate, { entry, enclosure, profile }: TerminationInput): KindAndCase[] {
  const { thread } = size.entry;
  const major = majorDiameterMm(thread);
  if (entry.kind === 'clearance') {
    if (isFlameproof(enclosure) || major === null) return [['otherEntry', { code: 'threadedEntry', thread }]];
    const span = { fromMm: major, toMm: major + profile.clearanceHole.maxClearanceMm };
    const holeMm = entry.holeMm ?? 0;
    return holeMm < major
      ? [['biggerHole', { code: 'biggerHole', ...span, thread }]]
      : [
          ['reducer', { code: 'reducerFromHole', holeMm, thread }],
          ['otherPlate', { code: 'plateWithHole', ...span }],
        ];
  }
  const own = entry.thread === null ? null : majorDiameterMm(entry.thread);
  const smaller = own !== null && major !== null && own > major;
  const threads = { entry: entry.thread, gland: thread };
  return [
    smaller
      ? ['reducer', { code: 'reducer', ...threads }]
      : ['otherEntry', { code: 'entryOrAdaptor', ...threads }],
  ];
}

function engagementRemedies({ entry: way, size }: Candidate, { entry }: TerminationInput): KindAndCase[] {
  if (way.joints.length === 0)
    return way.thread === 'misfit' ? [] : [['sheetFigure', { code: 'taperedTurns' }]];
  const mm = fromUm(Math.max(0, ...way.joints.map((j) => -j.marginUm)));
  // A wall that is the shorter of the two is made good by a thicker one; else the gland's thread is what is short.
  const wallIsShort = entry.kind === 'threaded' && entry.wallMm < size.entry.lengthMm;
  return [
    wallIsShort ? ['thickerWall', { code: 'thickerWall', mm }] : ['otherPlate', { code: 'thinnerPlate', mm }],
  ];
}

/** What is magnetic round one phase: the wall is mended by a plate, a gland by another one, armour by neither. */
function singleCoreRemedy(
  { family }: Candidate,
  { enclosure, cableType, profile }: TerminationInput,
): KindAndCase {
  const { ferrous, nonMagnetic } = profile.singleCore;
  const { armourMaterial } = cableType;
  if (cableType.armour !== 'none' && armourMaterial !== undefined && !nonMagnetic.includes(armourMaterial))
    return ['otherMetal', { code: 'plainArmour' }];
  if (ferrous.includes(family.material)) return ['otherMetal', { code: 'plainGland' }];
  return ferrous.includes(enclosure.material)
    ? ['otherPlate', { code: 'plainPlate' }]
    : ['otherMetal', { code: 'plainAdaptor' }];
}

/** Metals that nothing speaks against here, as far as the profile's pairs say. */
function goodMetals({ family }: Candidate, { enclosure, cableType, profile }: TerminationInput): Material[] {
  const bad = (gland: Material) =>
    profile.corrosion.pairs.some(
      (p) =>
        p.gland === gland &&
        (p.where === 'everywhere' || enclosure.wet !== false) &&
        p.material === (p.against === 'wall' ? enclosure.material : cableType.armourMaterial),
    );
  return MATERIALS.filter((m) => m !== family.material && GLAND_METALS.includes(m) && !bad(m));
}

const GLAND_METALS: readonly Material[] = ['brass', 'nickelPlatedBrass', 'stainlessSteel', 'aluminium'];
