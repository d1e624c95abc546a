import demo from '../../../examples/catalogue/demo.json';
import { missingForProcedure, readCatalogue, type CatalogueFile } from '.';

type Json = Record<string, unknown>;
const copy = (): CatalogueFile => structuredClone(demo) as unknown as CatalogueFile;
const problems = (change: (file: CatalogueFile) => void) => {
  const file = copy();
  change(file);
  const read = readCatalogue(file);
  return read.ok ? [] : read.problems;
};

describe('the demo catalogue', () => {
  const read = readCatalogue(demo);
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  const { families, adaptors } = read.value;

  it('has two families of seven sizes and three adaptors', () => {
    expect(families.map((f) => [f.code, f.sizes.length])).toEqual([
      ['RW2', 7],
      ['AY3', 7],
    ]);
    expect(adaptors).toHaveLength(3);
  });

  it.each(families.map((f) => [f.code, f] as const))(
    '%s is complete: marks and steps can come from it',
    (_, family) => {
      expect(missingForProcedure(family)).toEqual([]);
    },
  );

  it.each(families.map((f) => [f.code, f] as const))(
    '%s is plausible: neighbours overlap a little, everything grows',
    (_, family) => {
      for (let i = 1; i < family.sizes.length; i += 1) {
        const [a, b] = [family.sizes[i - 1], family.sizes[i]];
        if (!a?.outerSeal || !b?.outerSeal || !a.innerSeal || !b.innerSeal) throw new Error('ranges');
        for (const key of ['outerSeal', 'innerSeal'] as const) {
          const overlap = (a[key]?.max ?? 0) - (b[key]?.min ?? 0);
          expect(overlap).toBeGreaterThan(0);
          expect(overlap).toBeLessThan(3);
        }
        expect(b.hexFlatsMm).toBeGreaterThan(a.hexFlatsMm);
        expect(b.innerLengthMm).toBeGreaterThan(a.innerLengthMm);
        expect(b.hexCornersMm).toBeGreaterThan(b.hexFlatsMm);
        expect(b.outerSeal.min).toBeGreaterThan(b.innerSeal.min);
      }
    },
  );

  it('keeps printed inches that are not conversions', () => {
    const printed = families.flatMap((f) => f.sizes.map((s) => s.outerSeal)).filter((r) => r !== undefined);
    expect(printed.every((r) => r.inMin !== undefined && r.inMax !== undefined)).toBe(true);
    expect(printed.some((r) => Math.abs(Number(r.inMin) * 25.4 - r.min) > 0.15)).toBe(true);
  });
});

describe('readCatalogue', () => {
  it.each([
    [
      'a range upside down',
      (f: CatalogueFile) => Object.assign(f.families[0]?.sizes[2]?.outerSeal ?? {}, { min: 30 }),
      'families[0].sizes[2].outerSeal.max',
      24.2,
    ],
    [
      'text in a number',
      (f: CatalogueFile) => Object.assign(f.families[0] ?? {}, { emergenceMm: '8' }),
      'families[0].emergenceMm',
      '8',
    ],
    [
      'an unknown armour',
      (f: CatalogueFile) => Object.assign(f.families[1]?.accepts ?? {}, { armour: ['rope'] }),
      'families[1].accepts.armour[0]',
      'rope',
    ],
    [
      'a stage without its figure',
      (f: CatalogueFile) =>
        Object.assign(f.families[0]?.stages[0] ?? {}, { method: { kind: 'torque', torqueNm: 3 } }),
      'families[0].stages[0].method',
      undefined,
    ],
    [
      'a size that stands twice',
      (f: CatalogueFile) => Object.assign(f.families[0]?.sizes[1] ?? {}, { code: 'RW2-16' }),
      'families[0].sizes[1].code',
      'RW2-16',
    ],
    [
      'a stage that turns a part that is not there',
      (f: CatalogueFile) => Object.assign(f.families[0]?.stages[1] ?? {}, { member: 'wingNut' }),
      'families[0].stages[1].member',
      'wingNut',
    ],
    [
      'a look after a stage that is not there',
      (f: CatalogueFile) => Object.assign(f.families[0]?.makeOff ?? {}, { clampStage: 'squeeze' }),
      'families[0].makeOff.clampStage',
      'squeeze',
    ],
  ])('names path and value of %s', (_, change, path, value) => {
    const found = problems(change).find((p) => p.path === path);
    expect(found).toBeDefined();
    if (value !== undefined) expect(found?.value).toBe(value);
  });

  it('refuses keys it does not know, so that a slip of the pen is not lost', () => {
    expect(problems((f) => Object.assign(f.families[0] ?? {}, { emergenceMM: 9 })).length).toBeGreaterThan(0);
  });

  it.each([null, [], 'x', 3, {}])('refuses %p', (json) => expect(readCatalogue(json).ok).toBe(false));
});

describe('completeness', () => {
  const family = (change: (f: Json) => void) => {
    const found = structuredClone(demo.families[0]) as unknown as Json;
    change(found);
    return missingForProcedure(found as never).map((p) => p.path);
  };
  it.each([
    ['no stages', (f: Json) => Object.assign(f, { stages: [] }), 'stages'],
    [
      'no slide-on order',
      (f: Json) => Object.assign(f, { parts: (f.parts as Json[]).map(({ slideOn: _, ...p }) => p) }),
      'parts',
    ],
    ['a cut that is not built', (f: Json) => Object.assign(f, { cutKind: 'metalClad' }), 'cutKind'],
    ['nothing to look for', (f: Json) => Object.assign(f.makeOff as Json, { checks: [] }), 'makeOff.checks'],
    [
      'an armour length missing',
      (f: Json) => Object.assign((f.sizes as Json[])[3] ?? {}, { armourLengths: [] }),
      'sizes[3].armourLengths',
    ],
    [
      'a spanner missing',
      (f: Json) =>
        Object.assign((f.sizes as Json[])[0] ?? {}, { spanners: { entryComponent: 24, middleNut: 24 } }),
      'sizes[0].spanners',
    ],
  ])('makes a family plan only for %s', (_, change, path) => expect(family(change)).toContain(path));
});
