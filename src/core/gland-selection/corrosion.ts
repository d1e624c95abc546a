import { MATERIAL_WORDS, type Material } from '@/core/catalogue';
import type { CableType, CodeProfile, Enclosure } from '@/core/schedule';

/** Why the metal of a gland may not meet the wall of the box or the armour, or null when it may. */
export function corrosionRefusal(
  gland: Material,
  enclosure: Enclosure,
  cableType: CableType,
  profile: CodeProfile,
): string | null {
  for (const pair of profile.corrosion.pairs) {
    if (pair.gland !== gland || (pair.where === 'wet' && enclosure.wet !== true)) continue;
    const met = pair.against === 'wall' ? enclosure.material : cableType.armourMaterial;
    if (met !== pair.material) continue;
    const other =
      pair.against === 'wall' ? `a wall of ${MATERIAL_WORDS[met]}` : `armour of ${MATERIAL_WORDS[met]}`;
    return `${MATERIAL_WORDS[gland]} against ${other}${pair.where === 'wet' ? ' in the wet' : ''}: the pair corrodes`;
  }
  return null;
}

/** Why one core of an alternating-current circuit may not go in here, or what is not known about it. */
export function singleCoreAnswer(
  cableType: CableType,
  enclosure: Enclosure,
  profile: CodeProfile,
): { readonly verdict: 'fits' | 'unknown' | 'misfit'; readonly reason: string } {
  if (cableType.singleCoreAc !== true)
    return { verdict: 'fits', reason: 'not a single core of an AC circuit' };
  const { nonMagnetic, ferrous } = profile.singleCore;
  if (cableType.armour !== 'none') {
    const metal = cableType.armourMaterial;
    if (metal === undefined)
      return {
        verdict: 'unknown',
        reason: 'single core of an AC circuit: what the armour is made of is not known',
      };
    if (!nonMagnetic.includes(metal))
      return {
        verdict: 'misfit',
        reason: `single core of an AC circuit: armour of ${MATERIAL_WORDS[metal]} carries induced current; it must be non-magnetic`,
      };
  }
  if (ferrous.includes(enclosure.material) && enclosure.nonMagneticPlate !== true)
    return {
      verdict: 'misfit',
      reason: `a separate hole for each phase in a wall of ${MATERIAL_WORDS[enclosure.material]} gets hot; a non-magnetic plate or one opening for all phases is needed`,
    };
  return { verdict: 'fits', reason: 'non-magnetic armour, and no ferrous ring round one phase' };
}
