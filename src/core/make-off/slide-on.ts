import type { Family, Part, Size } from '@/core/catalogue';
import type { RingFit } from '@/core/gland-selection';

/** One part that must be on the cable before its end is cut. */
export interface SlideOnItem {
  readonly partId: string;
  readonly role: Part['role'];
  readonly name: string;
  /** Which way round, in words. */
  readonly facing: string;
  /** Its marked side looks towards the cable end, or away from it; null where it fits either way or only the sheet's words say. */
  readonly towards: 'cableEnd' | 'cable' | null;
  /** What must be turned the right way, as a code: the groove of a ring, the sheet's own words, or either way. */
  readonly face: string;
  /** Mark to cut an accessory at, such as the shroud's step, in words. */
  readonly trim: string | null;
  /** Step of the shroud; null where nothing is cut. */
  readonly shroudStep: string | null;
}

/** The slide-on list in order: the first goes on first and ends up farthest from the cable end. */
export function slideOnList(
  family: Family,
  size: Size,
  ring: RingFit | null,
  outerMaxMm: number,
): SlideOnItem[] {
  return family.parts
    .filter((p) => p.slideOn !== undefined)
    .sort((a, b) => (a.slideOn ?? 0) - (b.slideOn ?? 0))
    .map((part) => {
      const step = part.role === 'shroud' ? shroudStep(size, outerMaxMm) : null;
      return {
        partId: part.id,
        role: part.role,
        name:
          part.role === 'clampingRing' && ring?.option.ring ? `${part.name} ${ring.option.ring}` : part.name,
        ...facingOf(part, ring),
        trim: step?.words ?? null,
        shroudStep: step?.step ?? null,
      };
    });
}

type Facing = Pick<SlideOnItem, 'facing' | 'face' | 'towards'>;

function facingOf(part: Part, ring: RingFit | null): Facing {
  if (part.orientation === 'facePerArmour') {
    return ring === null
      ? { facing: 'face by armour', face: 'byArmour', towards: null }
      : {
          facing: `${ring.option.face} groove towards the cone`,
          face: `groove ${ring.option.face}`,
          towards: 'cableEnd',
        };
  }
  if (part.orientation === 'oneWay') {
    const facing = part.facing ?? 'one way only, see the sheet';
    return { facing, face: facing, towards: part.towards ?? null };
  }
  return { facing: 'either way round', face: 'either', towards: null };
}

/** The step that a shroud is cut at, or that none fits; null where it has none. */
function shroudStep(size: Size, outerMaxMm: number): { step: string; words: string } | null {
  if (!size.shroudSteps) return null;
  const step = [...size.shroudSteps].sort((a, b) => a.upToMm - b.upToMm).find((s) => outerMaxMm <= s.upToMm);
  return step
    ? { step: step.step, words: `cut at step ${step.step}` }
    : { step: 'none', words: 'no step fits: leave the shroud uncut and ask the sheet' };
}
