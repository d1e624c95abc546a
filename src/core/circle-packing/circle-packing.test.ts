import fc from 'fast-check';
import { seededRandom } from '@/core/kernel';
import {
  aroundThree,
  boundWords,
  bundle,
  checkPacking,
  enclose,
  finishPacking,
  lowerBound,
  problemOf,
  type Placed,
  type Shape,
  mostOfSize,
} from '.';

/** The work ends a search, not the clock: the same on every machine. */
const clock = () => 0;
const OPTIONS = { clearance: 0, seed: 1, limitSeconds: 0.1 };
const bundled = (diameters: readonly number[], more: Partial<typeof OPTIONS> = {}) =>
  finishPacking(bundle(diameters, { ...OPTIONS, ...more }), 1, clock);
const enclosed = (shape: Shape, diameters: readonly number[], more: Partial<typeof OPTIONS> = {}) =>
  finishPacking(enclose(shape, diameters, { ...OPTIONS, ...more }), 1, clock);
const bore = (d: number): Shape => ({ kind: 'circle', d });
const of = (n: number, d: number) => Array.from({ length: n }, () => d);

describe('a bundle', () => {
  // Worked by hand: r(1 + 1/sin(π/n)) on a ring, one in the middle of six, twelve round those by threes.
  it.each([
    [1, 1],
    [2, 2],
    [3, 1 + 2 / Math.sqrt(3)],
    [4, 1 + Math.SQRT2],
    [5, 1 + 1 / Math.sin(Math.PI / 5)],
    [6, 3],
    [7, 3],
    [8, 1 + 1 / Math.sin(Math.PI / 7)],
    [9, 1 + 1 / Math.sin(Math.PI / 8)],
    [19, 1 + Math.SQRT2 + Math.sqrt(6)],
  ])('of %i equal circles is as small as it can be', (n, ratio) => {
    const { diameter, circles } = bundled(of(n, 10));
    expect(diameter / 10 / ratio).toBeCloseTo(1, 6);
    expect(checkPacking(of(n, 10), 0, bore(diameter), circles)).toEqual([]);
  });

  it('says when nothing smaller is possible, and else how far the bound lies below', () => {
    expect(bundled([30, 20])).toMatchObject({ status: 'optimal', bound: 50 });
    expect(bundled([40, 40, 1]).diameter).toBeCloseTo(80, 6);
    const three = bundled([30, 20, 18]);
    expect(three.status).toBe('optimal');
    expect(three.diameter).toBeCloseTo(2 * aroundThree(15, 10, 9), 5);
    const seven = bundled(of(7, 10));
    expect(seven.status).toBe('gap');
    expect(seven.bound).toBeLessThan(30);
    expect(seven.bound).toBeGreaterThan(26);
  });

  it('keeps the clearance between circles and none to the wall', () => {
    const { diameter, circles } = bundled([10, 10], { clearance: 2 });
    expect(diameter).toBeCloseTo(22, 6);
    expect(checkPacking([10, 10], 2, bore(diameter), circles)).toEqual([]);
  });

  it('grows and shrinks with its circles, in whatever order they come', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 20, max: 400 }), { minLength: 1, maxLength: 9 }),
        fc.constantFrom(0.1, 3, 70),
        (tenths, times) => {
          const diameters = tenths.map((t) => t / 10);
          const one = bundled(diameters);
          expect(checkPacking(diameters, 0, bore(one.diameter), one.circles)).toEqual([]);
          expect(one.bound).toBeLessThanOrEqual(one.diameter + 1e-6);
          expect(bundled(diameters.map((d) => d * times)).diameter / times).toBeCloseTo(one.diameter, 6);
          expect(bundled([...diameters].reverse()).diameter).toBeCloseTo(one.diameter, 6);
          // One more lies in the bundle that there is, or makes it larger; never smaller.
          expect(bundled([...diameters, 5]).diameter).toBeGreaterThanOrEqual(one.diameter * 0.99);
        },
      ),
      { numRuns: 12, seed: 5 },
    );
  });

  it('is the same for the same seed, and no worse than rows by hand', () => {
    const random = seededRandom(8);
    const mixed = Array.from({ length: 12 }, () => 4 + 20 * random());
    expect(bundled(mixed)).toEqual(bundled(mixed));
    // Thirty-seven lie in a hexagon of rows: 7 across.
    expect(bundled(of(37, 10), { limitSeconds: 0.01 }).diameter).toBeLessThanOrEqual(70 + 1e-6);
  });
});

it.each<[number, Shape, number]>([
  // By hand: one in less than twice, two side by side, three about their middle (1 + 2/√3), a grid, a row.
  [1, bore(19.9), 10],
  [2, bore(20), 10],
  [3, bore(10 * (1 + 2 / Math.sqrt(3)) + 1e-6), 10],
  [0, bore(9.9), 10],
  [6, { kind: 'rectangle', w: 60, h: 10 }, 10],
])('knows that no more than %d of a size lie in %j', (most, shape, d) => {
  // What is proven may be more than what lies, never less; of few it is exact.
  const proven = mostOfSize(shape, d, 0);
  expect(proven).toBeGreaterThanOrEqual(most);
  if (most <= 2) expect(proven).toBe(most);
});

describe('circles in a shape', () => {
  it.each<[string, Shape, number[], number, string]>([
    ['seven in three times their size', bore(30), of(7, 10), 0, 'fits'],
    ['seven in a hair less', bore(29.99), of(7, 10), 0, 'notFound'],
    ['two that touch the wall', bore(50), [30, 20], 0, 'fits'],
    ['two in a hair less', bore(49.99), [30, 20], 0, 'cannot'],
    ['two with room between them', bore(50), [30, 20], 0.1, 'cannot'],
    ['one larger than the bore', bore(20), [20.1], 0, 'cannot'],
    ['four in a square of theirs', { kind: 'rectangle', w: 20, h: 20 }, of(4, 10), 0, 'fits'],
    ['five in that square', { kind: 'rectangle', w: 20, h: 20 }, of(5, 10), 0, 'cannot'],
    ['a row in a slot', { kind: 'rectangle', w: 60, h: 10 }, of(6, 10), 0, 'fits'],
    ['one more than the slot takes', { kind: 'rectangle', w: 60, h: 10 }, of(7, 10), 0, 'cannot'],
    ['two in opposite corners', { kind: 'rectangle', w: 17.9, h: 17.9 }, [10, 11], 0, 'cannot'],
  ])('%s', (_, shape, diameters, clearance, answer) => {
    const found = enclosed(shape, diameters, { clearance });
    expect(found.answer).toBe(answer);
    if (found.answer === 'fits') expect(checkPacking(diameters, clearance, shape, found.circles)).toEqual([]);
    else expect(found.shortBy).toBeGreaterThan(0);
  });

  it('proves by area or by count, and says it with the number', () => {
    const said = (shape: Shape, diameters: number[]) => {
      const found = enclosed(shape, diameters);
      return found.answer === 'cannot' ? boundWords(found.bound, shape) : found.answer;
    };
    expect(said(bore(49.5), [30, 20])).toBe(
      'the two largest side by side need 0.5 mm more than a bore of 49.5 mm',
    );
    expect(said(bore(100), of(120, 10))).toMatch(
      /^no arrangement of the \d+ largest lies in a bore of 100 mm/,
    );
    expect(said(bore(40), [20, 20, 20])).toMatch(/^the three largest need a circle 3\.09 mm larger/);
  });
});

it('proves nothing that an arrangement disproves: every bound lies below what was found', () => {
  const random = seededRandom(77);
  for (let k = 0; k < 30; k += 1) {
    const diameters = Array.from({ length: 1 + Math.floor(random() * 12) }, () => 3 + 30 * random());
    const { diameter } = bundled(diameters, { limitSeconds: 0.05 });
    const bound = lowerBound(problemOf(diameters, 0, null));
    expect(2 * bound.growth).toBeLessThanOrEqual(diameter + 1e-6);
  }
});

describe('the audit', () => {
  const diameters = [10, 10];
  const good: Placed[] = [
    { i: 0, x: -5, y: 0, d: 10 },
    { i: 1, x: 5, y: 0, d: 10 },
  ];
  const [left, right] = good as [Placed, Placed];
  it.each<[string, Placed[], number, string[]]>([
    ['good', good, 0, []],
    ['over the wall', [left, { ...right, x: 5.1 }], 0, ['outside']],
    ['into each other', [left, { ...right, x: 4.9 }], 0, ['near']],
    ['nearer than the clearance', good, 0.5, ['near']],
    ['one left out', [left], 0, ['missing']],
    ['one twice', [left, left], 0, ['twice', 'missing', 'near']],
    ['made smaller', [left, { ...right, d: 9 }], 0, ['resized']],
    ['one that was not given', [...good, { i: 2, x: 0, y: 0, d: 0 }], 0, ['unknown']],
    ['nowhere', [left, { ...right, x: Number.NaN }], 0, ['outside', 'near']],
  ])('finds what is planted: %s', (_, placed, clearance, kinds) => {
    const found = checkPacking(diameters, clearance, bore(20), placed).map((v) => v.kind);
    expect(found.sort()).toEqual([...kinds].sort());
  });
});
