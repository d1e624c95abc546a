import { toUm, fromUm } from '@/core/kernel';
import { trimNumber } from '@/core/units';
import type { Measurement } from '@/core/cable-measurement';
import type { PrintedRange } from '@/core/catalogue';
import { sheetName, type CriterionId, type Finding, type JudgeContext } from '../finding';
import { intervalUm } from '../termination-input';
import { judgeRange, type RangeJudgement } from '../verdict';

const mm = (value: number) => trimNumber(value, 2);

/** “outer seal takes 18.5–24 mm, your cable is 24.3–24.9 mm: 0.9 mm over” and its gentler relatives. */
export function rangeReason(
  what: string,
  thing: string,
  range: PrintedRange,
  m: Measurement,
  judged: RangeJudgement,
): string {
  const { min, max } = m.interval;
  const base = `${what} takes ${mm(range.min)}–${mm(range.max)} mm, your ${thing} is ${mm(min)}–${mm(max)} mm`;
  if (judged.verdict === 'fits') return `${base}: ${mm(fromUm(judged.marginUm))} mm inside`;
  const over = toUm(max) - toUm(range.max);
  const under = toUm(range.min) - toUm(min);
  const by = over >= under ? `${mm(fromUm(over))} mm over` : `${mm(fromUm(under))} mm under`;
  return judged.verdict === 'misfit' ? `${base}: ${by}` : `${base}: at worst ${by}, measure again`;
}

/** A catalogue range against a measurement of the cable, in the one shape of a finding. */
export function judgeSeal(
  context: JudgeContext,
  criterion: CriterionId,
  words: { readonly what: string; readonly thing: string },
  range: PrintedRange | undefined,
  m: Measurement | null,
): Finding {
  const source = sheetName(context.family);
  if (range === undefined) {
    return {
      criterion,
      verdict: 'fits',
      takes: 'none',
      has: '–',
      margin: null,
      reason: `no ${words.what} in this family`,
      source,
    };
  }
  const takes = `${mm(range.min)}–${mm(range.max)} mm`;
  const span = { min: range.min, max: range.max };
  if (m === null) {
    const reason = `${words.thing} is not measured: ${words.what} cannot be judged`;
    return {
      criterion,
      verdict: 'unknown',
      takes,
      has: 'not measured',
      range: span,
      margin: null,
      reason,
      source,
    };
  }
  const judged = judgeRange(toUm(range.min), toUm(range.max), intervalUm(m));
  return {
    criterion,
    verdict: judged.verdict,
    takes,
    has: `${mm(m.interval.min)}–${mm(m.interval.max)} mm`,
    range: span,
    interval: m.interval,
    margin: fromUm(judged.marginUm),
    reason: rangeReason(words.what, words.thing, range, m, judged),
    source,
  };
}
