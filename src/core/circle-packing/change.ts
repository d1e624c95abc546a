import type { Attempt, Problem } from './model';
import { anywhere } from './starts';

/** The best with something else about it: one moved elsewhere, two exchanged, or all of them shaken. */
export function changed(problem: Problem, from: Attempt, size: number, random: () => number): Float64Array {
  const { radii } = problem;
  const n = radii.length;
  const at = Float64Array.from(from.at);
  at[2 * n] = from.growth;
  const any = () => Math.floor(random() * n);
  const chance = random();
  // Of several sizes it is mostly which lies where that is wrong; of one size, where the holes are.
  const [moved, exchanged] = oneSize(radii) ? [0.4, 0.75] : [0.25, 0.85];
  if (chance < moved) {
    const many = 1 + Math.floor((random() * n) / 25);
    for (let k = 0; k < many; k += 1) {
      const i = any();
      const [x, y] = emptiest(problem, from, i, size, random);
      at[2 * i] = x;
      at[2 * i + 1] = y;
    }
  } else if (chance < exchanged) {
    const i = any();
    const j = neighbourInSize(n, i, random);
    for (const k of [0, 1]) {
      const kept = at[2 * i + k] ?? 0;
      at[2 * i + k] = at[2 * j + k] ?? 0;
      at[2 * j + k] = kept;
    }
    // Of one size nothing is changed by it: a nudge is.
    if (radii[i] === radii[j]) shake(at, n, 0.3, random);
  } else shake(at, n, 0.2 + 0.8 * random(), random);
  return at;
}

/** Sizes that differ by more than this share are several. */
const ALIKE = 1.05;
/** Of radii in falling order. */
export const oneSize = (radii: Float64Array): boolean =>
  (radii[0] ?? 0) <= (radii[radii.length - 1] ?? 0) * ALIKE;

/** Points that are looked at for a hole. */
const LOOKED_AT = 24;

/** Of some points anywhere the one with most room about it, the wall where it stands now: a circle that is put there squeezes the others least. */
function emptiest(
  { radii, wall }: Problem,
  { at, growth }: Attempt,
  without: number,
  size: number,
  random: () => number,
): [number, number] {
  let best: [number, number] = [0, 0];
  let most = -Infinity;
  const reach = wall.kind === 'circle' ? wall.r + growth : size;
  for (let k = 0; k < LOOKED_AT; k += 1) {
    const [x, y] = anywhere(wall, reach, random);
    let room =
      wall.kind === 'circle'
        ? reach - Math.hypot(x, y)
        : Math.min(wall.a + growth - Math.abs(x), wall.b + growth - Math.abs(y));
    for (let j = 0; j < radii.length && room > most; j += 1) {
      if (j === without) continue;
      room = Math.min(room, Math.hypot(x - (at[2 * j] ?? 0), y - (at[2 * j + 1] ?? 0)) - (radii[j] ?? 0));
    }
    if (room > most) {
      most = room;
      best = [x, y];
    }
  }
  return best;
}

/** Another one of about the same size, of circles in order of it: exchanged with it, most of the arrangement stays good. */
function neighbourInSize(n: number, i: number, random: () => number): number {
  const away = 1 + Math.floor(3 * random());
  return Math.min(n - 1, Math.max(0, i + (random() < 0.5 ? -away : away)));
}

function shake(at: Float64Array, n: number, by: number, random: () => number): void {
  for (let k = 0; k < 2 * n; k += 1) at[k] = (at[k] ?? 0) + (2 * random() - 1) * by;
}
