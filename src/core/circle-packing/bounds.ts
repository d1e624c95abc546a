import { HAIR_MM, problemOf, type Problem, type Shape } from './model';

/** Which argument proves that a container must grow. */
export type BoundKind = 'largest' | 'twoLargest' | 'threeLargest' | 'area' | 'count';

/** By how much a container must grow in every direction at least, mm, and why; `count`: so many of the largest. */
export interface Bound {
  readonly kind: BoundKind;
  readonly growth: number;
  readonly circles: number;
}

/**
 * The radius of the smallest circle round three circles that touch nowhere but outside, radii a ≥ b ≥ c: that of the two larger ones where
 * the third finds room beside them, else the outer circle that touches all three (Descartes' circle theorem).
 */
export function aroundThree(a: number, b: number, c: number): number {
  const pocket = (a * b * (a + b)) / (a * a + a * b + b * b);
  if (c <= pocket) return a + b;
  const [p, q, r] = [1 / a, 1 / b, 1 / c];
  return 1 / (2 * Math.sqrt(p * q + q * r + r * p) - (p + q + r));
}

/**
 * The strongest of the bounds that are proven for any arrangement:
 * the largest circle, the two largest, the three largest exactly, the area of all, and for every k the count of the k largest, each taken as
 * small as the least of them: of points that keep 1 from each other a convex set of area A and circumference P holds at most
 * 2A/√3 + P/2 + 1 (H. Groemer 1960).
 */
export function lowerBound({ radii, wall }: Problem): Bound {
  const sorted = Array.from(radii).sort((x, y) => y - x);
  const [a = 0, b, c] = sorted;
  const bounds: Bound[] = [];
  const note = (kind: BoundKind, growth: number, circles: number) => bounds.push({ kind, growth, circles });
  if (wall.kind === 'circle') {
    note('largest', a - wall.r, 1);
    if (b !== undefined) note('twoLargest', a + b - wall.r, 2);
    if (b !== undefined && c !== undefined) note('threeLargest', aroundThree(a, b, c) - wall.r, 3);
  } else {
    note('largest', a - Math.min(wall.a, wall.b), 1);
    if (b !== undefined) note('twoLargest', twoInRectangle(a, b, wall.a, wall.b), 2);
  }
  const area = sorted.reduce((sum, r) => sum + r * r, 0) * Math.PI;
  note(
    'area',
    leastGrowth(wall, (t) => areaOf(wall, t) >= area, sorted),
    sorted.length,
  );
  let strongest: Bound = bounds.reduce((x, y) => (y.growth > x.growth ? y : x));
  for (let k = 4; k <= sorted.length; k += 1) {
    const r = sorted[k - 1] ?? 0;
    const enough = (t: number) => mostPoints(wall, t, r) >= k;
    // Most counts prove nothing new: they are asked about once before their growth is sought.
    if (enough(strongest.growth)) continue;
    strongest = { kind: 'count', growth: leastGrowth(wall, enough, sorted), circles: k };
  }
  return strongest;
}

/** Most circles of one size that a shape may hold, as far as it is not proven otherwise; by Groemer's bound, and exactly up to three. */
export function mostOfSize(shape: Shape, d: number, clearance: number): number {
  const { wall } = problemOf([], clearance, shape);
  const most = Math.floor(mostPoints(wall, HAIR_MM, (d + clearance) / 2) + 1e-9);
  for (const few of [1, 2, 3]) {
    if (most < few) return most;
    const bound = lowerBound(
      problemOf(
        Array.from({ length: few }, () => d),
        clearance,
        shape,
      ),
    );
    if (bound.growth > HAIR_MM) return few - 1;
  }
  return most;
}

type Wall = Problem['wall'];

const areaOf = (wall: Wall, t: number): number =>
  wall.kind === 'circle'
    ? Math.PI * Math.max(0, wall.r + t) ** 2
    : 4 * Math.max(0, wall.a + t) * Math.max(0, wall.b + t);

/** Two circles stand farthest apart in opposite corners. */
function twoInRectangle(ra: number, rb: number, a: number, b: number): number {
  const sum = ra + rb;
  const fits = (t: number) => {
    const [w, h] = [2 * (a + t) - sum, 2 * (b + t) - sum];
    return w >= 0 && h >= 0 && Math.hypot(w, h) >= sum;
  };
  // A square of side 2·sum is certainly enough.
  let [no, yes] = [-Math.max(a, b), Math.max(0, 2 * sum - Math.min(a, b))];
  for (let i = 0; i < 80; i += 1) {
    const half = (no + yes) / 2;
    if (fits(half)) yes = half;
    else no = half;
  }
  return no;
}

/** Most points that keep 2r from each other where the centres of such circles may lie; none where nothing is left of it. */
function mostPoints(wall: Wall, t: number, r: number): number {
  if (wall.kind === 'circle') {
    const rho = (wall.r + t - r) / (2 * r);
    return rho < 0 ? 0 : (2 / Math.sqrt(3)) * Math.PI * rho * rho + Math.PI * rho + 1;
  }
  const [w, h] = [(wall.a + t - r) / r, (wall.b + t - r) / r];
  return w < 0 || h < 0 ? 0 : (2 / Math.sqrt(3)) * w * h + w + h + 1;
}

/** The growth at which something becomes possible, from below: never more than is proven. */
function leastGrowth(wall: Wall, enough: (t: number) => boolean, sorted: readonly number[]): number {
  const least = wall.kind === 'circle' ? wall.r : Math.min(wall.a, wall.b);
  const most = sorted.reduce((sum, r) => sum + 2 * r, 0);
  let [no, yes] = [-least, Math.max(most, 1)];
  for (let i = 0; i < 80; i += 1) {
    const half = (no + yes) / 2;
    if (enough(half)) yes = half;
    else no = half;
  }
  return no;
}
