import { toUm, type IntervalMm } from '@/core/kernel';
import type { FrameModule } from './frame-request';

export interface Peel {
  /** Layers from one half and from the other; the first is never less than the second and at most one more. */
  readonly layers: readonly [number, number];
  readonly gap: IntervalMm;
  readonly remeasure: boolean;
  readonly noPeel: boolean;
}

/** May the module carry the cable? The whole interval must lie in its bore. Compared in whole micrometres. */
export const carries = (module: FrameModule, diameter: IntervalMm): boolean =>
  toUm(diameter.min) >= toUm(module.bore.min) && toUm(diameter.max) <= toUm(module.bore.max);

/**
 * How many layers to peel: the smallest sum for which the gap between the halves lies in the module's window over the whole interval.
 * Where no sum does, the interval lies between two: the smaller one is named, because peeling cannot be undone, and marked `remeasure`. It
 * is the smallest that suits some diameter of the interval; where none suits any, the last before the gap gets too small. When no sum suits
 * even the interval's middle, also `noPeel`. The cable must lie in the bore.
 */
export function peelFor(module: FrameModule, diameter: IntervalMm): Peel {
  // Twice the micrometres, so that the middles are whole numbers too.
  const [min, max] = [2 * toUm(diameter.min), 2 * toUm(diameter.max)];
  const [lo, hi] = [2 * toUm(module.gap.min), 2 * toUm(module.gap.max)];
  const base = 2 * toUm(module.bore.min);
  const layer = 2 * toUm(module.layer);
  const most = Math.floor((2 * toUm(module.bore.max) - base) / layer);
  const at = (sum: number) => ({ min: min - base - sum * layer, max: max - base - sum * layer });
  let suitsSome: number | null = null;
  let stillWide = 0;
  let suitsMiddle = false;
  for (let sum = 0; sum <= most; sum += 1) {
    const gap = at(sum);
    if (gap.min >= lo && gap.max <= hi) return made(sum, gap, false, false);
    const middle = (gap.min + gap.max) / 2;
    if (middle >= lo && middle <= hi) suitsMiddle = true;
    if (suitsSome === null && gap.min <= hi && gap.max >= lo) suitsSome = sum;
    if (gap.min > hi) stillWide = sum;
  }
  const named = suitsSome ?? stillWide;
  return made(named, at(named), true, !suitsMiddle);
}

const made = (sum: number, gap: IntervalMm, remeasure: boolean, noPeel: boolean): Peel => ({
  layers: [Math.ceil(sum / 2), Math.floor(sum / 2)],
  gap: { min: gap.min / 2000, max: gap.max / 2000 },
  remeasure,
  noPeel,
});
