/** Fits, or must be measured again, or certainly does not fit, or cannot be judged because a figure is missing. */
export type Verdict = 'fits' | 'marginal' | 'unknown' | 'misfit';

/** From best to worst; the place in this list is the code in packed results. */
export const VERDICTS: readonly Verdict[] = ['fits', 'marginal', 'unknown', 'misfit'];

const CODES: Readonly<Record<Verdict, number>> = { fits: 0, marginal: 1, unknown: 2, misfit: 3 };

export const verdictCode = (verdict: Verdict): number => CODES[verdict];

export const worst = (verdicts: Iterable<Verdict>): Verdict => {
  let code = 0;
  for (const verdict of verdicts) code = Math.max(code, verdictCode(verdict));
  return VERDICTS[code] ?? 'misfit';
};

/** A measured diameter as whole micrometres, ready to be compared. */
export interface IntervalUm {
  readonly min: number;
  readonly max: number;
  /** Certainly there: see `Measurement.certainMax` and `certainMin`. */
  readonly certainMin: number;
  readonly certainMax: number;
}

export interface RangeJudgement {
  readonly verdict: Verdict;
  /** Distance of the interval's nearer end from the range's edge; negative by how much it sticks out. µm of diameter. */
  readonly marginUm: number;
}

/**
 * A range against an interval: *fits* when the whole interval lies in the range; *does not fit* when a diameter that
 * is certainly there lies outside; otherwise *marginal*. A bound counts as inside.
 */
export function judgeRange(minUm: number, maxUm: number, interval: IntervalUm): RangeJudgement {
  const marginUm = Math.min(interval.min - minUm, maxUm - interval.max);
  if (marginUm >= 0) return { verdict: 'fits', marginUm };
  const out = interval.certainMax > maxUm || interval.certainMin < minUm;
  return { verdict: out ? 'misfit' : 'marginal', marginUm };
}
