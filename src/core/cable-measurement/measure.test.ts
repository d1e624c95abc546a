import fc from 'fast-check';
import { DEFAULT_PROFILE } from '@/core/schedule';
import { measure, ovalityExceeds, type Measurement, type Method, type Reading } from '.';

const rules = DEFAULT_PROFILE.measurement;
const reading = (method: Method, text: string, more: Partial<Reading> = {}): Reading => ({
  quantity: 'outerSheath',
  method,
  text,
  unit: 'mm',
  ...more,
});
/** Calipers go round the cable, where a test says nothing else. */
const round = (readings: readonly Reading[]): readonly Reading[] =>
  readings.map((r, i) => (r.method === 'caliper' ? { angleDeg: (i * 25) % 180, ...r } : r));
const measured = (
  readings: Reading[],
  quantity: Reading['quantity'] = 'outerSheath',
  turn = round,
): Measurement => {
  const m = measure(turn(readings), quantity, rules);
  if (!m.ok || m.value === null) throw new Error('no measurement');
  return m.value;
};

describe('measure', () => {
  it('takes two caliper readings as they are, ± the instrument', () => {
    // min − 0.1 = 30.0, max + 0.1 = 30.7
    const m = measured([
      reading('caliper', '30.1', { angleDeg: 0 }),
      reading('caliper', '30.6', { angleDeg: 90 }),
    ]);
    expect(m.interval).toEqual({ min: 30, max: 30.7 });
    expect(m.certainMax).toBe(30.5);
    expect(m.certainMin).toBe(30.2);
    expect(m.ovality).toBeCloseTo(0.5 / 30.35, 9);
    expect(m.advice).toEqual([]);
  });

  it('adds the ovality allowance on both sides of a single caliper reading, and asks for another', () => {
    // 30 ± (0.1 + 1.5 % of 30 = 0.45) = 29.45 … 30.55
    const m = measured([reading('caliper', '30')]);
    expect(m.interval).toEqual({ min: 29.45, max: 30.55 });
    expect(m.ovality).toBeNull();
    expect(m.advice[0]).toMatch(/again at 90°/);
  });

  it.each([
    ['without an angle', undefined, undefined, 1],
    ['an angle and that angle + 180°', 10, 190, 1],
    ['one angle of two', 0, undefined, 1],
    ['the same angle twice', 90, 90, 1],
    ['360° and 0°', 360, 0, 1],
    ['a quarter turn apart', 0, 90, 2],
    ['0° and 179°', 0, 179, 2],
  ])('takes two caliper readings %s for what they surely are', (_, first, second, diametersSeen) => {
    const at = (text: string, angleDeg: number | undefined) =>
      reading('caliper', text, angleDeg === undefined ? {} : { angleDeg });
    const m = measured([at('30', first), at('30.4', second)], 'outerSheath', (r) => r);
    // As one diameter each carries 0.1 + 1.5 %: 30 − 0.55 = 29.45, 30.4 + 0.556 = 30.956.
    expect(m.interval).toEqual(diametersSeen === 1 ? { min: 29.45, max: 30.96 } : { min: 29.9, max: 30.5 });
    expect(m).toMatchObject({ diametersSeen, ovality: diametersSeen === 1 ? null : m.leastOvality });
    expect(m.leastOvality).toBeCloseTo(0.4 / 30.2, 9);
    expect(m.advice).toHaveLength(diametersSeen === 1 ? 1 : 0);
  });

  it('turns a circumference into a diameter less the tape', () => {
    // 95.7 mm / π = 30.462…; − 0.2 = 30.262…; ± (0.2 + 0.453…) = 29.608 … 30.917 outwards
    const m = measured([reading('wrapTape', '95.7')]);
    const d = 95.7 / Math.PI - 0.2;
    expect(m.mean).toBeCloseTo(d, 9);
    expect(m.interval).toEqual({ min: 29.6, max: 30.92 });
    expect(m.advice[0]).toMatch(/caliper/);
  });

  it('lets a datasheet plan, provisionally, and forgets it once somebody measured', () => {
    const nominal = reading('datasheet', '30', { tolerance: '1.2' });
    expect(measured([nominal])).toMatchObject({ provisional: true, interval: { min: 28.8, max: 31.2 } });
    const both = measured([nominal, reading('caliper', '30.1'), reading('caliper', '30.3')]);
    expect(both).toMatchObject({ provisional: false, interval: { min: 30, max: 30.4 } });
  });

  it('adds no ovality to a wire', () => {
    const m = measured([reading('caliper', '1.6', { quantity: 'armourWire' })], 'armourWire');
    expect(m.interval).toEqual({ min: 1.58, max: 1.62 });
  });

  it('mixes units without mixing them up', () => {
    const m = measured([reading('caliper', '1 3/16', { unit: 'in' }), reading('caliper', '30.1625')]);
    expect(m.ovality).toBeCloseTo(0, 12);
  });

  it.each([
    ['a 4 m cable', reading('caliper', '4 m'), /4000\.0 mm is above/],
    ['a hair', reading('caliper', '0.5'), /below 2 mm/],
    ['words', reading('caliper', 'thick'), /not a length/],
    [
      'a tolerance beyond the diameter',
      reading('datasheet', '10', { tolerance: '11' }),
      /tolerance is as large/,
    ],
  ])('refuses %s and names the reading', (_, bad, message) => {
    const m = measure([reading('caliper', '30'), bad], 'outerSheath', rules);
    expect(m).toMatchObject({ ok: false, problems: [{ message: expect.stringMatching(message) as string }] });
    if (!m.ok) expect(m.problems[0]?.path).toMatch(/^readings\[1\]/);
  });

  it('says nothing where nothing was read', () => {
    expect(measure([reading('caliper', '30')], 'innerSheath', rules)).toEqual({ ok: true, value: null });
  });

  it('never narrows when a reading outside is added, and holds every reading', () => {
    const value = fc.integer({ min: 5000, max: 90_000 }).map((um) => um / 1000);
    fc.assert(
      fc.property(fc.array(value, { minLength: 2, maxLength: 6 }), value, (diameters, extra) => {
        const before = measured(diameters.map((d) => reading('caliper', String(d))));
        const after = measured([...diameters, extra].map((d) => reading('caliper', String(d))));
        expect(after.interval.min).toBeLessThanOrEqual(before.interval.min);
        expect(after.interval.max).toBeGreaterThanOrEqual(before.interval.max);
        for (const d of diameters) {
          expect(before.interval.min).toBeLessThan(d);
          expect(before.interval.max).toBeGreaterThan(d);
        }
      }),
    );
  });
});

it('compares ovality without floating dust', () => {
  expect(ovalityExceeds(0.05, 0.05)).toBe(false);
  expect(ovalityExceeds(0.1 + 0.2, 0.3)).toBe(false);
  expect(ovalityExceeds(0.050002, 0.05)).toBe(true);
  expect(ovalityExceeds(null, 0)).toBe(false);
});
