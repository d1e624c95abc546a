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
    const pockets = new Pockets(shape, lying, filler.outerMm, clearance);
    for (let place = pockets.take(); place !== null && lying.length < MOST; place = pockets.take()) {
      const circle = { ...place, d: filler.outerMm };
      lying.push(circle);
      pockets.lay(circle);
      found.push({ ...circle, filler });
    }
  }
  return found;
}

/** No more than this lies in one opening: what is still open then is open. */
const MOST = 2400;

/** A place where a circle lies clear, with its distances from the three nearest, the nearest first. */
interface Pocket {
  readonly x: number;
  readonly y: number;
  readonly near: number[];
}

/** Places for circles of one size, kept while more and more of them are laid. */
class Pockets {
  private open: Pocket[];

  constructor(
    private readonly shape: Shape,
    private readonly lying: readonly Lying[],
    private readonly d: number,
    private readonly clearance: number,
  ) {
    this.open = this.clearOf(corners(shape, lying, d / 2, clearance));
  }

  /** The deepest: that with the least sum of distances, a pocket before the open middle. Null when there is none. */
  take(): { readonly x: number; readonly y: number } | null {
    let best: Pocket | null = null;
    let closest = Infinity;
    for (const pocket of this.open) {
      const sum = pocket.near.reduce((a, b) => a + b, 0);
      if (sum < closest) [best, closest] = [pocket, sum];
    }
    return best === null ? null : { x: best.x, y: best.y };
  }

  /** One was laid: what it lies over is no place any more, and beside it there are new ones. */
  lay(circle: Lying): void {
    const { shape, lying, d, clearance } = this;
    const reach = (circle.d + d) / 2 + clearance - HAIR_MM;
    this.open = this.open.filter((p) => Math.hypot(p.x - circle.x, p.y - circle.y) >= reach);
    for (const pocket of this.open)
      nearer(pocket.near, Math.hypot(pocket.x - circle.x, pocket.y - circle.y) - (circle.d + d) / 2);
    this.open.push(...this.clearOf(cornersOf(circle, shape, lying, d / 2, clearance)));
  }

  private clearOf(places: Iterable<{ readonly x: number; readonly y: number }>): Pocket[] {
    const { shape, lying, d, clearance } = this;
    const found: Pocket[] = [];
    for (const place of places) {
      if (!clear(shape, lying, place, d / 2, clearance)) continue;
      const near: number[] = [];
      for (const c of lying) nearer(near, Math.hypot(c.x - place.x, c.y - place.y) - (c.d + d) / 2);
      found.push({ x: place.x, y: place.y, near });
    }
    return found;
  }
}

/** Keeps the three least, the least first. */
function nearer(near: number[], distance: number): void {
  let at = near.length;
  while (at > 0 && (near[at - 1] ?? 0) > distance) at -= 1;
  if (at >= 3) return;
  near.splice(at, 0, distance);
  if (near.length > 3) near.pop();
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
  const rings = ringsOf(shape, lying, r, clearance);
  if (rings === null) return;
  for (const [i, a] of rings.entries()) {
    for (const b of rings.slice(i + 1)) yield* crossings(a, b);
    if (shape.kind === 'rectangle') yield* onEdges(shape, a, r);
  }
  if (shape.kind === 'circle') yield { x: 0, y: shape.d / 2 - r };
  else yield { x: r, y: r };
}

/** Of these the ones that touch one circle. */
function* cornersOf(
  circle: Lying,
  shape: Shape,
  lying: readonly Lying[],
  r: number,
  clearance: number,
): Generator<{ readonly x: number; readonly y: number }> {
  const own = ringOf(circle, r, clearance);
  for (const other of ringsOf(shape, lying, r, clearance) ?? [])
    if (other.x !== own.x || other.y !== own.y) yield* crossings(own, other);
  if (shape.kind === 'rectangle') yield* onEdges(shape, own, r);
}

const ringOf = ({ x, y, d }: Lying, r: number, clearance: number): Ring => ({
  x,
  y,
  r: d / 2 + r + clearance,
});

/** Where the middle of a circle may lie that touches something: rings about what lies there, and one within a round wall. Null when it is too large for that. */
function ringsOf(shape: Shape, lying: readonly Lying[], r: number, clearance: number): Ring[] | null {
  const rings = lying.map((c) => ringOf(c, r, clearance));
  if (shape.kind !== 'circle') return rings;
  const wall = shape.d / 2 - r;
  return wall < 0 ? null : [...rings, { x: 0, y: 0, r: wall }];
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
