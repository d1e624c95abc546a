/** A closed interval in mm. */
export interface IntervalMm {
  readonly min: number;
  readonly max: number;
}

/** Length in whole micrometres. Everything that is compared is compared as integers, so that no verdict hangs on a float. */
export const toUm = (mm: number): number => Math.round(mm * 1000);

export const fromUm = (um: number): number => um / 1000;

/** Smallest interval that holds all the given ones; the list must not be empty. */
export function hull(intervals: readonly IntervalMm[]): IntervalMm {
  if (intervals.length === 0) throw new Error('hull of nothing');
  return {
    min: Math.min(...intervals.map((i) => i.min)),
    max: Math.max(...intervals.map((i) => i.max)),
  };
}

/** What a range says to a measured interval: all of it lies within, some of it, or none; with the least room on either side, mm, less than nothing where it does not fit. */
export interface RangeFit {
  readonly verdict: 'fits' | 'marginal' | 'misfit';
  readonly marginMm: number;
}

export function fitInRange(range: IntervalMm, measured: IntervalMm): RangeFit {
  const [low, high] = [toUm(range.min), toUm(range.max)];
  const [least, most] = [toUm(measured.min), toUm(measured.max)];
  const margin = Math.min(least - low, high - most);
  const touches = most >= low && least <= high;
  return { verdict: margin >= 0 ? 'fits' : touches ? 'marginal' : 'misfit', marginMm: fromUm(margin) };
}
