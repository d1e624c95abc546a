import { toUm } from '@/core/kernel';
import { trimNumber } from '@/core/units';
import type { PrintedRange } from '@/core/catalogue';

/** A catalogue range in words and in whole micrometres. */
export interface RangeFacts {
  readonly text: string;
  readonly minUm: number;
  readonly maxUm: number;
}

const facts = new WeakMap<PrintedRange, RangeFacts>();

/** The catalogue never changes while it is judged by, so each range is worked out once. */
export function rangeFacts(range: PrintedRange): RangeFacts {
  const known = facts.get(range);
  if (known) return known;
  const made = {
    text: `${trimNumber(range.min, 2)}–${trimNumber(range.max, 2)} mm`,
    minUm: toUm(range.min),
    maxUm: toUm(range.max),
  };
  facts.set(range, made);
  return made;
}
