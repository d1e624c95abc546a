import type { ArmourKind, RingOption, Size } from '@/core/catalogue';
import { rangeFacts } from './printed-range';
import { judgeRange, verdictCode, type IntervalUm, type RangeJudgement } from './verdict';

/** A ring face and how the measured armour lies in its range. */
export interface RingFit extends RangeJudgement {
  readonly option: RingOption;
}

/**
 * The face of the ring (or the alternative ring) to use for an armour: best verdict first, then the ring in the bag before an
 * alternative one, then the larger margin. Null when no face of this size takes the kind of armour.
 */
export function chooseRing(size: Size, armour: ArmourKind, wire: IntervalUm | null): RingFit | null {
  let best: RingFit | null = null;
  for (const option of size.rings) {
    if (!option.armour.includes(armour)) continue;
    const { minUm, maxUm } = rangeFacts(option.range);
    const judged = wire === null ? UNKNOWN : judgeRange(minUm, maxUm, wire);
    const fit = { verdict: judged.verdict, marginUm: judged.marginUm, option };
    if (best === null || isBetter(fit, best)) best = fit;
  }
  return best;
}

const UNKNOWN: RangeJudgement = { verdict: 'unknown', marginUm: 0 };

function isBetter(a: RingFit, b: RingFit): boolean {
  const verdict = verdictCode(a.verdict) - verdictCode(b.verdict);
  if (verdict !== 0) return verdict < 0;
  const spare = Number(a.option.ring !== undefined) - Number(b.option.ring !== undefined);
  if (spare !== 0) return spare < 0;
  return a.marginUm > b.marginUm;
}
