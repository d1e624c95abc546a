import { Discs, type Container } from './discs';
import type { Problem } from './model';
import { spread } from './starts';

export interface Annealing {
  /** Of all moves: exchanges of two of about a size, and circles put anywhere. The rest are steps beside where they lie. */
  readonly exchanges: number;
  readonly jumps: number;
  /** Two that are exchanged are at most so many apart in the order of size. */
  readonly apart: number;
}

/** How hard the container presses, first and last, as pressure × area over circles × temperature: from where they slip past each other to where none does. */
const [LOOSE, TIGHT] = [10, 2000] as const;
/** Of the steps beside where a circle lies so many shall find room. */
const TAKEN = 0.4;
const STEPS_LOOKED_AT = 2000;
/** Work from one look at the clock to the next: some milliseconds. */
const BETWEEN_LOOKS = 1e5;

/**
 * Circles that nowhere overlap, shaken in a container that presses ever harder (the method of Metropolis, at constant pressure), so that they
 * find together where they lie closest. That two of about a size may change places, and one may go where there is room, lets circles of
 * many sizes find it many times sooner than by moving alone (Ninarello, Berthier and Coslovich 2017). `at` is where they begin, all
 * apart. Yields every few milliseconds; what it returns nowhere overlaps, in a container that grew by as little as it could.
 */
export function* anneal(
  { radii, wall }: Problem,
  at: Float64Array,
  work: number,
  random: () => number,
  { exchanges, jumps, apart }: Annealing,
): Generator<{ readonly worked: number; readonly growth: number }, Float64Array, boolean> {
  const container: Container =
    wall.kind === 'circle' && wall.r === 0 ? { kind: 'circle', r: spread({ radii, wall }) } : wall;
  const discs = new Discs(container, radii, fitted(container, radii, at));
  const n = radii.length;
  const any = () => Math.floor(random() * n);
  let step = 0.2;
  let tried = 0;
  let taken = 0;
  let looked = 0;
  let best = discs.shrunk();
  let most = discs.growth;
  while (discs.work < work) {
    for (let k = 0; k < n; k += 1) {
      const chance = random();
      if (chance < exchanges) {
        const i = any();
        const j = Math.min(n - 1, i + 1 + Math.floor(random() * apart));
        if (i !== j && discs.mayExchange(i, j)) discs.exchange(i, j);
      } else if (chance < exchanges + jumps) {
        // Small ones find room more often.
        const i = n - 1 - Math.floor(random() ** 2 * n);
        const [x, y] = somewhere(container, discs.growth * (radii[i] ?? 0), random);
        if (discs.free(i, x, y, -1)) discs.move(i, x, y);
      } else {
        const i = any();
        const x = (discs.x[i] ?? 0) + step * (2 * random() - 1);
        const y = (discs.y[i] ?? 0) + step * (2 * random() - 1);
        tried += 1;
        if (discs.free(i, x, y, -1)) {
          discs.move(i, x, y);
          taken += 1;
        }
      }
    }
    // At constant pressure the growth falls short of the most there is by chance, the less the harder it presses.
    const pressure = LOOSE * (TIGHT / LOOSE) ** Math.min(1, discs.work / work);
    discs.grow(discs.most() * Math.exp(Math.log(1 - random()) / (2 * n * (pressure - 1))));
    if (discs.growth > most) {
      most = discs.growth;
      best = discs.shrunk();
    }
    if (tried > STEPS_LOOKED_AT) {
      step = Math.min(1, step * (taken > TAKEN * tried ? 1.1 : 0.9));
      [tried, taken] = [0, 0];
    }
    if (discs.work < looked) continue;
    looked = discs.work + BETWEEN_LOOKS;
    if (yield { worked: discs.work, growth: grownBy(wall, container, most) }) break;
  }
  return best;
}

/** An arrangement drawn out or together until it touches the container. */
function fitted(container: Container, radii: Float64Array, at: Float64Array): Float64Array {
  const reach = [0, 0];
  radii.forEach((r, i) => {
    const [x, y] = [at[2 * i] ?? 0, at[2 * i + 1] ?? 0];
    const out = container.kind === 'circle' ? [Math.hypot(x, y), 0] : [Math.abs(x), Math.abs(y)];
    out.forEach((v, axis) => (reach[axis] = Math.max(reach[axis] ?? 0, v + r)));
  });
  const [wide = 1, high = 1] = reach;
  const own =
    container.kind === 'circle'
      ? [container.r / wide, container.r / wide]
      : [container.a / wide, container.b / high];
  return Float64Array.from(at, (v, k) => v * (own[k % 2] ?? 1));
}

/** Anywhere in the container where a circle of radius `r` lies within; its centre where it is too large. */
function somewhere(container: Container, r: number, random: () => number): [number, number] {
  if (container.kind === 'rectangle')
    return [
      (2 * random() - 1) * Math.max(0, container.a - r),
      (2 * random() - 1) * Math.max(0, container.b - r),
    ];
  const [turn, out] = [2 * Math.PI * random(), Math.max(0, container.r - r) * Math.sqrt(random())];
  return [out * Math.cos(turn), out * Math.sin(turn)];
}

/** How much the wall of a problem has to grow where circles of their own size fill a container that is smaller by `growth`. */
const grownBy = (wall: Problem['wall'], container: Container, growth: number): number =>
  wall.kind === 'rectangle'
    ? Math.max(wall.a / growth - wall.a, wall.b / growth - wall.b)
    : (container.kind === 'circle' ? container.r : 0) / growth - wall.r;
