import type { Placed, Shape } from './model';

/** What an arrangement must not do: `by` in mm. */
export type Violation =
  | { readonly kind: 'outside'; readonly i: number; readonly by: number }
  | { readonly kind: 'near'; readonly i: number; readonly j: number; readonly by: number }
  | { readonly kind: 'missing' | 'twice' | 'unknown' | 'resized'; readonly i: number };

const TOLERANCE_MM = 1e-6;

/**
 * Audits an arrangement without knowing how it was made: every circle that was given is there once and as large as it was, none reaches over
 * the wall, none is nearer to another than the clearance. The origin is the centre of a circle, or the lower left corner of a rectangle.
 */
export function checkPacking(
  diameters: readonly number[],
  clearance: number,
  shape: Shape,
  placed: readonly Placed[],
): Violation[] {
  const found: Violation[] = [];
  const seen = new Set<number>();
  for (const { i, d } of placed) {
    if (diameters[i] === undefined) found.push({ kind: 'unknown', i });
    else if (seen.has(i)) found.push({ kind: 'twice', i });
    else if (diameters[i] !== d) found.push({ kind: 'resized', i });
    seen.add(i);
  }
  diameters.forEach((_, i) => {
    if (!seen.has(i)) found.push({ kind: 'missing', i });
  });
  for (const circle of placed) {
    const by = outsideMm(circle, shape);
    // What is no number is nowhere.
    if (!(by <= TOLERANCE_MM)) found.push({ kind: 'outside', i: circle.i, by });
  }
  placed.forEach((one, k) => {
    for (const other of placed.slice(k + 1)) {
      const by = (one.d + other.d) / 2 + clearance - Math.hypot(one.x - other.x, one.y - other.y);
      if (!(by <= TOLERANCE_MM)) found.push({ kind: 'near', i: one.i, j: other.i, by });
    }
  });
  return found;
}

function outsideMm({ x, y, d }: Placed, shape: Shape): number {
  if (shape.kind === 'circle') return Math.hypot(x, y) + d / 2 - shape.d / 2;
  return Math.max(d / 2 - x, d / 2 - y, x + d / 2 - shape.w, y + d / 2 - shape.h);
}
