import { readFileSync, readdirSync } from 'node:fs';
import readWorkbook from 'read-excel-file/node';
import {
  guessMapping,
  mapGrid,
  mappingProblems,
  type MappedTable,
  type SheetMapping,
} from '@/core/spreadsheet';
import { readSheets, type Sheet } from './read';

const FOLDER = 'examples/cable-lists';
const workbook = (bytes: Uint8Array) => readWorkbook(Buffer.from(bytes));

async function sheetsOf(file: string): Promise<Sheet[]> {
  const sheets = await readSheets(readFileSync(`${FOLDER}/${file}`), workbook);
  if (!sheets.ok) throw new Error(sheets.problems[0]?.message);
  return sheets.value;
}
async function mapped(file: string, sheet = 0): Promise<{ mapping: SheetMapping; table: MappedTable }> {
  const grid = (await sheetsOf(file))[sheet]?.grid ?? [];
  const mapping = guessMapping(grid);
  return { mapping, table: mapGrid(grid, mapping) };
}
const row = ({ columns, rows }: MappedTable, tag: string) => {
  const found = rows.find((r) => r[columns.indexOf('cable')] === tag);
  return Object.fromEntries(columns.map((c, i) => [c, found?.[i] ?? null]));
};
const told = ({ types }: MappedTable, code: string) => types.find((t) => t.code === code)?.told;
const holeOf = ({ places }: MappedTable, box: string, entry: string) => {
  const place = places.find((p) => p.box === box && p.entry === entry);
  return place?.hole?.thread?.size ?? place?.hole?.holeMm ?? place?.unread ?? null;
};

it('reads every shape that is kept as an example without a hand, but for what it does not say', async () => {
  for (const file of readdirSync(FOLDER)) {
    const { mapping } = await mapped(file, file.includes('ugly') ? 1 : 0);
    expect([file, mappingProblems(mapping).map((p) => p.message)]).toEqual([file, []]);
  }
});

it('reads the plain one: places in one column, metres, a datasheet diameter', async () => {
  const { table } = await mapped('1-plain.csv');
  expect(row(table, 'MP-101')).toEqual({
    cable: 'MP-101',
    type: '4x25mm2 SWA',
    route: '42500 mm',
    note: 'feed pump',
    outer: 'datasheet 28 mm',
    a_enclosure: 'MCC-1',
    a_entry: 'P3',
    b_enclosure: 'PU-1',
    b_entry: 'E1',
  });
  expect(told(table, '4x25mm2 SWA')).toMatchObject({
    cores: 4,
    sectionMm2: 25,
    armour: 'roundWire',
    jacketed: null,
  });
  expect(table.lines).toEqual([2, 3, 4]);
});

it('reads German headings below a title, decimal commas with dots for thousands, and holes', async () => {
  const { table } = await mapped('2-deutsch.csv');
  expect(row(table, 'W-1001')).toMatchObject({ route: '1042500 mm', a_enclosure: 'S01', b_entry: 'E1' });
  expect([holeOf(table, 'KK02', 'E1'), holeOf(table, 'KK02', 'E2')]).toEqual(['M25', 25.5]);
  expect(told(table, '12x1,5 mm² geschirmt')).toMatchObject({
    cores: 12,
    sectionMm2: 1.5,
    armour: null,
    screened: true,
  });
});

it('joins a row for each end, and takes what only one of the two says', async () => {
  const { mapping, table } = await mapped('3-two-rows.csv');
  expect(mapping.rowsPerCable).toBe(2);
  expect(table.rows).toHaveLength(2);
  expect(row(table, 'C-202')).toMatchObject({
    a_enclosure: 'SWBD-1',
    a_entry: 'G2',
    b_enclosure: 'MTR-2',
    route: '12 m',
  });
  expect([holeOf(table, 'SWBD-1', 'G1'), holeOf(table, 'MTR-1', 'E1')]).toEqual(['M40', 'M32']);
  expect(told(table, '3C 16mm2 AWA')).toMatchObject({ armourMaterial: 'aluminium' });
});

it('reads French headings, tabs, and a construction in three columns', async () => {
  const { table } = await mapped('4-francais.tsv');
  expect(row(table, 'F-32')).toMatchObject({
    route: '8000 mm',
    a_enclosure: 'TGBT',
    a_entry: '13',
    b_enclosure: 'PO',
  });
  expect(table.types.map((t) => [t.told.cores, t.told.sectionMm2, t.told.armour])).toEqual([
    [4, 25, 'tape'],
    [3, 2.5, 'none'],
  ]);
});

it('reads feet, fractions of an inch, and tapered threads', async () => {
  const { table } = await mapped('5-divisions.csv');
  // 140 ft · 304.8 = 42,672 mm; 1.02 in · 25.4 = 25.908 mm
  expect(row(table, 'P-7')).toMatchObject({ route: '42672 mm', outer: 'datasheet 25.908 mm' });
  expect(row(table, 'P-8').outer).toBe('1 1/16');
  expect([holeOf(table, 'JB-7', '1'), holeOf(table, 'JB-7', '2')]).toEqual(['3/4', '1 1/4']);
});

it('reads columns in any order, centimetres, and cores apart from section and armour', async () => {
  const { table } = await mapped('6-cores-apart.csv');
  expect(row(table, 'X-2')).toMatchObject({ a_tail: '255 mm', b_enclosure: 'FAN-2', note: '' });
  expect(table.types.map((t) => t.told.armour)).toEqual(['roundWire', 'tape']);
});

it('reads the ugly one: a title over merged cells, headings again, empty lines, totals, and what is no hole said so', async () => {
  const sheets = await sheetsOf('7-ugly.xlsx');
  expect(sheets.map((s) => s.name)).toEqual(['Notes', 'Cables']);
  const { table } = await mapped('7-ugly.xlsx', 1);
  expect(table.lines).toEqual([5, 6, 9, 10, 11, 12]);
  expect(row(table, 'UG-01')).toMatchObject({ a_enclosure: 'MCC-9', a_entry: 'P1', route: '42,5 m' });
  expect(told(table, '4x25mm2 XLPE/PVC/SWA/PVC')).toMatchObject({
    jacketed: true,
    innerSheath: true,
    cores: 4,
  });
  expect(holeOf(table, 'JB-9', 'A')).toBe('PG 21');
  expect(table.places.find((p) => p.entry === 'A')?.hole).toBeNull();
  expect(row(table, 'UG-05').a_enclosure).toBe('');
  expect(table.unplaced).toBe(1);
});

it.each([
  ['nothing', ''],
  ['empty cells', ',,,\n,,\n'],
  ['an old workbook', '\u00d0\u00cf\u0011\u00e0'],
  ['a zip that is none', 'PK\u0003\u0004 not a workbook'],
])('refuses %s', async (_, text) => {
  expect((await readSheets(Buffer.from(text, 'latin1'), workbook)).ok).toBe(false);
});
