import { ok, refuse, type Result } from '@/core/kernel';

/** A torque wrench with a head that stands off its drive. Lengths in mm, angle in degrees from the line of the handle. */
export interface WrenchHead {
  /** Middle of the handle to the drive: `L`. */
  readonly leverMm: number;
  /** Drive to the middle of the head: `E`. */
  readonly headMm: number;
  /** 0 straight on, 90 square to the handle, 180 pointing back. */
  readonly angleDeg: number;
}

/**
 * What to set on the wrench so that the nut gets `targetNm`: `T·L / (L + E·cos θ)`. A head straight on makes the lever longer, so less is
 * set; square to the handle it changes nothing; pointing back it makes it shorter.
 */
export function wrenchSetting(targetNm: number, head: WrenchHead): Result<number> {
  const { leverMm, headMm, angleDeg } = head;
  if (!(targetNm > 0)) return refuse('targetNm', 'is not a torque', targetNm);
  if (!(leverMm > 0)) return refuse('leverMm', 'is not the length of a wrench', leverMm);
  if (!(headMm >= 0)) return refuse('headMm', 'is not a length', headMm);
  const lever = leverMm + headMm * Math.cos((angleDeg * Math.PI) / 180);
  if (lever <= leverMm * 0.2)
    return refuse(
      'angleDeg',
      'the head stands so far back that hardly any lever is left: turn it round',
      angleDeg,
    );
  return ok((targetNm * leverMm) / lever);
}
