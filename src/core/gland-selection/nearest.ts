import { majorDiameterMm, MATERIAL_WORDS, MATERIALS, threadName, type Material } from '@/core/catalogue';
import { fromUm } from '@/core/kernel';
import { isFlameproof } from '@/core/schedule';
import { trimNumber } from '@/core/units';
import type { BarrierTrail } from './barrier/trail';
import type { Candidate } from './candidate';
import type { CriterionId, Finding } from './finding';
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

/** What would make a size fit that does not. Words in one sentence without its full stop. */
export interface Remedy {
  readonly kind: RemedyKind;
  readonly criterion: CriterionId;
  readonly words: string;
}

/** The size that comes nearest where none fits: it takes the cable, or misses it by the least, and what stands in the way can be read. */
export interface Nearest {
  readonly size: string;
  readonly family: string;
  readonly revision: string;
  /** Does it take this cable, so that only the place refuses it? */
  readonly takesCable: boolean;
  readonly reasons: readonly string[];
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
    reasons: refusing.map((f) => f.reason),
    remedies,
  };
}

const mm = (value: number): string => trimNumber(value, 1);

function remediesFor(finding: Finding, candidate: Candidate, input: TerminationInput): Remedy[] {
  const { criterion } = finding;
  const one = (kind: RemedyKind, words: string): Remedy[] => [{ kind, criterion, words }];
  if (finding.verdict === 'marginal')
    return one('measureAgain', `Measure again for the ${NAMES[criterion] ?? criterion}`);
  switch (criterion) {
    case 'entryThread':
      return entryRemedies(candidate, input);
    case 'engagement':
      return engagementRemedies(candidate, input);
    case 'armourRing':
      return one(
        'otherRing',
        candidate.ring === null
          ? 'Another family, whose ring takes this kind of armour'
          : `Another ring: one for ${finding.has}, if the sheet offers it`,
      );
    case 'outerSeal':
    case 'innerSeal':
      return [
        ...one('otherSeal', `Another seal or family that closes on ${finding.has}`),
        ...one('measureAgain', 'Measure again before another gland is bought'),
      ];
    case 'ovality':
      return one(
        'measureAgain',
        'A round piece of the cable: cut back beyond what bent it, and measure again',
      );
    case 'corrosion':
      return one('otherMetal', metalWords(candidate, input));
    case 'singleCore':
      return singleCoreRemedy(candidate, input);
    case 'concept':
    case 'group':
    case 'ip':
    case 'temperature':
      return one('otherCertificate', `A gland certified for ${finding.has}`);
    case 'coreCount':
    case 'overCores':
    case 'freeArea':
    case 'compound':
      return one('biggerChamber', 'A gland with a larger chamber or another approved compound');
    default:
      return [];
  }
}

const NAMES: Readonly<Partial<Record<CriterionId, string>>> = {
  outerSeal: 'outer seal',
  innerSeal: 'inner seal',
  armourRing: 'armour',
  overCores: 'chamber',
  freeArea: 'room in the chamber',
  endStop: 'end stop',
};

/** A hole that is too small or too wide, a thread that differs. */
function entryRemedies({ size }: Candidate, { entry, enclosure, profile }: TerminationInput): Remedy[] {
  const { thread } = size.entry;
  const criterion = 'entryThread';
  const gland = threadName(thread);
  const major = majorDiameterMm(thread);
  if (entry.kind === 'clearance') {
    if (isFlameproof(enclosure) || major === null)
      return [{ kind: 'otherEntry', criterion, words: `A threaded entry ${gland}` }];
    const most = major + profile.clearanceHole.maxClearanceMm;
    const span = `${mm(major)}–${mm(most)} mm`;
    return (entry.holeMm ?? 0) < major
      ? [{ kind: 'biggerHole', criterion, words: `A bigger hole: ${span} for ${gland}` }]
      : [
          {
            kind: 'reducer',
            criterion,
            words: `A reducer from the ${mm(entry.holeMm ?? 0)} mm hole to ${gland}`,
          },
          { kind: 'otherPlate', criterion, words: `Another plate with a hole of ${span}` },
        ];
  }
  const there = entry.thread === null ? 'the entry' : threadName(entry.thread);
  const own = entry.thread === null ? null : majorDiameterMm(entry.thread);
  const smaller = own !== null && major !== null && own > major;
  return [
    {
      kind: smaller ? 'reducer' : 'otherEntry',
      criterion,
      words: smaller
        ? `A certified reducer from ${there} to ${gland}, which is not in the catalogue`
        : `An entry ${gland}, or a certified adaptor from ${there}, which is not in the catalogue`,
    },
  ];
}

function engagementRemedies({ entry: way, size }: Candidate, { entry }: TerminationInput): Remedy[] {
  const criterion = 'engagement';
  if (way.joints.length === 0) {
    if (way.thread === 'misfit') return [];
    return [
      {
        kind: 'sheetFigure',
        criterion,
        words: 'Find on the sheets of both parts how many threads engage wrench-tight',
      },
    ];
  }
  const short = Math.max(0, ...way.joints.map((j) => -j.marginUm));
  const more = mm(fromUm(short));
  // A wall that is the shorter of the two is made good by a thicker one; else the gland's thread is what is short.
  const wallIsShort = entry.kind === 'threaded' && entry.wallMm < size.entry.lengthMm;
  return [
    wallIsShort
      ? { kind: 'thickerWall', criterion, words: `A wall at least ${more} mm thicker, or another box` }
      : {
          kind: 'otherPlate',
          criterion,
          words: `A thinner plate or stack, or an entry thread ${more} mm longer`,
        },
  ];
}

/** What is magnetic round one phase: the wall is mended by a plate, a gland by another one, armour by neither. */
function singleCoreRemedy(
  { family }: Candidate,
  { enclosure, cableType, profile }: TerminationInput,
): Remedy[] {
  const criterion = 'singleCore';
  const { ferrous, nonMagnetic } = profile.singleCore;
  const { armourMaterial } = cableType;
  if (cableType.armour !== 'none' && armourMaterial !== undefined && !nonMagnetic.includes(armourMaterial))
    return [{ kind: 'otherMetal', criterion, words: 'A cable whose armour is not magnetic' }];
  if (ferrous.includes(family.material))
    return [{ kind: 'otherMetal', criterion, words: 'A gland that is not magnetic' }];
  return ferrous.includes(enclosure.material)
    ? [{ kind: 'otherPlate', criterion, words: 'A non-magnetic plate, or one opening for all phases' }]
    : [{ kind: 'otherMetal', criterion, words: 'An adaptor that is not magnetic' }];
}

/** Metals that nothing speaks against here, as far as the profile's pairs say. */
function metalWords({ family }: Candidate, { enclosure, cableType, profile }: TerminationInput): string {
  const bad = (gland: Material) =>
    profile.corrosion.pairs.some(
      (p) =>
        p.gland === gland &&
        (p.where === 'everywhere' || enclosure.wet !== false) &&
        p.material === (p.against === 'wall' ? enclosure.material : cableType.armourMaterial),
    );
  const good = MATERIALS.filter((m) => m !== family.material && GLAND_METALS.includes(m) && !bad(m));
  return `A gland of another metal: ${good.map((m) => MATERIAL_WORDS[m]).join(', ') || 'none of ours'}`;
}

const GLAND_METALS: readonly Material[] = ['brass', 'nickelPlatedBrass', 'stainlessSteel', 'aluminium'];
