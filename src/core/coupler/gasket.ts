import type { BoreSeries } from '@/core/catalogue';
import { fromUm, toUm, type IntervalMm } from '@/core/kernel';

/**
 * What a series of gaskets says to a cable: one takes all that it may measure (`fits`), it lies between two and is measured again, or none takes it.
 * `marginMm`: least room on either side where one fits, what is missing otherwise, mm.
 */
export type GasketFit =
  | { readonly verdict: 'fits'; readonly boreMm: number; readonly marginMm: number }
  | { readonly verdict: 'between'; readonly boresMm: readonly number[]; readonly marginMm: number }
  | { readonly verdict: 'none'; readonly marginMm: number };

/** Bores of a series, mm, smallest first. */
export function boresOf({ firstMm, stepMm, lastMm }: BoreSeries): number[] {
  const steps = Math.round((lastMm - firstMm) / stepMm);
  return Array.from({ length: steps + 1 }, (_, i) => fromUm(toUm(firstMm + i * stepMm)));
}

/**
 * The gasket for a measured interval. A bore takes what is over the bore before it and not over its own: a cable that may be either side of a bore
 * lies between two gaskets, and one that may lie outside the series between a gasket and none.
 */
export function gasketFor(series: BoreSeries, measured: IntervalMm): GasketFit {
  const bores = boresOf(series).map(toUm);
  const step = toUm(series.stepMm);
  const [least, most] = [toUm(measured.min), toUm(measured.max)];
  const low = toUm(series.firstMm) - step;
  const high = bores.at(-1) ?? 0;
  if (most <= low) return { verdict: 'none', marginMm: fromUm(most - low) };
  if (least > high) return { verdict: 'none', marginMm: fromUm(high - least) };
  const touched = bores.filter((bore) => least <= bore && most > bore - step);
  const [bore] = touched;
  if (touched.length === 1 && bore !== undefined && least > bore - step && most <= bore)
    return {
      verdict: 'fits',
      boreMm: fromUm(bore),
      marginMm: fromUm(Math.min(bore - most, least - (bore - step))),
    };
  // How far it reaches over the nearest limit that it may lie on either side of.
  const limits = [low, ...bores].filter((limit) => least <= limit && limit < most);
  const over = Math.min(...limits.map((limit) => Math.min(limit - least, most - limit)));
  return { verdict: 'between', boresMm: touched.map(fromUm), marginMm: over === 0 ? 0 : fromUm(-over) };
}
