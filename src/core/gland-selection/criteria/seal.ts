import { fromUm } from '@/core/kernel';
import type { Measurement } from '@/core/cable-measurement';
import { plainFinding, sheetOf, type CriterionId, type Finding, type JudgeContext } from '../finding';
import type { RangeFacts } from '../size-facts';
import { intervalUm, type MeasuredQuantity } from '../termination-input';
import { judgeRange, type IntervalUm } from '../verdict';

/** Measurements in µm, which every size is compared with. */
const inUm = new WeakMap<Measurement, IntervalUm>();

function umOf(m: Measurement): IntervalUm {
  const known = inUm.get(m);
  if (known) return known;
  const made = intervalUm(m);
  inUm.set(m, made);
  return made;
}

/** A catalogue range against a measurement of the cable, in the one shape of a finding. */
export function judgeSeal(
  context: JudgeContext,
  criterion: CriterionId,
  { name, range, minUm, maxUm }: RangeFacts,
  quantity: MeasuredQuantity,
): Finding {
  const m = context.input[quantity];
  const source = sheetOf(context.family);
  if (m === null)
    return {
      ...plainFinding(criterion, 'unknown', { code: 'notMeasured', name, range }, source, [quantity]),
      range,
    };
  const um = umOf(m);
  const { verdict, marginUm } = judgeRange(minUm, maxUm, um);
  const { interval } = m;
  return {
    criterion,
    verdict,
    case: {
      code: 'inRange',
      name,
      range,
      interval,
      marginUm,
      certain: verdict === 'misfit',
      over: um.max - maxUm >= minUm - um.min,
    },
    range,
    interval,
    margin: fromUm(marginUm),
    source,
  };
}
