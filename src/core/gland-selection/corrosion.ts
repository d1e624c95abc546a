import type { Material } from '@/core/catalogue';
import type { NoFigures, Said } from '@/core/kernel';
import type { CableType, CodeProfile, Enclosure } from '@/core/schedule';
import type { MissingField } from './barrier/trail';
import { verdictCode } from './verdict';

/** What is said of metals that meet. */
export interface MetalCases {
  allowed: NoFigures;
  corrodes: { part: Material; met: Met; wet: boolean };
  wetNotKnown: { part: Material; met: Met; box: string };
  armourCorrodes: { gland: Material; metals: readonly Material[] };
  severalCores: NoFigures;
  notAc: NoFigures;
  nothingMagnetic: NoFigures;
  circuitNotKnown: { ifAc: MetalCase };
  armourNotKnown: NoFigures;
  armourInduces: { metal: Material };
  magneticRing: { part: 'gland' | 'adaptor'; metal: Material };
  wallHeats: { metal: Material };
}
export type MetalCase = Said<MetalCases>;

/** What a metal part meets. */
export interface Met {
  readonly what: 'wall' | 'adaptor' | 'armour';
  readonly metal: Material;
}

/** Whether metals may meet, or what has to be known to say so. */
export interface MetalAnswer {
  readonly verdict: 'fits' | 'unknown' | 'misfit';
  readonly case: MetalCase;
  readonly asks: readonly MissingField[];
}

type Place = {
  readonly cableType: CableType;
  readonly enclosure: Enclosure;
  readonly profile: CodeProfile;
};

/** Metals of a gland and of the adaptor it goes in by, if any. */
export interface EntryMetals {
  readonly gland: Material;
  readonly adaptor: Material | null;
}

const FITS: MetalAnswer = { verdict: 'fits', case: { code: 'allowed' }, asks: [] };
const worse = (a: MetalAnswer, b: MetalAnswer): MetalAnswer =>
  verdictCode(b.verdict) > verdictCode(a.verdict) ? b : a;

/**
 * May the metals meet? The gland against the wall and the armour; an adaptor against the wall, and the gland against the adaptor. A pair that
 * is refused in the wet only waits for that to be known, and so does a pair with armour whose metal nobody has said.
 */
export function corrosionAnswer({ gland, adaptor }: EntryMetals, place: Place): MetalAnswer {
  const { enclosure, cableType } = place;
  const wall: Met = { what: 'wall', metal: enclosure.material };
  const joints = [joint(gland, 'wall', wall, place)];
  if (adaptor !== null) {
    joints.push(joint(adaptor, 'wall', wall, place));
    joints.push(joint(gland, 'wall', { what: 'adaptor', metal: adaptor }, place));
  }
  if (cableType.armour !== 'none') joints.push(armourJoint(gland, place));
  return joints.reduce(worse, FITS);
}

function joint(
  part: Material,
  against: 'wall' | 'armour',
  met: Met,
  { enclosure, profile }: Place,
): MetalAnswer {
  let answer = FITS;
  for (const pair of profile.corrosion.pairs) {
    if (pair.gland !== part || pair.against !== against || pair.material !== met.metal) continue;
    if (pair.where === 'wet' && enclosure.wet === false) continue;
    const unknown = pair.where === 'wet' && enclosure.wet === undefined;
    answer = worse(
      answer,
      unknown
        ? { verdict: 'unknown', case: { code: 'wetNotKnown', part, met, box: enclosure.tag }, asks: ['wet'] }
        : { verdict: 'misfit', case: { code: 'corrodes', part, met, wet: pair.where === 'wet' }, asks: [] },
    );
  }
  return answer;
}

function armourJoint(gland: Material, place: Place): MetalAnswer {
  const { cableType, enclosure, profile } = place;
  const metal = cableType.armourMaterial;
  if (metal !== undefined) return joint(gland, 'armour', { what: 'armour', metal }, place);
  const dangerous = profile.corrosion.pairs.filter(
    (p) =>
      p.gland === gland && p.against === 'armour' && (p.where === 'everywhere' || enclosure.wet !== false),
  );
  if (dangerous.length === 0) return FITS;
  const metals = [...new Set(dangerous.map((p) => p.material))];
  const onlyWet = dangerous.every((p) => p.where === 'wet') && enclosure.wet === undefined;
  return {
    verdict: 'unknown',
    case: { code: 'armourCorrodes', gland, metals },
    asks: onlyWet ? ['armourMaterial', 'wet'] : ['armourMaterial'],
  };
}

/** Why one core of an alternating-current circuit may not go in here, or what is not known about it. */
export function singleCoreAnswer({ gland, adaptor }: EntryMetals, place: Place): MetalAnswer {
  const { cableType } = place;
  if (cableType.cores > 1) return { ...FITS, case: { code: 'severalCores' } };
  if (cableType.singleCoreAc === false) return { ...FITS, case: { code: 'notAc' } };
  const answer = [
    armourOfOnePhase(place),
    partOfOnePhase('gland', gland, place),
    ...(adaptor === null ? [] : [partOfOnePhase('adaptor', adaptor, place)]),
    wallOfOnePhase(place),
  ].reduce(worse, FITS);
  if (answer.verdict === 'fits') return { ...answer, case: { code: 'nothingMagnetic' } };
  if (cableType.singleCoreAc === true) return answer;
  return {
    verdict: 'unknown',
    case: { code: 'circuitNotKnown', ifAc: answer.case },
    asks: ['singleCoreAc', ...answer.asks],
  };
}

const refused = (why: MetalCase): MetalAnswer => ({ verdict: 'misfit', case: why, asks: [] });

function armourOfOnePhase({ cableType, profile }: Place): MetalAnswer {
  if (cableType.armour === 'none') return FITS;
  const metal = cableType.armourMaterial;
  if (metal === undefined)
    return { verdict: 'unknown', case: { code: 'armourNotKnown' }, asks: ['armourMaterial'] };
  return profile.singleCore.nonMagnetic.includes(metal) ? FITS : refused({ code: 'armourInduces', metal });
}

const partOfOnePhase = (part: 'gland' | 'adaptor', metal: Material, { profile }: Place): MetalAnswer =>
  profile.singleCore.ferrous.includes(metal) ? refused({ code: 'magneticRing', part, metal }) : FITS;

const wallOfOnePhase = ({ enclosure, profile }: Place): MetalAnswer =>
  profile.singleCore.ferrous.includes(enclosure.material) && enclosure.nonMagneticPlate !== true
    ? refused({ code: 'wallHeats', metal: enclosure.material })
    : FITS;
