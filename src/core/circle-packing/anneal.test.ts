import { seededRandom } from '@/core/kernel';
import { checkPacking, bundle, enclose, finishPacking, type Shape } from '.';
import { Discs, type Container } from './discs';

const at = (points: readonly (readonly [number, number])[]) =>
  Float64Array.from([...points.flatMap(([x, y]) => [x, y]), 0]);

describe('circles in cells', () => {
  /** Points anywhere in the middle of the container, and radii in falling order. */
  function some(container: Container, n: number, seed: number) {
    const random = seededRandom(seed);
    const [a, b] = container.kind === 'circle' ? [container.r, container.r] : [container.a, container.b];
    const radii = Float64Array.from({ length: n }, () => 0.2 + 3 * random() ** 2).sort((p, q) => q - p);
    const points = Array.from({ length: n }, (): [number, number] => [
      a * 0.69 * (2 * random() - 1),
      b * 0.69 * (2 * random() - 1),
    ]);
    return { radii, points, random, a, b };
  }
  const toWall = (container: Container, x: number, y: number) =>
    container.kind === 'circle'
      ? container.r - Math.hypot(x, y)
      : Math.min(container.a - Math.abs(x), container.b - Math.abs(y));

  it.each<Container>([
    { kind: 'circle', r: 30 },
    { kind: 'rectangle', a: 60, b: 9 },
    { kind: 'rectangle', a: 1.2, b: 1 },
  ])('are judged as if every pair was looked at: %j', (container) => {
    for (let seed = 1; seed <= 20; seed += 1) {
      const { radii, points, random, a, b } = some(container, 4 + seed, seed);
      const discs = new Discs(container, radii, at(points));
      // Grown as far as a round lets them, until nothing more is allowed: by then every pair has been looked at.
      for (let k = 0; k < 200; k += 1) discs.grow(discs.most());
      const most = Math.min(
        ...points.flatMap(([x, y], i) => [
          toWall(container, x, y) / (radii[i] ?? 0),
          ...points
            .slice(i + 1)
            .map(([u, v], k) => Math.hypot(x - u, y - v) / ((radii[i] ?? 0) + (radii[i + 1 + k] ?? 0))),
        ]),
      );
      expect(discs.growth).toBeCloseTo(most, 9);
      for (let k = 0; k < 50; k += 1) {
        const i = Math.floor(random() * points.length);
        const [x, y] = [a * (2 * random() - 1), b * (2 * random() - 1)];
        const r = discs.growth * (radii[i] ?? 0);
        const free =
          toWall(container, x, y) >= r &&
          points.every(
            ([u, v], j) => j === i || Math.hypot(x - u, y - v) >= r + discs.growth * (radii[j] ?? 0),
          );
        expect(discs.free(i, x, y, -1)).toBe(free);
        if (!free) continue;
        discs.move(i, x, y);
        points[i] = [x, y];
      }
    }
  });
});

describe('shaken circles of many sizes', () => {
  const clock = () => 0;
  const random = seededRandom(11);
  const unequal = Array.from({ length: 120 }, () => 6 + 44 * random() ** 2);
  const areas = unequal.reduce((sum, d) => sum + d * d, 0);

  it('lie closer than what is changed one after the other found in five times the work, the same each time', () => {
    const made = finishPacking(bundle(unequal, { clearance: 0, seed: 1, limitSeconds: 1 }), 1, clock);
    expect(checkPacking(unequal, 0, { kind: 'circle', d: made.diameter }, made.circles)).toEqual([]);
    // Changing one after the other came to 0.840 after five seconds of work.
    expect(areas / made.diameter ** 2).toBeGreaterThan(0.855);
    expect(finishPacking(bundle(unequal, { clearance: 0, seed: 1, limitSeconds: 1 }), 1, clock)).toEqual(
      made,
    );
  });

  it.each<[number, string, string]>([
    [0.8, 'fits', 'with room to spare'],
    [0.94, 'notFound', 'closer than anything lies'],
  ])('at a density of %d in a tray: %s', (density, answer) => {
    const w = Math.sqrt((Math.PI * areas) / 4 / density / 0.4);
    const tray: Shape = { kind: 'rectangle', w, h: 0.4 * w };
    const found = finishPacking(
      enclose(tray, unequal, { clearance: 0, seed: 1, limitSeconds: 0.6 }),
      1,
      clock,
    );
    expect(found.answer).toBe(answer);
    if (found.answer === 'fits') expect(checkPacking(unequal, 0, tray, found.circles)).toEqual([]);
    if (found.answer === 'notFound') expect(found.shortBy).toBeLessThan(0.05 * w);
  });

  it('end when they are told to, with an arrangement that is whole', () => {
    const run = bundle(unequal, { clearance: 0, seed: 1, limitSeconds: 5 });
    let step = run.next();
    for (let k = 0; k < 40 && step.done !== true; k += 1) step = run.next(k > 30);
    if (step.done !== true) throw new Error('does not end');
    expect(checkPacking(unequal, 0, { kind: 'circle', d: step.value.diameter }, step.value.circles)).toEqual(
      [],
    );
  });
});
