import type { Placed, Shape } from '@/core/circle-packing';

/** A circle that lies somewhere, by its middle, mm. */
interface Lying {
  readonly x: number;
  readonly y: number;
  readonly d: number;
}

const HAIR_MM = 1e-7;

/**
 * Lays blanks into the gaps that an arrangement leaves, the largest first, each where it touches two of what is there: so that what stays open is what
 * nothing on offer fills. Nothing that lies is moved. The origin is that of the arrangement.
 */
export function fillGaps<F extends { readonly outerMm: number }>(
  shape: Shape,
  placed: readonly Placed[],
  fillers: readonly F[],
  clearance: number,
): (Lying & { readonly filler: F })[] {
  const lying: Lying[] = placed.map(({ x, y, d }) => ({ x, y, d }));
  const found: (Lying & { readonly filler: F })[] = [];
  for (const filler of [...fillers].sort((a, b) => b.outerMm - a.outerMm)) {
    for (let place = roomFor(shape, lying, filler.outerMm, clearance); place !== null;) {
      const circle = { ...place, d: filler.outerMm };
      lying.push(circle);
      found.push({ ...circle, filler });
      place = lying.length > MOST ? null : roomFor(shape, lying, filler.outerMm, clearance);
    }
  }
  return found;
}

/**
 * Places for a circle of this size that lie clear of everything in `clearOf`: those that touch two of what is in `about` (a wall counts), and those of
 * `also`.
 */
export function* clearPlaces(
  shape: Shape,
  clearOf: readonly Lying[],
  about: readonly Lying[],
  d: number,
  clearance: number,
  also: readonly { readonly x: number; readonly y: number }[],
): Generator<{ readonly x: number; readonly y: number }> {
  for (const place of also) if (clear(shape, clearOf, place, d / 2, clearance)) yield place;
  for (const place of corners(shape, about, d / 2, clearance))
    if (clear(shape, clearOf, place, d / 2, clearance)) yield place;
}

/** An opening with more in it than this is not filled up by counting. */
const MOST = 400;

/** Where a circle of this size lies clear, as deep in a corner as it goes: nearest to what it touches. */
function roomFor(
  shape: Shape,
  lying: readonly Lying[],
  d: number,
  clearance: number,
): { readonly x: number; readonly y: number } | null {
  const r = d / 2;
  let best: { x: number; y: number } | null = null;
  let closest = Infinity;
  for (const place of corners(shape, lying, r, clearance)) {
    if (!clear(shape, lying, place, r, clearance)) continue;
    // The sum of the distances to the three nearest: a pocket before the open middle.
    const near = lying
      .map((c) => Math.hypot(c.x - place.x, c.y - place.y) - c.d / 2 - r)
      .sort((a, b) => a - b)
      .slice(0, 3)
      .reduce((a, b) => a + b, 0);
    if (near < closest) {
      closest = near;
      best = place;
    }
  }
  return best;
}

const clear = (
  shape: Shape,
  lying: readonly Lying[],
  { x, y }: { readonly x: number; readonly y: number },
  r: number,
  clearance: number,
): boolean =>
  (shape.kind === 'circle'
    ? Math.hypot(x, y) + r <= shape.d / 2 + HAIR_MM
    : x >= r - HAIR_MM && y >= r - HAIR_MM && x + r <= shape.w + HAIR_MM && y + r <= shape.h + HAIR_MM) &&
  lying.every((c) => Math.hypot(c.x - x, c.y - y) >= c.d / 2 + r + clearance - HAIR_MM);

/** Every place where a circle touches two of what lies there, or one and the wall, or the wall alone where nothing lies. */
function* corners(
  shape: Shape,
  lying: readonly Lying[],
  r: number,
  clearance: number,
): Generator<{ readonly x: number; readonly y: number }> {
  const rings = lying.map((c) => ({ x: c.x, y: c.y, r: c.d / 2 + r + clearance }));
  const wall = shape.kind === 'circle' ? shape.d / 2 - r : null;
  if (wall !== null && wall < 0) return;
  if (wall !== null && wall >= 0) rings.push({ x: 0, y: 0, r: wall });
  for (const [i, a] of rings.entries()) {
    for (const b of rings.slice(i + 1)) yield* crossings(a, b);
    if (shape.kind === 'rectangle') yield* onEdges(shape, a, r);
  }
  if (shape.kind === 'circle') yield { x: 0, y: wall ?? 0 };
  else yield { x: r, y: r };
}

interface Ring {
  readonly x: number;
  readonly y: number;
  readonly r: number;
}

/** Where two rings cross. */
function* crossings(a: Ring, b: Ring): Generator<{ readonly x: number; readonly y: number }> {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const apart = Math.hypot(dx, dy);
  if (apart === 0 || apart > a.r + b.r || apart < Math.abs(a.r - b.r)) return;
  const along = (a.r ** 2 - b.r ** 2 + apart ** 2) / (2 * apart);
  const across = Math.sqrt(Math.max(0, a.r ** 2 - along ** 2));
  for (const side of [1, -1])
    yield {
      x: a.x + (along * dx - side * across * dy) / apart,
      y: a.y + (along * dy + side * across * dx) / apart,
    };
}

/** Where a ring meets the lines on which a circle touches a side of a rectangle. */
function* onEdges(
  { w, h }: Extract<Shape, { kind: 'rectangle' }>,
  a: Ring,
  r: number,
): Generator<{ readonly x: number; readonly y: number }> {
  for (const x of [r, w - r]) {
    const across = a.r ** 2 - (x - a.x) ** 2;
    if (across >= 0) for (const side of [1, -1]) yield { x, y: a.y + side * Math.sqrt(across) };
  }
  for (const y of [r, h - r]) {
    const across = a.r ** 2 - (y - a.y) ** 2;
    if (across >= 0) for (const side of [1, -1]) yield { x: a.x + side * Math.sqrt(across), y };
  }
}
