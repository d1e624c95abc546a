import { ok, refuse, type Result } from '@/core/kernel';
import { trimNumber } from '@/core/units';

/** What goes into a coupler's body, mL. */
export interface Potting {
  readonly bodyMl: number;
  /** What is in it already, and what stays air above the compound. */
  readonly contentMl: number;
  readonly airMl: number;
  readonly packMl: number;
}

/** Compound for a body: what it holds, less what is in it, less the air; in whole packs, opened for it alone. Refused where there is no room. */
export function pottingFor({
  bodyMl,
  contentMl,
  airMl,
  packMl,
}: Potting): Result<{ readonly needMl: number; readonly packs: number; readonly leftMl: number }> {
  const needMl = bodyMl - contentMl - airMl;
  if (!(needMl > 0))
    return refuse(
      'potting',
      `${trimNumber(contentMl, 1)} mL lie in a body of ${trimNumber(bodyMl, 1)} mL, and ${trimNumber(airMl, 1)} mL stay air: ${trimNumber(-needMl, 1)} mL too much`,
      needMl,
    );
  const packs = Math.ceil(needMl / packMl - 1e-9);
  return ok({ needMl, packs, leftMl: packs * packMl - needMl });
}
