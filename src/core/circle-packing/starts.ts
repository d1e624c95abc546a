import type { Problem } from './model';

/** Radii that differ by no more than this share are laid out as equal ones. */
const ALIKE = 0.05;

/** Where a lattice may have its centre: on a point, between two, between three. In spacings. */
const CENTRES = [
  [0, 0],
  [0.5, 0],
  [0.5, Math.sqrt(3) / 6],
] as const;

/**
 * Rows as they are laid by hand: the points of a hexagonal lattice that are nearest to its centre, or, in a rectangle, row upon row. Only for
 * circles of about one size; none for others. Each as x, y of the circles and the growth of the wall last.
 */
export function latticeStarts({ radii, wall }: Problem): Float64Array[] {
  const n = radii.length;
  const [least, most] = [Math.min(...radii), Math.max(...radii)];
  if (n < 2 || most > least * (1 + ALIKE)) return [];
  const step = 2 * most;
  const reach = Math.ceil(Math.sqrt(n)) + 2;
  const lattice = (cx: number, cy: number) => {
    const points: [number, number][] = [];
    for (let row = -reach; row <= reach; row += 1)
      for (let k = -2 * reach; k <= 2 * reach; k += 1)
        points.push([(k + row / 2 - cx) * step, (row * (Math.sqrt(3) / 2) - cy) * step]);
    return points;
  };
  if (wall.kind === 'circle')
    return [
      ...CENTRES.map(([cx, cy]) =>
        laid(
          lattice(cx, cy).sort((p, q) => Math.hypot(...p) - Math.hypot(...q)),
          n,
        ),
      ),
      ...ringStarts(n, step),
    ];
  return [false, true].flatMap((turned) => {
    const [w, h] = turned ? [wall.b, wall.a] : [wall.a, wall.b];
    // What just fits must not fall to the last bit of a division.
    const inRow = Math.max(1, Math.floor((2 * w) / step + 1e-9));
    // Each row above the one before, or in its hollows.
    return [
      [0, 1],
      [0.5, Math.sqrt(3) / 2],
    ].map(([shift = 0, rise = 1]) =>
      laid(
        Array.from({ length: n }, (_, i): [number, number] => {
          const row = Math.floor(i / inRow);
          const x = -w + most + ((i % inRow) + (row % 2) * shift) * step;
          const y = -h + most + row * rise * step;
          return turned ? [y, x] : [x, y];
        }),
        n,
      ),
    );
  });
}

/** Rings about a core of one to five, each with six more than the one within it; what is over stands in the outermost. */
const ringStarts = (n: number, step: number): Float64Array[] =>
  [1, 2, 3, 4, 5].map((core) => {
    const points: [number, number][] = [];
    for (let count = core; points.length < n; count += 6) {
      const left = n - points.length;
      // A ring of a few more than are left takes them all.
      const here = left < count + 4 ? left : count;
      const radius = here === 1 ? 0 : Math.max(step / (2 * Math.sin(Math.PI / here)), step * (count / 6));
      for (let k = 0; k < here; k += 1) {
        const turn = (2 * Math.PI * k) / here;
        points.push([radius * Math.cos(turn), radius * Math.sin(turn)]);
      }
    }
    return laid(points, n);
  });

function laid(points: readonly (readonly [number, number])[], n: number): Float64Array {
  const at = new Float64Array(2 * n + 1);
  points.slice(0, n).forEach(([x, y], i) => {
    at[2 * i] = x;
    at[2 * i + 1] = y;
  });
  return at;
}

/** Circles anywhere, about as far apart as they may come to lie. */
export function randomStart({ radii, wall }: Problem, random: () => number): Float64Array {
  const at = new Float64Array(2 * radii.length + 1);
  const reach = spread({ radii, wall });
  for (let i = 0; i < radii.length; i += 1) {
    const [x, y] = anywhere(wall, reach, random);
    at[2 * i] = x;
    at[2 * i + 1] = y;
  }
  at[at.length - 1] = wall.kind === 'circle' ? reach - wall.r : 0;
  return at;
}

/** The radius that circles of so much area take when they lie close. */
const CLOSE = 0.8;
export const spread = ({ radii }: Problem): number =>
  Math.sqrt(radii.reduce((sum, r) => sum + r * r, 0) / CLOSE);

/** A point of the container, each as likely as any other. */
export function anywhere(wall: Problem['wall'], reach: number, random: () => number): [number, number] {
  if (wall.kind === 'rectangle') return [(2 * random() - 1) * wall.a, (2 * random() - 1) * wall.b];
  const [turn, out] = [2 * Math.PI * random(), reach * Math.sqrt(random())];
  return [out * Math.cos(turn), out * Math.sin(turn)];
}
