import { seededRandom } from '@/core/kernel';
import { togetherSets } from './circuit-sets';
import type { FrameRequest } from './frame-request';

const names = (n: number) => Array.from({ length: n }, (_, i) => `c${i}`);
const request = (apart: readonly (readonly [number, number])[]): FrameRequest => ({
  cables: [],
  modules: [],
  frames: [],
  apart: apart.map(([a, b]) => ({ circuits: [`c${a}`, `c${b}`], by: 'row' as const })),
  spare: { share: 0 },
});

/** Every largest set, by trying all of them. */
function bruteForce(circuits: readonly string[], apart: (a: string, b: string) => boolean): string[][] {
  const good: string[][] = [];
  for (let mask = 0; mask < 1 << circuits.length; mask += 1) {
    const set = circuits.filter((_, i) => mask & (1 << i));
    if (set.every((a) => set.every((b) => a === b || !apart(a, b)))) good.push(set);
  }
  return good.filter((s) => !good.some((o) => o.length > s.length && s.every((c) => o.includes(c))));
}

it('finds every largest set on random rules, as trying all of them does', () => {
  const random = seededRandom(8);
  for (let n = 0; n < 200; n += 1) {
    const circuits = names(1 + Math.floor(random() * 8));
    const pairs: [number, number][] = [];
    circuits.forEach((_, a) => circuits.forEach((_c, b) => a < b && random() < 0.3 && pairs.push([a, b])));
    const apart = (a: string, b: string) =>
      pairs.some(([x, y]) => (a === `c${x}` && b === `c${y}`) || (a === `c${y}` && b === `c${x}`));
    const found = togetherSets(request(pairs), 'row', circuits, Infinity);
    const sorted = (sets: readonly (readonly string[])[]) => sets.map((s) => [...s].sort().join()).sort();
    expect({ n, sets: sorted(found.sets), all: found.all }).toEqual({
      n,
      sets: sorted(bruteForce(circuits, apart)),
      all: true,
    });
  }
});

it('tells few sets apart where there would be thousands, each circuit in one, none with a pair that is kept apart', () => {
  const pairs = Array.from({ length: 12 }, (_, i) => [2 * i, 2 * i + 1] as const);
  const { sets, all } = togetherSets(request(pairs), 'row', names(24));
  expect(all).toBe(false);
  expect(sets).toHaveLength(2);
  expect(new Set(sets.flat()).size).toBe(24);
  for (const set of sets)
    for (const [a, b] of pairs) expect(set.includes(`c${a}`) && set.includes(`c${b}`)).toBe(false);
});
