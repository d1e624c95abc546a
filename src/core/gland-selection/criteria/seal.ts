import { fromUm } from '@/core/kernel';
import { trimNumber } from '@/core/units';
import type { Measurement } from '@/core/cable-measurement';
import type { PrintedRange } from '@/core/catalogue';
import { sheetName, type CriterionId, type Finding, type JudgeContext } from '../finding';
import { rangeFacts } from '../printed-range';
import { intervalUm } from '../termination-input';
import { judgeRange, type IntervalUm, type RangeJudgement } from '../verdict';

const mm = (value: number) => trimNumber(value, 2);

/** Texts of a measurement, which stand in the reasons of every size. */
const texts = new WeakMap<Measurement, { readonly span: string; readonly um: IntervalUm }>();

function textsOf(m: Measurement) {
  const known = texts.get(m);
  if (known) return known;
  const made = { span: `${mm(m.interval.min)}–${mm(m.interval.max)} mm`, um: intervalUm(m) };
  texts.set(m, made);
  return made;
}

/** “outer seal takes 18.5–24 mm, your cable is 24.3–24.9 mm: 0.9 mm over” and its gentler relatives. */
export function rangeReason(
  what: string,
  takes: string,
  thing: string,
  range: PrintedRange,
  m: Measurement,
  judged: RangeJudgement,
): string {
  const base = `${what} takes ${takes}, your ${thing} is ${textsOf(m).span}`;
  if (judged.verdict === 'fits') return `${base}: ${mm(fromUm(judged.marginUm))} mm inside`;
  const { min, max } = textsOf(m).um;
  const { minUm, maxUm } = rangeFacts(range);
  const over = max - maxUm;
  const under = minUm - min;
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
  const { text: takes, minUm, maxUm } = rangeFacts(range);
  if (m === null) {
    const reason = `${words.thing} is not measured: ${words.what} cannot be judged`;
    return {
      criterion,
      verdict: 'unknown',
      takes,
      has: 'not measured',
      range,
      margin: null,
      reason,
      source,
    };
  }
  const judged = judgeRange(minUm, maxUm, textsOf(m).um);
  return {
    criterion,
    verdict: judged.verdict,
    takes,
    has: textsOf(m).span,
    range,
    interval: m.interval,
    margin: fromUm(judged.marginUm),
    reason: rangeReason(words.what, takes, words.thing, range, m, judged),
    source,
  };
}
