/** What circles are packed into, mm. */
export type Shape =
  | { readonly kind: 'circle'; readonly d: number }
  | { readonly kind: 'rectangle'; readonly w: number; readonly h: number };

/** mm². */
export const circleArea = (d: number): number => (Math.PI * d * d) / 4;
export const circleAreas = (diameters: readonly number[]): number =>
  diameters.reduce((sum, d) => sum + circleArea(d), 0);
export const shapeArea = (shape: Shape): number =>
  shape.kind === 'circle' ? circleArea(shape.d) : shape.w * shape.h;

/** What is less than this is nothing, mm. */
export const HAIR_MM = 1e-7;

/** A circle in its place, mm; `i` is its place in the list that was given. */
export interface Placed {
  readonly i: number;
  readonly x: number;
  readonly y: number;
  readonly d: number;
}

/**
 * A packing without its clearance: circles that keep `c` from each other are circles larger by `c` that may touch, in a container that is
 * larger by `c`. The container is centred on 0, 0, and grows by `t` in every direction: a bundle is the smallest circle from nothing.
 */
export interface Problem {
  readonly radii: Float64Array;
  readonly wall:
    | { readonly kind: 'circle'; readonly r: number }
    | { readonly kind: 'rectangle'; readonly a: number; readonly b: number };
}

/** An arrangement without overlaps, x and y of each circle, and by how much the wall has to grow for it. */
export interface Attempt {
  readonly at: Float64Array;
  readonly growth: number;
}

/** The problem of these diameters in a shape; of a bundle, where there is no shape. */
export function problemOf(diameters: readonly number[], clearance: number, shape: Shape | null): Problem {
  const radii = Float64Array.from(diameters, (d) => (d + clearance) / 2);
  if (shape === null) return { radii, wall: { kind: 'circle', r: 0 } };
  return {
    radii,
    wall:
      shape.kind === 'circle'
        ? { kind: 'circle', r: (shape.d + clearance) / 2 }
        : { kind: 'rectangle', a: (shape.w + clearance) / 2, b: (shape.h + clearance) / 2 },
  };
}
