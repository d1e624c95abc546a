import demo from '../../../examples/catalogue/demo.json';
import { DEMO } from '@/core/testing';
import {
  hasOwnFigures,
  sheetsInForce,
  inForce,
  missingForProcedure,
  purposeOf,
  readCatalogue,
  type CatalogueFile,
} from '.';

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

  it('are typed in whole where a sheet has a pot, a plate or a ladder', () => {
    const whole = inForce(families).filter(hasOwnFigures);
    expect(whole.map((f) => f.code)).toEqual(['MS4', 'DC6', 'JC6', 'CT3', 'CT4']);
  });

  it('has eighteen families of six to nine sizes, one of them in two revisions', () => {
    expect([...new Set(families.map((f) => f.code))]).toHaveLength(18);
    expect(families.every((f) => f.sizes.length >= 6 && f.sizes.length <= 9)).toBe(true);
    expect(families.filter((f) => f.code === 'YB2').map((f) => f.sheet.revision)).toEqual(['3', '4']);
    expect(adaptors.length).toBeGreaterThanOrEqual(3);
  });

  it('differs between the revisions of YB2 in strip groups and in the last turn only', () => {
    const [old, now] = families.filter((f) => f.code === 'YB2');
    if (!old || !now) throw new Error('YB2');
    const strips = (f: typeof old) => new Set(f.sizes.map((s) => JSON.stringify(s.armourLengths))).size;
    expect([strips(old), strips(now)]).toEqual([2, 3]);
    const last = (f: typeof old) => f.stages[f.stages.length - 1]?.method.turns;
    expect([last(old), last(now)]).toEqual([0.75, 0.6]);
    expect(now.sizes.map((s) => s.outerSeal?.min)).toEqual(old.sizes.map((s) => s.outerSeal?.min));
    expect(DEMO.families.filter((f) => f.code === 'YB2')).toEqual([now]);
  });

  it('has one sheet of transit frames: nine modules, two of them for rounded corners, and eight frames', () => {
    const [sheet] = read.value.frameSheets ?? [];
    expect(sheet?.modules.filter((m) => m.corner)).toHaveLength(2);
    expect([sheet?.modules.length, sheet?.frames.length]).toEqual([9, 8]);
    expect(new Set(sheet?.frames.map((f) => f.openings.length))).toEqual(new Set([1, 2, 3]));
    expect(new Set(sheet?.frames.flatMap((f) => f.openings.map((o) => o.height)))).toHaveProperty('size', 3);
    expect(
      sheet?.frames.every((f) => f.openings.every((o) => o.plateId && o.press.id && o.press.bolts)),
    ).toBe(true);
  });

  it('puts the later sheet in force, whichever stands first', () => {
    const [old, now] = families.filter((f) => f.code === 'YB2');
    if (!old || !now) throw new Error('YB2');
    expect(inForce([now, old])).toEqual([now]);
  });

  it('covers every purpose', () =>
    expect([...new Set(families.map(purposeOf))].sort()).toEqual([
      'barrier',
      'coupler',
      'inLine',
      'mineralSeal',
      'ownClamp',
      'plain',
      'plugIn',
      'sealingFitting',
    ]));

  it.each(families.map((f) => [`${f.code} revision ${f.sheet.revision}`, f] as const))(
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
        if (!a || !b) throw new Error('sizes');
        for (const key of ['outerSeal', 'innerSeal'] as const) {
          if (!a[key] || !b[key]) continue;
          const overlap = (a[key]?.max ?? 0) - (b[key]?.min ?? 0);
          // Gaskets of couplers go up in steps: where one series ends the next begins.
          if (a.coupler) expect(overlap).toBe(0);
          else expect(overlap).toBeGreaterThan(0);
          expect(overlap).toBeLessThan(3);
        }
        expect(b.hexFlatsMm).toBeGreaterThan(a.hexFlatsMm);
        expect(b.innerLengthMm).toBeGreaterThan(a.innerLengthMm);
        expect(b.hexCornersMm).toBeGreaterThan(b.hexFlatsMm);
        if (b.outerSeal && b.innerSeal) expect(b.outerSeal.min).toBeGreaterThan(b.innerSeal.min);
        if (a.chamber && b.chamber)
          expect(b.chamber.maxOverCoresMm).toBeGreaterThan(a.chamber.maxOverCoresMm);
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
      24.6,
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
      (f: CatalogueFile) => Object.assign(f.families[0]?.sizes[1] ?? {}, { code: 'RW1-16' }),
      'families[0].sizes[1].code',
      'RW1-16',
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
    [
      'metal-clad cable without its earthing ring',
      (f: Json) => Object.assign(f, { cutKind: 'metalClad' }),
      'parts',
    ],
    [
      'nothing that tightens again after the look',
      (f: Json) => Object.assign(f, { stages: (f.stages as Json[]).slice(0, 2) }),
      'stages',
    ],
    [
      'an entry stage out of the order of its procedure',
      (f: Json) => Object.assign(f, { procedureKind: 'madeOffFirst' }),
      'stages',
    ],
    [
      'a plug-in body without its insert',
      (f: Json) => Object.assign(f, { cutKind: 'plugIn' }),
      'sizes[0].insert',
    ],
    ['nothing to look for', (f: Json) => Object.assign(f.makeOff as Json, { checks: [] }), 'makeOff.checks'],
    [
      'an armour length missing',
      (f: Json) => Object.assign((f.sizes as Json[])[3] ?? {}, { armourLengths: [] }),
      'sizes[3].armourLengths',
    ],
    [
      'a spanner missing',
      (f: Json) => Object.assign((f.sizes as Json[])[0] ?? {}, { spanners: { entryComponent: 24 } }),
      'sizes[0].spanners',
    ],
  ])('makes a family plan only for %s', (_, change, path) => expect(family(change)).toContain(path));

  const other = (code: string, change: (f: Json) => void) => {
    const found = structuredClone(demo.families.find((f) => f.code === code)) as unknown as Json;
    change(found);
    return missingForProcedure(found as never).map((p) => p.path);
  };
  it.each([
    ['a chamber that nothing fills', 'WC4', (f: Json) => delete f.seal, 'seal'],
    [
      'a filling without a chamber',
      'WC4',
      (f: Json) => delete ((f.sizes as Json[])[0] ?? {}).chamber,
      'sizes[0].chamber',
    ],
    [
      'a cure before the filling',
      'WC4',
      (f: Json) => Object.assign(f.seal as Json, { fillAfter: 'reclamp' }),
      'seal.cureAfter',
    ],
    [
      'a sealing fitting without its two cuts',
      'SF7',
      (f: Json) => delete ((f.sizes as Json[])[1] ?? {}).sealingCut,
      'sizes[1].sealingCut',
    ],
    [
      'a first cut that is not before the final one',
      'SF7',
      (f: Json) => Object.assign(((f.sizes as Json[])[1] ?? {}).sealingCut as Json, { firstJacketMm: 190 }),
      'sizes[1].sealingCut.firstJacketMm',
    ],
  ])('makes a family plan only for %s', (_, code, change, path) =>
    expect(other(code, change)).toContain(path),
  );
});

describe('sheets of transit frames', () => {
  const sheetIn = (file: CatalogueFile) => {
    const [sheet] = file.frameSheets ?? [];
    if (!sheet) throw new Error('sheet');
    return sheet;
  };
  const openingIn = (file: CatalogueFile, frame: number) => {
    const [opening] = sheetIn(file).frames[frame]?.openings ?? [];
    if (!opening) throw new Error('opening');
    return opening;
  };
  const paths = (change: (file: CatalogueFile) => void) => problems(change).map((p) => p.path);

  it('name what stands twice, a corner module that is none, and an opening without height', () => {
    expect(paths((f) => sheetIn(f).modules.push(...sheetIn(f).modules.slice(0, 1)))).toEqual([
      'frameSheets[0].modules[9].id',
    ]);
    expect(paths((f) => (openingIn(f, 6).cornerModule = 'TM-12'))).toEqual([
      'frameSheets[0].frames[6].openings[0].cornerModule',
    ]);
    expect(paths((f) => (openingIn(f, 0).height = 0))).toEqual([
      'frameSheets[0].frames[0].openings[0].height',
    ]);
    expect(paths((f) => f.frameSheets?.push({ ...sheetIn(f) }))).toEqual(['frameSheets[1].code']);
  });

  it('may come in alone, but a file with nothing in it may not', () => {
    expect(paths((f) => (f.families = []))).toEqual([]);
    expect(
      problems((f) => {
        f.families = [];
        f.frameSheets = [];
        f.plugSheets = f.sleeveSheets = f.wrapSheets = [];
        f.adaptors = [];
        f.accessories = [];
        f.compounds = [];
      }).map((p) => p.message),
    ).toEqual(['holds nothing: no family, no part, no compound, no sheet of crossings']);
  });

  it('are in force by date of issue, one of each code', () => {
    const a = sheetIn(copy());
    const b = { ...a, sheet: { ...a.sheet, revision: 'B', issued: '2026-08' } };
    const late = { ...a, sheet: { ...a.sheet, revision: 'old', issued: '2025-01' } };
    expect(sheetsInForce([a, b, late])).toEqual([b]);
  });
});

describe('sheets of soft seals', () => {
  const found = (change: (f: CatalogueFile) => void) => {
    const file = structuredClone(demo) as CatalogueFile;
    change(file);
    const read = readCatalogue(file);
    return read.ok ? [] : read.problems.map((p) => `${p.path} ${p.message}`);
  };
  const sleeves = (f: CatalogueFile) =>
    f.sleeveSheets?.[0] ??
    (() => {
      throw new Error('sheet');
    })();

  it.each<[string, (f: CatalogueFile) => void, string]>([
    [
      'a part that stands twice',
      (f) => sleeves(f).fillers.push({ id: 'BF-10', outerMm: 11 }),
      'sleeveSheets[0].fillers names a part twice',
    ],
    [
      'a revision that stands twice',
      (f) => f.sleeveSheets?.push(sleeves(f)),
      'sleeveSheets[1].code stands already at sleeveSheets[0].code',
    ],
    [
      'an open time that falls in temperature',
      (f) => void sleeves(f).sealant.openTime?.reverse(),
      'sleeveSheets[0].sealant.openTime do not rise in temperature',
    ],
    ['a share over the whole', (f) => (sleeves(f).maxOpenShare = 1.1), 'sleeveSheets[0].maxOpenShare'],
  ])('are refused with %s', (_, change, said) => {
    expect(found(change).join('; ')).toContain(said);
  });

  it('may come in alone', () => {
    expect(
      found((f) => {
        f.families = [];
        f.frameSheets = f.plugSheets = f.wrapSheets = [];
      }),
    ).toEqual([]);
  });
});
