import type { Family, Part, Size } from '@/core/catalogue';
import type { RingFit } from '@/core/gland-selection';

/** One part that must be on the cable before its end is cut. */
export interface SlideOnItem {
  readonly partId: string;
  readonly role: Part['role'];
  readonly name: string;
  /** Which way round, in words. */
  readonly facing: string;
  /** Mark to cut an accessory at, such as the shroud's step. */
  readonly trim: string | null;
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
    .map((part) => ({
      partId: part.id,
      role: part.role,
      name:
        part.role === 'clampingRing' && ring?.option.ring ? `${part.name} ${ring.option.ring}` : part.name,
      facing: facingOf(part, ring),
      trim: part.role === 'shroud' ? shroudStep(size, outerMaxMm) : null,
    }));
}

function facingOf(part: Part, ring: RingFit | null): string {
  if (part.orientation === 'facePerArmour') {
    return ring === null ? 'face by armour' : `${ring.option.face} groove towards the cone`;
  }
  if (part.orientation === 'oneWay') return part.facing ?? 'one way only, see the sheet';
  return 'either way round';
}

const shroudStep = (size: Size, outerMaxMm: number): string | null => {
  if (!size.shroudSteps) return null;
  const step = [...size.shroudSteps].sort((a, b) => a.upToMm - b.upToMm).find((s) => outerMaxMm <= s.upToMm);
  return step ? `cut at step ${step.step}` : 'no step fits: leave the shroud uncut and ask the sheet';
};
