import type { GridRow } from './grid-columns';
import { cellsOf, layBlock } from './paste-block';

const row = (id: number, more: Partial<GridRow> = {}): GridRow => ({
  id,
  tag: `K-${id}`,
  type: 'W4-10',
  route: '40',
  note: '',
  aPlace: '',
  aTail: '',
  aSpare: '',
  bPlace: '',
  bTail: '',
  bSpare: '',
  versions: { cable: 1, A: 1, B: 1 },
  ...more,
});
const ROWS = [row(1), row(2, { route: '41.5' }), row(3)];
const value = (result: ReturnType<typeof layBlock>) => {
  if (!result.ok) throw new Error(result.problems[0]?.message);
  return result.value.map(({ row: r, fields }) => [r.tag, fields]);
};

it('reads the lines and cells of a spreadsheet, with either end of line and one after the last', () => {
  expect(cellsOf('a\tb\r\nc\t\r\n')).toEqual([
    ['a', 'b'],
    ['c', ''],
  ]);
  expect(cellsOf('one')).toEqual([['one']]);
});

it('lays a block from the focused cell to the right and down, and leaves out what stays', () => {
  expect(value(layBlock(ROWS, { id: 2, field: 'route' }, '41.5\tMCC-1/P1\n50\tMCC-1/P2\n'))).toEqual([
    ['K-2', { aPlace: 'MCC-1/P1' }],
    ['K-3', { route: '50', aPlace: 'MCC-1/P2' }],
  ]);
  expect(value(layBlock(ROWS, { id: 1, field: 'route' }, '40'))).toEqual([]);
});

it('empties a cell where the block has an empty one, and leaves what a short line does not reach', () => {
  expect(value(layBlock(ROWS, { id: 1, field: 'route' }, '\tBX-1/E1\n42'))).toEqual([
    ['K-1', { route: '', aPlace: 'BX-1/E1' }],
    ['K-2', { route: '42' }],
  ]);
});

it.each([
  ['over the last column', { id: 1, field: 'bTail' }, 'a\tb\tc', /3 columns .* by 1/],
  ['over the last row', { id: 3, field: 'note' }, 'a\nb', /2 rows .* by 1/],
  ['into a column that is not written', { id: 1, field: 'open' }, 'a', /takes no text/],
  ['from a row that is not there', { id: 9, field: 'tag' }, 'a', /takes no text/],
])('refuses a block that runs %s, and writes nothing', (_, at, text, words) => {
  const laid = layBlock(ROWS, at, text);
  expect(laid.ok ? '' : laid.problems[0]?.message).toMatch(words);
});
