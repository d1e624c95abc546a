import fc from 'fast-check';
import type { ArmourKind } from '@/core/catalogue';
import { judge } from '@/core/gland-selection';
import { CABLE, DEMO, demoSize, DEMO_FILE, fitting } from '@/core/testing';
import {
  checkArmourLength,
  coreTails,
  cutWords,
  farthest,
  isCoreOf,
  planCut,
  readTerminals,
  recut,
  type CutInput,
  type CutPlan,
  type Terminal,
} from '.';

function input(code: string, armour: ArmourKind, change: Partial<CutInput> = {}, jacketed = true): CutInput {
  const [family, size] = demoSize(code);
  const found = fitting(family, size, armour, jacketed);
  if (!found.outerSheath) throw new Error('no sheath');
  return {
    family,
    size,
    entryFit: judge(found, family, size, DEMO).entry,
    entry: found.entry,
    cableType: found.cableType,
    outerSheath: found.outerSheath,
    innerSheath: found.innerSheath,
    armourWire: found.armourWire,
    overArmour: found.overArmour,
    laidUpCores: null,
    profile: found.profile,
    routeMm: 320,
    spareMm: 20,
    unit: 'mm',
    ...change,
  };
}
const refusal = (i: CutInput): string => {
  const cut = planCut(i);
  return cut.ok ? '' : cut.problems.map((p) => p.message).join('; ');
};
function plan(code: string, armour: ArmourKind, change: Partial<CutInput> = {}, jacketed = true): CutPlan {
  const cut = planCut(input(code, armour, change, jacketed));
  if (!cut.ok) throw new Error(cut.problems[0]?.message);
  return cutWords(cut.value);
}
/** Texts in a value that are more than a code. */
const sentences = (value: unknown): string[] =>
  typeof value === 'string'
    ? value.includes(' ')
      ? [value]
      : []
    : typeof value === 'object' && value !== null
      ? Object.values(value).flatMap(sentences)
      : [];
const marks = (cut: CutPlan) => cut.marks.map((m) => [m.id, m.atMm]);

describe('each kind of cut, by hand', () => {
  it('barrier: inner sheath level with the armour, the tails go through gland and wall', () => {
    // WC4-32: stop to shoulder 48, washer 1.5, wall 16 → 65.5. T ≥ 320 + 65.5 + 40 + 20 = 445.5 → 446. A 21…25 → 23
    const cut = plan('WC4-32', 'roundWire');
    expect(cut.stopToWallMm).toBe(65.5);
    expect(cut.stub).toBeNull();
    expect(marks(cut)).toEqual([
      ['outerSheath', 469],
      ['armour', 446],
      ['innerSheath', 446],
    ]);
    expect(cut.consumedMm).toBe(470);
  });

  it('barrier, a variant that adds 6 mm to the cone', () => {
    const [, size] = demoSize('WC4-63');
    const [plain] = size.armourLengths;
    expect(plain?.addedMm).toBe(6);
    const cut = plan('WC4-63', 'roundWire');
    expect(cut.armour?.minMm).toBe((plain?.minMm ?? 0) + 6);
    expect(cut.armour?.maxMm).toBe((plain?.maxMm ?? 0) + 6);
  });

  it('unarmoured: one cut; the sheath runs through the gland and stands in the box', () => {
    // UN1-32: 22 to the shoulder + 1.5 + 16 = 39.5; S ≥ 39.5 + 6 = 45.5 → 46; T ≥ 320 + 39.5 + 60 − 46 = 373.5 → 374
    const cut = plan('UN1-32', 'none');
    expect([cut.tails.mm, cut.stub?.mm, cut.armour]).toEqual([374, 46, null]);
    expect(marks(cut)).toEqual([['outerSheath', 374]]);
    expect(cut.consumedMm).toBe(421);
    expect(cut.marks[0]?.guard.reason).toContain('over the cores');
  });

  it('unarmoured with a chamber: the sheath ends where the compound begins', () => {
    const cut = plan('UC4-32', 'none');
    // 41 + 1.5 + 16 = 58.5; T ≥ 320 + 58.5 + 60 = 438.5 → 439
    expect([cut.tails.mm, cut.stub, cut.armour]).toEqual([439, null, null]);
  });

  it('metal-clad: jacket to the earthing ring, no inner sheath; the strip by a cutter or a saw, each with its own depth', () => {
    const strip = fitting(...demoSize('YB2-125'), 'interlocked', true).overArmour;
    if (!strip) throw new Error('no armour');
    const cut = plan('YB2-125', 'interlocked', {
      armourWire: { ...strip, interval: { min: 0.7, max: 0.72 } },
    });
    expect(cut.marks.map((m) => [m.id, m.title])).toEqual([
      ['outerSheath', 'Jacket off'],
      ['armour', 'Armour off'],
    ]);
    // Whole strip 0.7 mm for the rotary cutter; 60 % of it for the saw: 0.42 → 0.4
    expect(cut.marks[1]?.tools.map((t) => t.guard.maxDepthMm)).toEqual([0.7, 0.4]);
    expect(new Set(cut.marks[1]?.tools.map((t) => t.kerfMm)).size).toBe(2);
    // A wheel that is set to a depth is not offered where the strip is not measured.
    expect(plan('YB2-125', 'corrugated').marks[1]?.tools.map((t) => t.tool)).toEqual(['Fine hacksaw']);
    const armourWire = { ...strip, interval: { min: 0.7, max: 0.72 } };
    expect(plan('YB2-125', 'corrugated', { armourWire }).marks[1]?.tools.map((t) => t.tool)).toEqual([
      'Tube cutter',
      'Fine hacksaw',
    ]);
  });

  it('metal-clad without a jacket: one mark, yet the armour under the ring is used up too', () => {
    const cut = plan('YB6-125', 'interlocked', {}, false);
    expect(cut.marks.map((m) => m.id)).toEqual(['armour']);
    expect(cut.consumedMm).toBe(cut.tails.mm + (cut.armour?.mm ?? 0) + 1);
  });

  it('sealing fitting: first jacket cut, armour, final jacket, and the second inner cut from the hub', () => {
    const [, size] = demoSize('SF7-125');
    const cut = plan('SF7-125', 'interlocked');
    const [first, armour, jacket, second] = cut.marks;
    expect(cut.marks.map((m) => m.id)).toEqual(['firstJacket', 'armour', 'jacket', 'secondInner']);
    expect((first?.atMm ?? 0) - (armour?.atMm ?? 0)).toBe(size.sealingCut?.firstJacketMm);
    expect((jacket?.atMm ?? 0) - (armour?.atMm ?? 0)).toBe(cut.armour?.mm);
    expect(second).toMatchObject({ datum: 'hub', fromDatumMm: size.sealingCut?.secondInnerMm });
    expect(second?.atMm).toBe(cut.tails.mm - (size.sealingCut?.secondInnerMm ?? 0));
    // The first cut lies before the final one, or there would be nothing left to trim.
    expect(first?.atMm).toBeLessThan(jacket?.atMm ?? 0);
  });

  it('plug-in: the insert settles the cores, wherever the terminals are; too many cores are refused', () => {
    const [, size] = demoSize('VB8-25');
    const cut = plan('VB8-25', 'none', { routeMm: null });
    expect(cut.tails.mm).toBe(((size.insert?.tailMinMm ?? 0) + (size.insert?.tailMaxMm ?? 0)) / 2);
    expect(cut.marks.map((m) => [m.id, m.datum])).toEqual([
      ['outerSheath', 'cableEnd'],
      ['cores', 'coreEnd'],
    ]);
    const many = { ...input('VB8-25', 'none').cableType, cores: (size.insert?.contacts ?? 0) + 2 };
    expect(refusal(input('VB8-25', 'none', { cableType: many }))).toMatch(/2 too many/);
  });

  it('refuses figures that are not there', () => {
    const [, size] = demoSize('SF7-125');
    expect(refusal(input('SF7-125', 'interlocked', { size: { ...size, sealingCut: undefined } }))).toMatch(
      /two inner cuts/,
    );
    const [, plug] = demoSize('VB8-25');
    expect(refusal(input('VB8-25', 'none', { size: { ...plug, insert: undefined } }))).toMatch(
      /contact insert/,
    );
  });

  it('refuses a window that no division of the rule meets', () => {
    const [, size] = demoSize('WC4-32');
    const narrow = { ...size, armourLengths: [{ armour: ['roundWire' as const], minMm: 21.1, maxMm: 21.3 }] };
    expect(refusal(input('WC4-32', 'roundWire', { size: narrow }))).toMatch(/21.10 and 21.30/);
  });
});

describe('checkArmourLength', () => {
  const [, size] = demoSize('WC4-32');
  it.each([
    [21, ''],
    [25, ''],
    [25.5, /0.5 mm longer than WC4-32 takes \(21–25 mm\): the parts would never meet/],
    [20, /1 mm shorter than the ring of WC4-32 needs/],
  ] as const)('of %d mm', (mm, message) => {
    const result = checkArmourLength(size, 'roundWire', mm);
    if (message === '') expect(result.ok).toBe(true);
    else expect(result.ok ? '' : result.problems[0]?.message).toMatch(message);
  });
  it('refuses an armour the size gives no length for', () =>
    expect(checkArmourLength(size, 'braid', 22).ok).toBe(false));
});

describe('terminals that differ', () => {
  const toMm = (text: string): number | null =>
    Number.isFinite(Number(text.replace(',', '.'))) ? Number(text.replace(',', '.')) : null;

  it('reads a line of them, with decimal commas', () => {
    expect(readTerminals('L1 220, L2 240,5; PE=300\nN: 310', toMm)).toEqual({
      ok: true,
      value: [
        { core: 'L1', routeMm: 220 },
        { core: 'L2', routeMm: 240.5 },
        { core: 'PE', routeMm: 300 },
        { core: 'N', routeMm: 310 },
      ],
    });
    expect(readTerminals('  ', toMm)).toEqual({ ok: true, value: [] });
    expect(readTerminals('L1, L2 far', toMm)).toMatchObject({
      ok: false,
      problems: [{ value: 'L1' }, { value: 'L2 far' }],
    });
  });

  it('takes the farthest, and refuses what contradicts itself', () => {
    const at = (...mm: number[]) => mm.map((routeMm, i) => ({ core: `L${i + 1}`, routeMm }));
    const far = (routeMm: number | null, terminals: Terminal[], cores = 2) =>
      farthest(routeMm, terminals, cores);
    expect(far(null, at(200, 310))).toEqual({ ok: true, value: 310 });
    // The cores that are not listed, and the fact that was given, go as far as the route.
    expect(far(320, at(200, 310))).toEqual({ ok: true, value: 320 });
    expect(far(320, at(200, 310), 4)).toEqual({ ok: true, value: 320 });
    expect(far(null, at(200, 310), 4).ok).toBe(false);
    expect(far(300, at(200, 310)).ok).toBe(false);
    expect(far(300, [...at(200), ...at(210)]).ok).toBe(false);
    expect(far(300, at(-1)).ok).toBe(false);
    expect(far(null, []).ok).toBe(false);
    expect(far(300, at(200, 210, 220)).ok).toBe(false);
  });

  it.each([
    ['1', 4, true],
    ['4', 4, true],
    ['5', 4, false],
    ['0', 4, false],
    ['XX', 4, false],
    ['l1', 4, true],
    ['pe', 4, true],
    ['gnye', 4, true],
    ['', 4, false],
  ])('knows the core %j of %d: %s', (name, cores, known) => expect(isCoreOf(name, cores)).toBe(known));

  it('refuses a tail that is shorter than bend and strip, with the number', () => {
    const near = coreTails([{ core: 'L1', routeMm: 30 }], { mm: 300, farthestMm: 320, leastMm: 40 }, 'mm');
    // 300 − (320 − 30) = 10
    expect(near.ok ? '' : near.problems[0]?.message).toBe(
      'leaves a tail of 10 mm for L1, 30 mm short of the 40 mm that bend and strip need',
    );
    const inside = { terminals: [{ core: 'L1', routeMm: 15 }] };
    expect(refusal(input('RW2-32', 'roundWire', inside))).toMatch(/nearer than the inner sheath may stand/);
    expect(refusal(input('WC4-32', 'roundWire', { routeMm: 0 }))).toMatch(/terminal is 0 mm from the wall/);
    expect(refusal(input('VB8-25', 'braid', { terminals: [{ core: 'L1', routeMm: 30 }] }))).toMatch(
      /end in the insert/,
    );
  });

  it('cuts no core too short, and none longer than the tails, in both units', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 60, max: 900 }), { minLength: 1, maxLength: 12 }),
        fc.constantFrom('mm' as const, 'in' as const),
        (routes, unit) => {
          const terminals = routes.map((routeMm, i) => ({ core: String(i + 1), routeMm }));
          const cableType = { ...CABLE, cores: routes.length };
          const cut = plan('WC4-32', 'roundWire', { routeMm: null, terminals, unit, cableType });
          const reach = cut.stopToWallMm + 40 + 20;
          cut.coreTails.forEach((t, i) => {
            expect(t.mm).toBeGreaterThanOrEqual((routes[i] ?? 0) + reach - 1e-6);
            expect(t.mm).toBeLessThanOrEqual(cut.tails.mm + 1e-9);
          });
          expect(Math.max(...cut.coreTails.map((t) => t.mm))).toBeCloseTo(cut.tails.mm, 6);
        },
      ),
      { numRuns: 100 },
    );
    expect(coreTails([], { mm: 300, farthestMm: 200, leastMm: 40 }, 'mm')).toEqual({ ok: true, value: [] });
  });
});

describe('recut', () => {
  it('uses the spare up, and refuses with the numbers what is not there', () => {
    expect(recut(50, 20)).toEqual({ ok: true, value: 30 });
    expect(recut(50, 50)).toEqual({ ok: true, value: 0 });
    const far = recut(50, 62);
    expect(far.ok ? '' : far.problems[0]?.message).toMatch(/12 mm out of reach: this end has 50 mm to spare/);
    expect(recut(50, 0).ok).toBe(false);
    expect(recut(50, NaN).ok).toBe(false);
  });
});

describe('all cuts of the shipped catalogue', () => {
  it('give marks whose differences are the lengths, each in its span, and swap units without changing a length by more than its tolerance', () => {
    for (const family of DEMO_FILE.families) {
      for (const size of family.sizes) {
        for (const armour of family.accepts.armour) {
          const found = fitting(family, size, armour, true);
          if (!found.outerSheath) throw new Error('no sheath');
          const of = (unit: 'mm' | 'in') =>
            planCut({
              ...input('RW2-32', 'roundWire'),
              family,
              size,
              entryFit: judge(found, family, size, DEMO).entry,
              entry: found.entry,
              cableType: found.cableType,
              outerSheath: found.outerSheath ?? input('RW2-32', 'roundWire').outerSheath,
              innerSheath: found.innerSheath,
              armourWire: found.armourWire,
              overArmour: found.overArmour,
              unit,
            });
          const [mm, inch] = [of('mm'), of('in')];
          if (!mm.ok || !inch.ok) throw new Error(`${size.code} ${armour}`);
          for (const { value: cut } of [mm, inch]) {
            for (const length of [cut.tails, cut.stub, cut.armour, cut.strip]) {
              if (length === null) continue;
              expect(length.mm).toBeGreaterThanOrEqual(length.minMm - 1e-6);
              expect(length.mm).toBeLessThanOrEqual(length.maxMm + 1e-6);
            }
            const total = cut.tails.mm + (cut.stub?.mm ?? 0) + (cut.armour?.mm ?? 0);
            expect(cut.consumedMm).toBeCloseTo(total + 1, 6);
            const jacket = cut.marks.find((m) => m.id === 'jacket' || (m.id === 'outerSheath' && cut.armour));
            const end = cut.marks.find((m) => m.id === 'armour');
            if (jacket && end) expect(jacket.atMm - end.atMm).toBeCloseTo(cut.armour?.mm ?? NaN, 6);
            expect(sentences(cut)).toEqual([]);
            const put = cutWords(cut);
            for (const words of [
              ...put.marks.map((m) => m.guard.reason),
              ...put.workings.map((w) => w.label),
            ])
              expect(words).toMatch(/^(?!.*(undefined|null|NaN|\[object)).{4,}$/);
          }
          expect(mm.value.armour?.minMm).toBe(inch.value.armour?.minMm);
          expect(mm.value.marks.map((m) => m.guard.maxDepthMm)).toEqual(
            inch.value.marks.map((m) => m.guard.maxDepthMm),
          );
        }
      }
    }
  });
});
