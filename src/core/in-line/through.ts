import { ok, refuse, type Result } from '@/core/kernel';

/** Each core of one cable rings on its own of the other and on no other: `rings` says on which. Refused with each that does not, and both ends by name. */
export function mayGoThrough(
  [from, to]: readonly [string, string],
  rings: Readonly<Record<string, string>>,
): Result<null> {
  const crossed = Object.entries(rings).filter(([core, on]) => core !== on);
  return crossed.length === 0
    ? ok(null)
    : refuse(
        'chosen',
        `${crossed.map(([core, on]) => `${core} of ${from} rings on ${on} of ${to}`).join('; ')}: find out at which end it lies wrong, and take that step back`,
      );
}
