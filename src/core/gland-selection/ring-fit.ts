import type { ArmourKind, RingOption } from '@/core/catalogue';
import type { RangeFacts, SizeFacts } from './size-facts';
import { judgeRange, verdictCode, type IntervalUm, type RangeJudgement } from './verdict';

/** A ring face and how the measured armour lies in its range. */
export interface RingFit extends RangeJudgement {
  readonly option: RingOption;
  readonly facts: RangeFacts;
}

const UNKNOWN: RangeJudgement = { verdict: 'unknown', marginUm: 0 };

/**
 * The face of the ring (or the alternative ring) to use for an armour: best verdict first, then the ring in the bag before an
 * alternative one, then the larger margin. Null when no face of this size takes the kind of armour.
 */
export function chooseRing(
  sizeFacts: SizeFacts,
  armour: ArmourKind,
  wire: IntervalUm | null,
): RingFit | null {
  let best: SizeFacts['rings'][number] | null = null;
  let judgedBest = UNKNOWN;
  for (const ring of sizeFacts.rings) {
    if (!ring.option.armour.includes(armour)) continue;
    const judged = wire === null ? UNKNOWN : judgeRange(ring.facts.minUm, ring.facts.maxUm, wire);
    if (best !== null && !isBetter(ring.option, judged, best.option, judgedBest)) continue;
    best = ring;
    judgedBest = judged;
  }
  if (best === null) return null;
  return {
    verdict: judgedBest.verdict,
    marginUm: judgedBest.marginUm,
    option: best.option,
    facts: best.facts,
  };
}

/** Every face of a size that takes an armour, the one in the bag and alternative rings, each with how the armour lies in its range. */
export const ringFits = (
  { rings }: SizeFacts,
  armour: ArmourKind,
  wire: IntervalUm | null,
): readonly RingFit[] =>
  rings
    .filter(({ option }) => option.armour.includes(armour))
    .map((ring) => ({
      ...(wire === null ? UNKNOWN : judgeRange(ring.facts.minUm, ring.facts.maxUm, wire)),
      option: ring.option,
      facts: ring.facts,
    }));

function isBetter(a: RingOption, ofA: RangeJudgement, b: RingOption, ofB: RangeJudgement): boolean {
  const verdict = verdictCode(ofA.verdict) - verdictCode(ofB.verdict);
  if (verdict !== 0) return verdict < 0;
  const spare = Number(a.ring !== undefined) - Number(b.ring !== undefined);
  if (spare !== 0) return spare < 0;
  return ofA.marginUm > ofB.marginUm;
}
