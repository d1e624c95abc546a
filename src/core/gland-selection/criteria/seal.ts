import { fromUm } from '@/core/kernel';
import { trimNumber } from '@/core/units';
import type { Measurement } from '@/core/cable-measurement';
import { sheetName, type CriterionId, type Finding, type JudgeContext } from '../finding';
import type { RangeFacts } from '../size-facts';
import { intervalUm, type MeasuredQuantity } from '../termination-input';
import { judgeRange, type IntervalUm, type RangeJudgement } from '../verdict';

/** Texts of a measurement, which stand in the reasons of every size. */
const texts = new WeakMap<Measurement, { readonly span: string; readonly um: IntervalUm }>();

export function textsOf(m: Measurement) {
  const known = texts.get(m);
  if (known) return known;
  const made = {
    span: `${trimNumber(m.interval.min, 2)}–${trimNumber(m.interval.max, 2)} mm`,
    um: intervalUm(m),
  };
  texts.set(m, made);
  return made;
}

/** “outer seal takes 18.5–24 mm, your cable is 24.3–24.9 mm: 0.9 mm over” and its gentler relatives. */
export function rangeReason(range: RangeFacts, m: Measurement, judged: RangeJudgement): string {
  const { span, um } = textsOf(m);
  const { verdict, marginUm } = judged;
  if (verdict === 'fits') return `${range.opening}${span}: ${trimNumber(fromUm(marginUm), 2)} mm inside`;
  const by = trimNumber(fromUm(-marginUm), 2);
  const way = um.max - range.maxUm >= range.minUm - um.min ? 'over' : 'under';
  return verdict === 'misfit'
    ? `${range.opening}${span}: ${by} mm ${way}`
    : `${range.opening}${span}: at worst ${by} mm ${way}, measure again`;
}

/** A catalogue range against a measurement of the cable, in the one shape of a finding. */
export function judgeSeal(
  context: JudgeContext,
  criterion: CriterionId,
  range: RangeFacts,
  quantity: MeasuredQuantity,
): Finding {
  const m = context.input[quantity];
  const source = sheetName(context.family);
  const takes = range.text;
  if (m === null) {
    return {
      criterion,
      verdict: 'unknown',
      takes,
      has: 'not measured',
      range: range.range,
      margin: null,
      reason: range.notMeasured,
      source,
      asks: [quantity],
    };
  }
  const { span, um } = textsOf(m);
  const judged = judgeRange(range.minUm, range.maxUm, um);
  return {
    criterion,
    verdict: judged.verdict,
    takes,
    has: span,
    range: range.range,
    interval: m.interval,
    margin: fromUm(judged.marginUm),
    reason: rangeReason(range, m, judged),
    source,
  };
}
