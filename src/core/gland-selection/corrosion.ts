import { MATERIAL_WORDS, type Material } from '@/core/catalogue';
import type { CableType, CodeProfile, Enclosure } from '@/core/schedule';
import type { MissingField } from './barrier/trail';
import { verdictCode } from './verdict';

/** Whether metals may meet, or what has to be known to say so. */
export interface MetalAnswer {
  readonly verdict: 'fits' | 'unknown' | 'misfit';
  readonly reason: string;
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

const FITS: MetalAnswer = { verdict: 'fits', reason: '', asks: [] };
const worse = (a: MetalAnswer, b: MetalAnswer): MetalAnswer =>
  verdictCode(b.verdict) > verdictCode(a.verdict) ? b : a;

/**
 * May the metals meet? The gland against the wall and the armour; an adaptor against the wall, and the gland against the adaptor. A pair that
 * is refused in the wet only waits for that to be known, and so does a pair with armour whose metal nobody has said.
 */
export function corrosionAnswer({ gland, adaptor }: EntryMetals, place: Place): MetalAnswer {
  const { enclosure, cableType } = place;
  const wall = { metal: enclosure.material, words: `a wall of ${MATERIAL_WORDS[enclosure.material]}` };
  const joints = [joint(gland, 'wall', wall, place)];
  if (adaptor !== null) {
    joints.push(joint(adaptor, 'wall', wall, place));
    const words = `an adaptor of ${MATERIAL_WORDS[adaptor]}`;
    joints.push(joint(gland, 'wall', { metal: adaptor, words }, place));
  }
  if (cableType.armour !== 'none') joints.push(armourJoint(gland, place));
  return joints.reduce(worse, FITS);
}

interface Met {
  readonly metal: Material;
  readonly words: string;
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
    const words = `${MATERIAL_WORDS[part]} against ${met.words}`;
    const unknown = pair.where === 'wet' && enclosure.wet === undefined;
    answer = worse(
      answer,
      unknown
        ? {
            verdict: 'unknown',
            reason: `${words} corrodes in the wet, and whether ${enclosure.tag} stands in the wet is not known`,
            asks: ['wet'],
          }
        : {
            verdict: 'misfit',
            reason: `${words}${pair.where === 'wet' ? ' in the wet' : ''}: the pair corrodes`,
            asks: [],
          },
    );
  }
  return answer;
}

function armourJoint(gland: Material, place: Place): MetalAnswer {
  const { cableType, enclosure, profile } = place;
  const metal = cableType.armourMaterial;
  if (metal !== undefined)
    return joint(gland, 'armour', { metal, words: `armour of ${MATERIAL_WORDS[metal]}` }, place);
  const dangerous = profile.corrosion.pairs.filter(
    (p) =>
      p.gland === gland && p.against === 'armour' && (p.where === 'everywhere' || enclosure.wet !== false),
  );
  if (dangerous.length === 0) return FITS;
  const metals = [...new Set(dangerous.map((p) => MATERIAL_WORDS[p.material]))].join(' or ');
  const onlyWet = dangerous.every((p) => p.where === 'wet') && enclosure.wet === undefined;
  return {
    verdict: 'unknown',
    reason: `${MATERIAL_WORDS[gland]} against armour of ${metals} corrodes, and what the armour is made of is not known`,
    asks: onlyWet ? ['armourMaterial', 'wet'] : ['armourMaterial'],
  };
}

/** Why one core of an alternating-current circuit may not go in here, or what is not known about it. */
export function singleCoreAnswer({ gland, adaptor }: EntryMetals, place: Place): MetalAnswer {
  const { cableType } = place;
  if (cableType.cores > 1) return { ...FITS, reason: 'several cores' };
  if (cableType.singleCoreAc === false) return { ...FITS, reason: 'a single core, but not of an AC circuit' };
  const answer = [
    armourOfOnePhase(place),
    partOfOnePhase('gland', gland, place),
    ...(adaptor === null ? [] : [partOfOnePhase('adaptor', adaptor, place)]),
    wallOfOnePhase(place),
  ].reduce(worse, FITS);
  if (answer.verdict === 'fits')
    return { ...answer, reason: 'non-magnetic armour, and no ferrous ring round one phase' };
  if (cableType.singleCoreAc === true) return answer;
  return {
    verdict: 'unknown',
    reason: `a single core, and whether its circuit is AC is not known; if it is: ${answer.reason}`,
    asks: ['singleCoreAc', ...answer.asks],
  };
}

const refused = (reason: string): MetalAnswer => ({ verdict: 'misfit', reason, asks: [] });

function armourOfOnePhase({ cableType, profile }: Place): MetalAnswer {
  if (cableType.armour === 'none') return FITS;
  const metal = cableType.armourMaterial;
  if (metal === undefined)
    return {
      verdict: 'unknown',
      reason: 'single core of an AC circuit: what the armour is made of is not known',
      asks: ['armourMaterial'],
    };
  return profile.singleCore.nonMagnetic.includes(metal)
    ? FITS
    : refused(
        `single core of an AC circuit: armour of ${MATERIAL_WORDS[metal]} carries induced current; it must be non-magnetic`,
      );
}

const partOfOnePhase = (part: 'gland' | 'adaptor', metal: Material, { profile }: Place): MetalAnswer =>
  profile.singleCore.ferrous.includes(metal)
    ? refused(
        `single core of an AC circuit: ${part === 'gland' ? 'a gland' : 'an adaptor'} of ${MATERIAL_WORDS[metal]} is a magnetic ring round one phase; it must be non-magnetic`,
      )
    : FITS;

const wallOfOnePhase = ({ enclosure, profile }: Place): MetalAnswer =>
  profile.singleCore.ferrous.includes(enclosure.material) && enclosure.nonMagneticPlate !== true
    ? refused(
        `a separate hole for each phase in a wall of ${MATERIAL_WORDS[enclosure.material]} gets hot; a non-magnetic plate or one opening for all phases is needed`,
      )
    : FITS;
