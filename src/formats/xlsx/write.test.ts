import readXlsxFile from 'read-excel-file/node';
import { writeXlsx } from './write';

const ROWS = [
  ['part', 'needed'],
  ['RW2-25-B', 3],
  ['=1+1', 0],
];

it('is read by another reader as it was written: numbers as numbers, text as text, formulas as text', async () => {
  const read = await readXlsxFile(Buffer.from(await writeXlsx('Kit', ROWS)));
  expect(read.map((sheet) => sheet.data)).toEqual([ROWS]);
});
