import fc from 'fast-check';
import { BOX_TEMPLATES } from '@/core/boxes';
import { ARMOUR_KINDS, MATERIALS } from '@/core/catalogue';
import type { BoxWithEntries } from '@/core/job';
import {
  cableTypeSchema,
  CABLE_LISTINGS,
  readNominal,
  writeNominal,
  type CableType,
  type Enclosure,
} from '@/core/schedule';
import { readCsvGrid } from '@/formats/csv/read';
import { writeCsv } from '@/formats/csv/write';
import { boxTable, guessTypes, readBoxes, readTypes, typeMappingProblems, typeTable, type ReadRow } from '.';

/** As a file, and back. */
const filed = (rows: readonly (readonly string[])[]): string[][] => {
  const [head = [], ...body] = rows;
  const text = writeCsv(
    head,
    body.map((r) => Object.fromEntries(head.map((h, i) => [h, r[i] ?? '']))),
  );
  const grid = readCsvGrid(new TextEncoder().encode(text));
  if (!grid.ok) throw new Error('the file cannot be read');
  return grid.value.map((r) => [...r]);
};
const said = <T>(rows: readonly ReadRow<T>[]): string[] =>
  rows.flatMap((r) => r.problems.map((p) => `${r.line} ${p.path}: ${p.message}`));
const read = (grid: string[][], current = new Map<string, CableType>(), rest: Partial<CableType> = {}) =>
  readTypes(grid, guessTypes(grid), current, rest);

const maybe = <T>(arbitrary: fc.Arbitrary<T>) => fc.option(arbitrary, { nil: undefined });
const words = fc
  .string({ minLength: 1, maxLength: 30 })
  .filter((t) => t.trim() === t && !/[\u0000\r\n]/.test(t));
const cableType = fc
  .record({
    code: words,
    title: words,
    armour: fc.constantFrom(...ARMOUR_KINDS),
    cores: fc.integer({ min: 1, max: 200 }),
    coreSectionMm2: fc.constantFrom(0.5, 1.5, 25, 300),
    jacketed: fc.boolean(),
    innerSheath: fc.boolean(),
    effectivelyFilled: fc.boolean(),
    coldFlow: fc.boolean(),
    screened: fc.boolean(),
    outerSheathThicknessMm: maybe(fc.constantFrom(0.8, 1.825, 2.4)),
    compact: maybe(fc.boolean()),
    armourMaterial: maybe(fc.constantFrom(...MATERIALS)),
    listings: maybe(fc.subarray([...CABLE_LISTINGS])),
    nominal: maybe(
      fc.record({
        outerSheath: fc.record({
          mm: fc.constantFrom(20, 28.4, 33.125),
          toleranceMm: maybe(fc.constantFrom(0, 0.6)),
        }),
      }),
    ),
  })
  .map((t) => JSON.parse(JSON.stringify(t)) as CableType);

const PLAIN: CableType = {
  code: 'P',
  title: 'plain',
  armour: 'roundWire',
  cores: 1,
  coreSectionMm2: 0.5,
  jacketed: false,
  innerSheath: false,
  effectivelyFilled: false,
  coldFlow: false,
  screened: false,
};

it('brings any cable types back from a file as they were', () => {
  fc.assert(
    fc.property(fc.uniqueArray(cableType, { selector: (t) => t.code, maxLength: 8 }), (types) => {
      fc.pre(types.every((t) => cableTypeSchema.isValidSync(t, { strict: true })));
      const rows = read(filed(typeTable(types)));
      expect(said(rows)).toEqual([]);
      expect(rows.map((r) => r.facts)).toEqual(types);
    }),
    // Once found by chance: more semicolons than commas, with a quote and without.
    {
      numRuns: 200,
      examples: [[[{ ...PLAIN, code: '!', title: ';;"' }]], [[{ ...PLAIN, code: ';#', title: ';;#' }]]],
    },
  );
});

const DATASHEET = [
  ['Made-up cable works, table 4', '', '', '', '', ''],
  [
    'Part number',
    'Cores x area',
    'Diameter under bedding (mm)',
    'Wire diameter',
    'Overall diameter (mm)',
    'Weight',
  ],
  ['P-104', '4x25mm2 XLPE/PVC/SWA/PVC', '20,4 ± 0,5', '1.6', '27.8–29.0', '1800'],
  ['P-107', '7 x 2.5 mm² unarmoured', '', '', '14.2', '410'],
  ['', '', '', '', '', ''],
  ['P-109', '3x10', '15', '', 'about 20', '700'],
  ['P-104', '4x25mm2 SWA', '', '', '28', ''],
];

it('reads a table of a datasheet: what it says, what stays on the refusing side, and why not', () => {
  const mapping = guessTypes(DATASHEET);
  expect(mapping).toEqual({
    headerRow: 1,
    columns: ['code', 'construction', 'inner', 'wire', 'outer', null],
    unit: 'mm',
  });
  const rows = readTypes(DATASHEET, mapping, new Map(), {});
  expect(rows[0]?.facts).toMatchObject({
    code: 'P-104',
    title: '4x25mm2 XLPE/PVC/SWA/PVC',
    armour: 'roundWire',
    cores: 4,
    innerSheath: true,
    effectivelyFilled: false,
    coldFlow: true,
    // 27.8 to 29.0: its middle and half of it.
    nominal: {
      innerSheath: { mm: 20.4, toleranceMm: 0.5 },
      armourWire: { mm: 1.6 },
      outerSheath: { mm: 28.4, toleranceMm: 0.6 },
    },
  });
  expect(rows[1]?.facts).toMatchObject({ armour: 'none', cores: 7, nominal: { outerSheath: { mm: 14.2 } } });
  expect(said(rows.slice(2))).toEqual([
    expect.stringMatching(/^6 outer: /),
    '7 code: stands already in line 3',
  ]);
  // Armour that nobody has said is asked for, and may be said for all of them.
  const short = [
    ['code', 'cores', 'section', 'od'],
    ['X', '3', '10', '20'],
  ];
  const asked = { ...guessTypes(short), unit: 'mm' as const };
  expect(said(readTypes(short, asked, new Map()))).toEqual(['2 armour: is not said']);
  expect(readTypes(short, asked, new Map(), { armour: 'braid' })[0]?.facts).toMatchObject({
    armour: 'braid',
  });
});

it('asks for a unit that nobody has said, and takes inches for inches', () => {
  const bare = [
    ['code', 'cores', 'section', 'overall diameter'],
    ['X', '3', '10', '0.8'],
  ];
  expect(typeMappingProblems(guessTypes(bare)).map((p) => p.path)).toEqual(['unit']);
  const inches = readTypes(bare, { ...guessTypes(bare), unit: 'in' }, new Map(), { armour: 'none' });
  expect(inches[0]?.facts?.nominal?.outerSheath).toEqual({ mm: 20.32 });
});

it('leaves what a table does not say of a type that is there, and takes away what it says is not known', () => {
  const [was] = read(filed(typeTable([{ ...NEW, compact: true, nominal: { outerSheath: { mm: 30 } } }])));
  const current = new Map([[NEW.code, was?.facts ?? NEW]]);
  const [kept] = read(
    [
      ['code', 'armour', 'cores'],
      ['X', 'tape', '5'],
    ],
    current,
  );
  expect(kept?.facts).toEqual({ ...was?.facts, armour: 'tape', cores: 5 });
  const [gone] = read(
    [
      ['code', 'armour', 'cores', 'compact', 'outer'],
      ['X', 'tape', '5', '', ''],
    ],
    current,
  );
  expect(gone?.facts).toEqual({ ...NEW, armour: 'tape', cores: 5 });
});

const NEW: CableType = {
  code: 'X',
  title: 'made up',
  armour: 'roundWire',
  cores: 4,
  coreSectionMm2: 25,
  jacketed: true,
  innerSheath: true,
  effectivelyFilled: false,
  coldFlow: true,
  screened: false,
};

it.each([
  [{ outerSheath: { mm: 20 }, innerSheath: { mm: 21 } }, /cannot lie inside/],
  [{ outerSheath: { mm: 20 }, innerSheath: { mm: 18 }, armourWire: { mm: 1.6 } }, /measure again/],
  [{ outerSheath: { mm: 200 } }, /150/],
  [{ outerSheath: { mm: 20, toleranceMm: 20 } }, /as large as/],
])('refuses diameters of a datasheet that no such cable has: %j', (nominal, words) => {
  expect(() => cableTypeSchema.validateSync({ ...NEW, nominal }, { strict: true })).toThrow(words);
});

it.each([
  ['28.4', { mm: 28.4 }],
  ['28,4 mm ± 0,6', { mm: 28.4, toleranceMm: 0.6 }],
  ['27.8 - 29 mm', { mm: 28.4, toleranceMm: 0.6 }],
  ['1 1/8 in', { mm: 28.575 }],
  ['1-1/8"', { mm: 28.575 }],
  ['1.1 to 1.2 in', { mm: 29.21, toleranceMm: 1.27 }],
])('reads the diameter %s and writes it so that it reads back', (text, is) => {
  expect(readNominal(text)).toEqual({ ok: true, value: is });
  expect(readNominal(writeNominal(is))).toEqual({ ok: true, value: is });
});

it.each(['', 'abt. 28', '29–28', '28 ± 1 ± 2', '27–29 ± 1', '-3', '28 ±'])(
  'refuses the diameter %j',
  (text) => expect(readNominal(text).ok).toBe(false),
);

const [, template] = BOX_TEMPLATES;
if (template === undefined) throw new Error('there is a template');
const BOX: Enclosure = { tag: 'JB-1', title: '=made "up", box', ...template.facts };
const BOXES: BoxWithEntries[] = [
  {
    area: 'yard',
    box: { ...BOX, zone: 1, gasGroup: 'IIC', dustGroup: null, temperatureClass: 'T4', wet: false },
    entries: [
      {
        label: 'E1',
        kind: 'threaded',
        thread: { form: 'metric', size: 'M25', pitchMm: 1.5 },
        holeMm: null,
        wallMm: 4.25,
        chamferMm: 0.5,
      },
      {
        label: 'E2',
        kind: 'threaded',
        thread: { form: 'npt', size: '3/4', pitchMm: 1.9 },
        holeMm: null,
        wallMm: 4,
        chamferMm: 0,
        taperedTurns: 5.5,
      },
      { label: '3', kind: 'clearance', thread: null, holeMm: 20.5, wallMm: 4, chamferMm: 0, plugIn: true },
    ],
  },
  {
    area: '',
    box: { ...BOX, tag: 'JB-2', zone: null, hazardClass: 'I', division: 2, classGroup: 'D' },
    entries: [],
  },
];

it('brings boxes with their entries back from a file as they were, also what is known not to be', () => {
  const back = readBoxes(filed(boxTable(BOXES)), new Map());
  expect(back.ok && said(back.value.rows)).toEqual([]);
  expect(back.ok && back.value.boxes).toEqual(BOXES);
});

const boxes = (rows: string[][], current = new Map<string, BoxWithEntries>()) => {
  const table = readBoxes(rows, current);
  if (!table.ok) throw new Error(table.problems[0]?.message);
  return table.value;
};

it('adds to a box that is there by naming it and its holes alone, and keeps a box out as a whole when a row of it is not in order', () => {
  const current = new Map(BOXES.map((b) => [b.box.tag, b]));
  const added = boxes(
    [
      ['box', 'entry', 'hole', 'wall_mm', 'chamfer_mm', 'colour'],
      ['JB-2', 'E1', 'M20', '4', '0', 'grey'],
    ],
    current,
  );
  expect(added.unknownColumns).toEqual(['colour']);
  expect(added.boxes).toEqual([
    {
      ...BOXES[1],
      entries: [
        {
          label: 'E1',
          kind: 'threaded',
          thread: { form: 'metric', size: 'M20', pitchMm: 1.5 },
          holeMm: null,
          wallMm: 4,
          chamferMm: 0,
        },
      ],
    },
  ]);
  const broken = boxes(
    [
      ['box', 'entry', 'hole', 'wall_mm', 'chamfer_mm'],
      ['JB-2', 'E1', 'M20', '1,250', '0'],
      ['JB-2', 'E1', 'M20', '4', ''],
      ['JB-9', '', '', '', ''],
    ],
    current,
  );
  expect(broken.boxes).toEqual([]);
  expect(said(broken.rows)[0]).toBe(
    '2 wall_mm: may be meant either way: write it with a point, or without a sign',
  );
  expect(said(broken.rows)[1]).toBe('3 chamfer_mm: is not said');
  // A new box says all that has to be known of one.
  expect(said(broken.rows)).toContain('4 concept: is not said');
  expect(() => boxes([['tag'], ['JB-1']])).toThrow(/headed “box”/);
});
