import fc from 'fast-check';
import { validate } from '@/core/kernel';
import { cableSection, cableTypeSchema, typeGaps, type CableType } from '.';

const TYPE: CableType = {
  code: 'x',
  title: 'x',
  armour: 'roundWire',
  cores: 4,
  coreSectionMm2: 25,
  jacketed: true,
  innerSheath: true,
  effectivelyFilled: false,
  coldFlow: true,
  screened: false,
};

it('draws no core over another, all inside the bedding, and layers one upon the other, whatever the cable', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 200 }),
      fc.constantFrom(0.5, 2.5, 25, 300),
      fc.constantFrom('roundWire', 'none', 'corrugated', 'braid'),
      fc.boolean(),
      (cores, coreSectionMm2, armour, innerSheath) => {
        const {
          rings,
          cores: laid,
          outerMm,
        } = cableSection({ ...TYPE, cores, coreSectionMm2, armour, innerSheath });
        expect(laid).toHaveLength(cores);
        const inside = (rings[0]?.outsideMm ?? 0) / 2;
        const out = laid.map((a) => Math.hypot(a.x, a.y) + a.r - inside);
        const over = laid.flatMap((a, i) =>
          laid.slice(i + 1).map((b) => a.r + b.r - Math.hypot(a.x - b.x, a.y - b.y)),
        );
        expect(Math.max(...out)).toBeLessThanOrEqual(1e-6);
        expect(Math.max(0, ...over)).toBeLessThanOrEqual(1e-6);
        rings.forEach((ring, i) => expect(ring.insideMm).toBeCloseTo(rings[i - 1]?.outsideMm ?? 0, 9));
        expect(outerMm).toBeCloseTo(rings[rings.length - 1]?.outsideMm ?? 0, 9);
      },
    ),
    { numRuns: 60 },
  );
});

it('names what is not said of a type, and nothing once it is', () => {
  expect(typeGaps(TYPE).map((g) => g.fact)).toContain('compact or with hollows');
  expect(typeGaps({ ...TYPE, cores: 1 }).map((g) => g.fact)).toContain('single core of an AC circuit');
  const full = {
    ...TYPE,
    compact: true,
    armourMaterial: 'galvanisedSteel' as const,
    listings: [],
    outerSheathThicknessMm: 1.8,
    innerSheathThicknessMm: 1.2,
  };
  expect(cableTypeSchema.isValidSync(full)).toBe(true);
  expect(typeGaps(full)).toEqual([]);
});

it('draws a mineral-insulated cable as bare conductors in a sheath of metal', () => {
  const mineral = cableSection({
    ...TYPE,
    armour: 'none',
    innerSheath: false,
    construction: 'mineralInsulated',
  });
  expect(mineral.rings.map((r) => r.layer)).toEqual(['cores', 'metalSheath']);
  expect(mineral.bare).toBe(true);
  expect(mineral.cores[0]?.conductorMm).toBeCloseTo(Math.sqrt(25 / Math.PI) * 1.07, 1);
  expect(cableSection(TYPE).bare).toBe(false);
});

it('lays earth and pilot cores of a trailing cable into the hollows of its phases, none over another', () => {
  const { cores, rings } = cableSection({
    ...TYPE,
    armour: 'none',
    innerSheath: false,
    jacketed: false,
    construction: 'screenedTrailing',
    cores: 6,
    coreSectionMm2: 50,
    phaseColours: ['BN', 'BK', 'GY'],
    earthCores: 2,
    pilotCores: 1,
  });
  const inside = (rings[0]?.outsideMm ?? 0) / 2;
  expect(cores).toHaveLength(6);
  for (const [i, a] of cores.entries()) {
    expect(Math.hypot(a.x, a.y) + a.r).toBeCloseTo(inside, 6);
    for (const b of cores.slice(i + 1))
      expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeGreaterThanOrEqual(a.r + b.r - 1e-6);
  }
  expect(cores.filter((c) => c.screenFromMm !== undefined)).toHaveLength(3);
});

it.each([
  [{ phaseColours: 'BN' }, /phaseColours/],
  [{ phaseColours: [1, {}, null] }, /phaseColours/],
  [{ earthCores: '2' }, /earthCores/],
  [{ pilotCores: null }, /pilotCores/],
  [{ phaseColours: ['BN', 'bn', 'GY'] }, /names a phase twice/],
  [{ earthCores: 3 }, /are 6, but phases, earth and pilot cores are 7 together/],
  [{ armour: 'braid' }, /neither armour nor bedding/],
])('refuses a trailing cable that is said to be %j, and falls over nothing', (change, words) => {
  const trailing = {
    ...TYPE,
    armour: 'none',
    innerSheath: false,
    construction: 'screenedTrailing',
    cores: 6,
    phaseColours: ['BN', 'BK', 'GY'],
    earthCores: 2,
    pilotCores: 1,
  };
  expect(validate(cableTypeSchema, trailing, true).ok).toBe(true);
  const read = validate(cableTypeSchema, { ...trailing, ...change }, true);
  expect(read.ok ? '' : read.problems.map((p) => `${p.path} ${p.message}`).join('; ')).toMatch(words);
});
