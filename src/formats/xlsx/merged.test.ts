import readWorkbook from 'read-excel-file/node';
import writeXlsxFile from 'write-excel-file/node';
import { mapGrid, guessMapping } from '@/core/spreadsheet';
import { readSheets } from '../sheet/read';
import { filledDown, mergedCells } from './merged';

const cell = (value: string, more: object = {}) => ({ value, type: String, ...more });

async function book(): Promise<Uint8Array> {
  const file = writeXlsxFile(
    [
      [cell('Made-up office & co', { span: 4 }), null, null, null],
      [],
      [cell('Cable tag'), cell('Type'), cell('Box'), cell('Entry')],
      [cell('P-1', { rowSpan: 2 }), cell('4x25mm2 SWA', { rowSpan: 2 }), cell('MCC'), cell('1')],
      [null, null, cell('JB'), cell('2')],
      [cell('P-2', { rowSpan: 2 }), cell('3x10 SWA', { rowSpan: 2 }), cell('MCC'), cell('3')],
      [null, null, cell('JB'), cell('4')],
    ],
    { sheet: 'A & "B"' },
  );
  return new Uint8Array(await file.toBuffer());
}

it('finds merged cells under the name of their sheet', async () => {
  const merged = mergedCells(await book());
  expect([...merged.keys()]).toEqual(['A & "B"']);
  expect(merged.get('A & "B"')).toEqual(
    expect.arrayContaining([
      { top: 0, left: 0, bottom: 0, right: 3 },
      { top: 3, left: 0, bottom: 4, right: 0 },
    ]),
  );
});

it('gives both rows of a cable the tag and the type that stand over them', async () => {
  const sheets = await readSheets(await book(), (bytes) => readWorkbook(Buffer.from(bytes)));
  if (!sheets.ok) throw new Error(sheets.problems[0]?.message);
  const grid = sheets.value[0]?.grid ?? [];
  expect(grid[4]?.slice(0, 3)).toEqual(['P-1', '4x25mm2 SWA', 'JB']);
  // A title over four columns is one title.
  expect(grid[0]?.filter((c) => c !== '')).toEqual(['Made-up office & co']);
  const mapping = guessMapping(grid);
  expect(mapping.rowsPerCable).toBe(2);
  const table = mapGrid(grid, {
    ...mapping,
    columns: mapping.columns.map((c) => ({ ...c, fillDown: false })),
  });
  expect(table.rows.map((r) => r[table.columns.indexOf('b_entry')])).toEqual(['2', '4']);
});

it('writes over nothing and beyond no end', () => {
  const merged = [
    { top: 0, left: 1, bottom: 900, right: 1 },
    { top: 7, left: 0, bottom: 9, right: 0 },
  ];
  expect(filledDown([['a', 'x'], ['b'], ['c', 'own']], merged)).toEqual([
    ['a', 'x'],
    ['b', 'x'],
    ['c', 'own'],
  ]);
});
