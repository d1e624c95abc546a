import fc from 'fast-check';
import { judge } from '@/core/gland-selection';
import { textWidth } from '@/core/kernel';
import { CABLE, DEMO, ENTRY, interval, TERMINATION } from '@/core/testing';
import {
  cutWords,
  GRIDS_MM,
  planCut,
  roundJointly,
  stripDrawings,
  strippedEndDrawing,
  type CutInput,
  type CutPlan,
} from '.';

const catalogue = DEMO;

function input(change: Partial<CutInput> = {}, code = 'RW2-32'): CutInput {
  const family = catalogue.families.find((f) => f.code === code.slice(0, 3));
  const size = family?.sizes.find((s) => s.code === code);
  if (!family || !size) throw new Error(code);
  const candidate = judge(TERMINATION, family, size, catalogue);
  return {
    family,
    size,
    entryFit: candidate.entry,
    entry: ENTRY,
    cableType: CABLE,
    outerSheath: interval('outerSheath', 28, 28.4),
    innerSheath: interval('innerSheath', 21.5, 21.8),
    armourWire: interval('armourWire', 1.6, 1.62),
    overArmour: null,
    laidUpCores: null,
    profile: TERMINATION.profile,
    routeMm: 240,
    spareMm: 30,
    unit: 'mm',
    ...change,
  };
}
type StubPlan = CutPlan & { stub: NonNullable<CutPlan['stub']>; armour: NonNullable<CutPlan['armour']> };
/** A plan of kind `stub` on armoured cable: it has both an inner sheath and armour. */
const plan = (change: Partial<CutInput> = {}, code?: string): StubPlan => {
  const cut = planCut(input(change, code));
  if (!cut.ok) throw new Error(cut.problems[0]?.message);
  if (cut.value.stub === null || cut.value.armour === null) throw new Error('not of kind stub');
  return cutWords(cut.value) as StubPlan;
};

describe('planCut', () => {
  it('adds up as by hand', () => {
    // Stop to shoulder 36 + washer 1.5 + wall 16 = 53.5 to the inside of the wall; the thread (15) ends before it.
    // S ≥ 53.5 + 8 emergence = 61.5 → 62. T ≥ 240 + 53.5 + 40 bend + 30 spare − 62 = 301.5 → 302. A 21…25 → 23.
    const cut = plan();
    expect(cut.stopToWallMm).toBe(53.5);
    expect([cut.tails.mm, cut.stub.mm, cut.armour.mm]).toEqual([302, 62, 23]);
    expect(cut.marks.map((m) => [m.id, m.atMm])).toEqual([
      ['outerSheath', 387],
      ['armour', 364],
      ['innerSheath', 302],
    ]);
    expect(cut.consumedMm).toBe(388);
    expect(cut.emergenceMm).toBe(8.5);
  });

  it('goes by the thread where the wall is thinner than it', () => {
    // wall 6 + washer 1.5 = 7.5 < thread 15: S ≥ 36 + 15 + 8 = 59
    const cut = plan({ entry: { ...ENTRY, wallMm: 6 } });
    expect(cut.stub.mm).toBe(59);
    expect(cut.emergenceMm).toBe(59 - 43.5);
  });

  it('carries the adaptor’s length', () => {
    const entry = { ...ENTRY, thread: { form: 'metric' as const, size: 'M25', pitchMm: 1.5 } };
    const { family, size } = input();
    const through = judge({ ...TERMINATION, entry }, family, size, catalogue).entry;
    expect(through.adaptor?.addedLengthMm).toBe(20);
    expect(plan({ entry, entryFit: through }).stopToWallMm).toBe(75);
  });

  it('guards the depths: thinnest sheath less the guard, 60 % of a wire', () => {
    // (28.0 − (21.8 + 2 × 1.62)) / 2 = 1.48; nominal 1.8; 1.48 − 0.3 = 1.18 → 1.1. Wire 1.6 × 0.6 = 0.96 → 0.9. Inner 1.2 − 0.3 = 0.9
    expect(plan().marks.map((m) => m.guard.maxDepthMm)).toEqual([1.1, 0.9, 0.9]);
  });

  it('gives no depth where no thickness is known, and none at all where the sheath is too thin', () => {
    const { outerSheathThicknessMm: _o, innerSheathThicknessMm: _i, ...bare } = CABLE;
    expect(plan({ cableType: bare }).marks[2]?.guard).toMatchObject({ maxDepthMm: null });
    expect(plan({ cableType: bare }).marks[2]?.tools.map((t) => t.tool)).toEqual(['Cable knife by hand']);
    expect(plan({ cableType: { ...CABLE, outerSheathThicknessMm: 0.3 } }).marks[0]?.guard).toMatchObject({
      maxDepthMm: 0,
    });
  });

  it.each<[string, Partial<CutInput>, string, number]>([
    // Outer 28…28.4: over armour at most 25.4 leaves (28 − 25.4)/2 = 1.3, less 0.3.
    [
      'outer, by what lies over the armour',
      { overArmour: interval('overArmour', 25, 25.4) },
      'outerSheath',
      1,
    ],
    // Inner and two wires: 21.8 + 3.24 = 25.04, (28 − 25.04)/2 = 1.48 → 1.1; the thinner of both sources holds.
    [
      'outer, by inner sheath and wires',
      { overArmour: interval('overArmour', 24, 24.2) },
      'outerSheath',
      1.1,
    ],
    ['outer, by the datasheet', { cableType: { ...CABLE, outerSheathThicknessMm: 1.35 } }, 'outerSheath', 1],
    // 28 − 26.9 leaves 0.55, less 0.3; at 27.4 exactly the guard, and nothing to set.
    ['outer, a little', { overArmour: interval('overArmour', 26, 26.9) }, 'outerSheath', 0.2],
    ['outer, exactly the guard', { overArmour: interval('overArmour', 26, 27.4) }, 'outerSheath', 0],
    ['outer, intervals that overlap', { overArmour: interval('overArmour', 26, 29) }, 'outerSheath', 0],
    // Inner 21.5…21.8 over cores of at most 20: 0.75, less 0.3.
    ['inner, by the laid-up cores', { laidUpCores: interval('laidUpCores', 19.8, 20) }, 'innerSheath', 0.4],
    ['inner, by the datasheet', { laidUpCores: interval('laidUpCores', 17, 17.2) }, 'innerSheath', 0.9],
  ])('takes the thinnest that measurement or datasheet leaves: %s', (_, change, id, depth) => {
    const mark = plan(change).marks.find((m) => m.id === id);
    expect(mark?.guard.maxDepthMm).toBe(depth);
    expect(mark?.tools.some((t) => t.tool.includes('depth stop'))).toBe(depth > 0);
    if (depth === 0) expect(mark?.guard.reason).toContain('no powered tool');
  });

  it('guards the cores of an unarmoured cable by their own diameter', () => {
    const cable = { ...CABLE, armour: 'none' as const, innerSheath: false, outerSheathThicknessMm: 1.4 };
    const cut = planCut({
      ...input({ laidUpCores: interval('laidUpCores', 10, 10.4) }, 'UN1-20'),
      cableType: cable,
      outerSheath: interval('outerSheath', 12.4, 12.6),
      innerSheath: null,
      armourWire: null,
    });
    // (12.4 − 10.4)/2 = 1.0, less 0.3
    expect(cut.ok && cut.value.marks[0]?.guard).toMatchObject({
      maxDepthMm: 0.7,
      case: { code: 'leftUncut', from: 'laidUpCores', under: 'cores' },
    });
  });

  it('marks in sixteenths, every mark on a division', () => {
    const cut = plan({ unit: 'in' });
    for (const mark of cut.marks)
      expect((mark.atMm / 25.4) * 16).toBeCloseTo(Math.round((mark.atMm / 25.4) * 16), 6);
  });

  it.each([
    ['an unknown route', { routeMm: null }, /farthest terminal is not known/],
    ['a terminal that the sheath would reach', { routeMm: 18 }, /nearer than the inner sheath/],
    ['armour that was not measured', { armourWire: null }, /not measured/],
    [
      'armour without a length',
      { cableType: { ...CABLE, armour: 'braid' as const } },
      /no armour length for wire braid/,
    ],
  ])('refuses %s', (_, change, message) => {
    const cut = planCut(input(change));
    expect(cut.ok ? '' : cut.problems.map((p) => p.message).join()).toMatch(message);
  });

  it('takes a terminal just beyond the inner sheath', () => {
    // The sheath may stand 61.5 + 10 − 53.5 = 18 mm in the box.
    expect(planCut(input({ routeMm: 18.1 })).ok).toBe(true);
  });

  it('adds up for every size, unit and box: marks are sums, lengths stay in their spans', () => {
    const arbitrary = fc.record({
      routeMm: fc.integer({ min: 60, max: 1500 }),
      spareMm: fc.integer({ min: 0, max: 300 }),
      wall: fc.integer({ min: 3, max: 40 }),
      unit: fc.constantFrom('mm' as const, 'in' as const),
      code: fc.constantFrom(
        ...catalogue.families
          .filter((f) => f.cutKind === 'stub' && f.accepts.armour.includes('roundWire'))
          .flatMap((f) => f.sizes.map((s) => s.code)),
      ),
    });
    fc.assert(
      fc.property(arbitrary, ({ routeMm, spareMm, wall, unit, code }) => {
        const cut = plan({ routeMm, spareMm, unit, entry: { ...ENTRY, wallMm: wall } }, code);
        const [outer, armour, inner] = cut.marks.map((m) => m.atMm) as [number, number, number];
        expect(inner).toBeCloseTo(cut.tails.mm, 6);
        expect(armour - inner).toBeCloseTo(cut.stub.mm, 6);
        expect(outer - armour).toBeCloseTo(cut.armour.mm, 6);
        expect(cut.consumedMm).toBeCloseTo(cut.tails.mm + cut.stub.mm + cut.armour.mm + 1, 6);
        for (const length of [cut.tails, cut.stub, cut.armour]) {
          expect(length.mm).toBeGreaterThanOrEqual(length.minMm - 1e-6);
          expect(length.mm).toBeLessThanOrEqual(length.maxMm + 1e-6);
        }
        // The cores reach the terminal with slack and spare, whatever was rounded.
        expect(cut.tails.mm + cut.stub.mm - cut.stopToWallMm).toBeGreaterThanOrEqual(
          routeMm + 40 + spareMm - 1e-6,
        );
      }),
      { numRuns: 300 },
    );
  });
});

describe('roundJointly', () => {
  it('keeps every difference in its span or says which cannot be kept', () => {
    const span = fc
      .record({
        min: fc.double({ min: 1, max: 300, noNaN: true }),
        width: fc.double({ min: 0, max: 6, noNaN: true }),
      })
      .map(({ min, width }) => ({ id: 's', min, max: min + width, target: min + width / 2 }));
    fc.assert(
      fc.property(
        fc.array(span, { minLength: 1, maxLength: 5 }),
        fc.constantFrom('mm' as const, 'in' as const),
        (spans, unit) => {
          const rounded = roundJointly(spans, unit);
          const finest = GRIDS_MM[unit][1] ?? 1;
          if (!rounded.ok) {
            expect(spans.some((s) => Math.floor(s.max / finest) < Math.ceil(s.min / finest))).toBe(true);
            return;
          }
          rounded.value.forEach((r, i) => {
            expect(r.mm).toBeGreaterThanOrEqual((spans[i]?.min ?? 0) - 1e-6);
            expect(r.mm).toBeLessThanOrEqual((spans[i]?.max ?? 0) + 1e-6);
            expect(r.mm / finest).toBeCloseTo(Math.round(r.mm / finest), 6);
          });
        },
      ),
    );
  });

  it('takes the finer rule only when the coarse one has no division there', () => {
    expect(roundJointly([{ id: 'a', min: 3.2, target: 3.3, max: 3.8 }], 'mm')).toMatchObject({
      value: [{ mm: 3.5 }],
    });
    expect(roundJointly([{ id: 'a', min: 3.6, target: 3.7, max: 3.8 }], 'mm')).toMatchObject({
      ok: false,
      problems: [{ path: 'a' }],
    });
  });
});

describe('drawings', () => {
  const end = {
    cut: plan(),
    outerMm: 28.2,
    overArmourMm: 25,
    innerMm: 21.7,
    armour: 'roundWire' as const,
    cores: 4,
  };

  it.each([320, 380, 760])('draws the stripped end to one scale at width %i, inside its sheet', (width) => {
    const drawing = strippedEndDrawing(end, width);
    const scale = 1 / (drawing.mmPerUnit ?? 1);
    const layer = (role: string) => drawing.items.find((i) => i.kind === 'polygon' && i.role === role);
    const armour = layer('innerSheath');
    if (armour?.kind !== 'polygon') throw new Error('no layer');
    const xs = armour.points.map((p) => p.x);
    const ys = armour.points.map((p) => p.y);
    expect(Math.max(...xs) - Math.min(...xs)).toBeCloseTo((23 + 62) * scale, 6);
    expect(Math.max(...ys) - Math.min(...ys)).toBeCloseTo(21.7 * scale, 6);
    for (const item of drawing.items) {
      const points = item.kind === 'text' ? [item.at] : item.points;
      for (const p of points) {
        expect(p.x).toBeGreaterThanOrEqual(-0.01);
        expect(p.x).toBeLessThanOrEqual(width + 0.01);
        expect(p.y).toBeGreaterThanOrEqual(0);
        expect(p.y).toBeLessThanOrEqual(drawing.height);
      }
    }
    expect(drawing.description).toContain('387 mm');
  });

  it('lets no label cover another', () => {
    const texts = strippedEndDrawing(end, 320).items.filter((i) => i.kind === 'text');
    const boxes = texts.map((t) => ({
      x: t.at.x - textWidth(t.text, t.size, t.weight) / 2,
      w: textWidth(t.text, t.size, t.weight),
      y: t.at.y,
      h: t.size,
      text: t.text,
    }));
    for (const a of boxes) {
      for (const b of boxes) {
        if (a === b) continue;
        const apart = a.x + a.w <= b.x || b.x + b.w <= a.x || Math.abs(a.y - b.y) >= Math.min(a.h, b.h);
        expect([a.text, b.text, apart]).toEqual([a.text, b.text, true]);
      }
    }
  });

  it('tiles the 1:1 strip so that every mark stands on a piece at its own place', () => {
    const pieces = stripDrawings(plan(), 'K-1/A', 190);
    expect(pieces).toHaveLength(3);
    const marks = pieces.flatMap((piece, i) =>
      piece.items
        .filter((item) => item.kind === 'polyline' && item.role === 'mark')
        .map((item) => (item.kind === 'polyline' ? (item.points[0]?.x ?? 0) : 0) + i * 180),
    );
    expect([...new Set(marks)].sort((a, b) => a - b)).toEqual([302, 364, 387]);
    const bar = pieces[0]?.items
      .filter((i) => i.kind === 'polygon')
      .map((i) => (i.kind === 'polygon' ? (i.points[1]?.x ?? 0) - (i.points[0]?.x ?? 0) : 0));
    expect(bar?.map((w) => Number(w.toFixed(6)))).toEqual([50, 50.8]);
  });
});

describe('depths', () => {
  it('never round up: no blade goes deeper than the thinnest layer less its guard, whatever was measured', () => {
    const arbitrary = fc.record({
      outer: fc.double({ min: 26, max: 30, noNaN: true }),
      wide: fc.double({ min: 0, max: 0.6, noNaN: true }),
      wire: fc.double({ min: 0.8, max: 2.2, noNaN: true }),
      unit: fc.constantFrom('mm' as const, 'in' as const),
    });
    fc.assert(
      fc.property(arbitrary, ({ outer, wide, wire, unit }) => {
        const outerSheath = interval(
          'outerSheath',
          Number(outer.toFixed(2)),
          Number((outer + wide).toFixed(2)),
        );
        const armourWire = interval('armourWire', Number(wire.toFixed(2)), Number((wire + 0.02).toFixed(2)));
        const innerSheath = interval('innerSheath', 21.5, 21.8);
        const cut = planCut(input({ outerSheath, armourWire, innerSheath, unit }));
        if (!cut.ok) return;
        const [sheath, armour] = cut.value.marks;
        const thinnest = Math.min(
          1.8,
          ...[(outerSheath.interval.min - 21.8 - 2 * armourWire.interval.max) / 2].filter((t) => t > 0),
        );
        expect(sheath?.guard.maxDepthMm ?? 0).toBeLessThanOrEqual(Math.max(0, thinnest - 0.3) + 1e-9);
        expect(armour?.guard.maxDepthMm ?? 0).toBeLessThanOrEqual(armourWire.interval.min * 0.6 + 1e-9);
        // Every tool of a mark keeps to its own guard, and none is deeper than the layer.
        for (const tool of armour?.tools ?? [])
          expect(tool.guard.maxDepthMm ?? 0).toBeLessThanOrEqual(armourWire.interval.min + 1e-9);
      }),
      { numRuns: 200 },
    );
  });
});
