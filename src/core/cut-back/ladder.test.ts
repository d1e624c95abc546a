import fc from 'fast-check';
import type { CouplerSheet } from '@/core/catalogue';
import { demoSize, fitting } from '@/core/testing';
import { ladderProblems, settleLadder } from '.';

const [family, size] = demoSize('CT3-52');
const { coupler } = family;
if (coupler === undefined) throw new Error('a coupler');
const cable = fitting(family, size, 'none', false).cableType;

const span = (least: number, wide: number) => ({ min: least, max: least + wide });
const ladders = fc
  .record({
    bare: fc.integer({ min: 100, max: 800 }),
    rung: fc.integer({ min: 100, max: 900 }),
    wide: fc.integer({ min: 5, max: 60 }),
    earth: fc.integer({ min: 100, max: 2500 }),
  })
  .map(({ bare, rung, wide, earth }): CouplerSheet['ladder'] => ({
    bareMm: span(bare / 10, wide / 10),
    insulationMm: span(rung / 10, wide / 10),
    semiconductingMm: span(20.3, wide / 10),
    screenedMm: span(88.7, wide / 10),
    earthMm: span(earth / 10, wide / 10),
    pilotMm: span(30.1, wide / 10),
  }));

it('keeps every rung within its span, and every mark on a division, in mm and in inches', () => {
  fc.assert(
    fc.property(ladders, fc.constantFrom('mm' as const, 'in' as const), (ladder, unit) => {
      const settled = settleLadder({ ladder }, { earthCores: 2, pilotCores: 1 }, unit);
      if (!settled.ok) return;
      const { rungs, marks } = settled.value;
      for (const r of rungs) {
        expect(r.mm).toBeGreaterThanOrEqual(r.minMm - 1e-6);
        expect(r.mm).toBeLessThanOrEqual(r.maxMm + 1e-6);
      }
      const division = unit === 'mm' ? 0.5 : 25.4 / 32;
      for (const m of marks)
        expect(Math.abs(m.atMm / division - Math.round(m.atMm / division))).toBeLessThan(1e-6);
      const at = (id: string) => marks.find((m) => m.id === id)?.atMm ?? NaN;
      const rung = (id: string) => rungs.find((r) => r.id === id)?.mm ?? NaN;
      // Differences of marks are the rungs themselves.
      expect(at('semiconducting') - at('cores')).toBeCloseTo(rung('insulation'), 6);
      expect(at('screen') - at('semiconducting')).toBeCloseTo(rung('semiconducting'), 6);
      expect(at('outerSheath') - at('screen')).toBeCloseTo(rung('screened'), 6);
    }),
  );
});

it('cuts no core that ends where the phases do, and refuses one that would be longer, with its length', () => {
  const ladder = { ...coupler.ladder, earthMm: span(214.6, 0.8), pilotMm: span(216, 2) };
  const earth = settleLadder({ ladder }, { earthCores: 1, pilotCores: 0 }, 'mm');
  expect(earth.ok && earth.value.marks.map((m) => m.id)).toEqual([
    'outerSheath',
    'screen',
    'semiconducting',
    'cores',
  ]);
  const pilot = settleLadder({ ladder }, { earthCores: 1, pilotCores: 1 }, 'mm');
  expect(pilot.ok ? '' : pilot.problems[0]?.message).toMatch(
    /pilot cores would be 217 mm long, and the phases end at 215 mm/,
  );
});

it('refuses a rung in which no division of the rule lies', () => {
  const ladder = { ...coupler.ladder, semiconductingMm: { min: 20.1, max: 20.4 } };
  const settled = settleLadder({ ladder }, { earthCores: 0, pilotCores: 0 }, 'mm');
  expect(settled.ok ? '' : settled.problems[0]?.message).toMatch(
    /between 20.10 and 20.40 mm, and no division/,
  );
});

it.each([
  [{ screened: false }, /a screen round each phase, and this cable has none/],
  [{ semiconducting: undefined }, /nobody said whether this cable has one/],
  [{ semiconducting: false }, /a semiconducting layer under the screen, and this cable has none/],
  [{ phaseColours: undefined }, /nobody said the colours of its phases/],
  [{ phaseColours: ['BN', 'BK'] }, /3 contacts for phases, the cable 2 phases/],
  [{ earthCores: undefined }, /nobody said how many earth cores/],
  [{ pilotCores: 0 }, /a contact for pilot, and the cable has no pilot core/],
])('refuses a cable that lacks what the ladder goes by: %j', (change, words) => {
  expect(ladderProblems(coupler, cable)).toEqual([]);
  expect(
    ladderProblems(coupler, { ...cable, ...change })
      .map((p) => p.message)
      .join('; '),
  ).toMatch(words);
});
