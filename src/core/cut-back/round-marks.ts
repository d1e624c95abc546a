import { refuse, ok, type Result } from '@/core/kernel';

/** A length with the span in which it may lie. mm. */
export interface Span {
  readonly id: string;
  readonly min: number;
  readonly target: number;
  readonly max: number;
}

export interface RoundedSpan {
  readonly id: string;
  readonly mm: number;
}

/** Steps of a rule, coarse first: 1 mm then 0.5 mm; 1/16 in, then 1/32 in. */
export const GRIDS_MM: Readonly<Record<'mm' | 'in', readonly number[]>> = {
  mm: [1, 0.5],
  in: [25.4 / 16, 25.4 / 32],
};

/**
 * Rounds the lengths between neighbouring marks *jointly*: each to a whole number of grid steps inside its own span, so that every
 * mark, being a sum of them, falls on a division of the rule and every difference keeps its tolerance. Takes the coarsest grid on
 * which all spans hold a division. Error: a span is narrower than the finest grid and misses it.
 */
export function roundJointly(spans: readonly Span[], unit: 'mm' | 'in'): Result<readonly RoundedSpan[]> {
  for (const grid of GRIDS_MM[unit]) {
    const rounded = spans.map((span) => roundOne(span, grid));
    if (rounded.every((r) => r !== null)) return ok(rounded);
  }
  const finest = GRIDS_MM[unit][GRIDS_MM[unit].length - 1] ?? 1;
  const narrow = spans.find((s) => roundOne(s, finest) === null);
  return refuse(
    narrow?.id ?? '',
    `must lie between ${narrow?.min.toFixed(2)} and ${narrow?.max.toFixed(2)} mm, and no division of the rule does`,
  );
}

function roundOne(span: Span, grid: number): RoundedSpan | null {
  // A bound that is itself a division counts as inside in spite of the last bit.
  const lowest = Math.ceil(span.min / grid - 1e-9);
  const highest = Math.floor(span.max / grid + 1e-9);
  if (lowest > highest) return null;
  const steps = Math.min(highest, Math.max(lowest, Math.round(span.target / grid)));
  return { id: span.id, mm: steps * grid };
}
