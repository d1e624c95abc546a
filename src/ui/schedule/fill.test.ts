import { FILL_FIELDS, fillRows, isFillField } from './fill';
import type { GridRow } from './grid-columns';

const row = (id: number, note: string): GridRow => ({
  id,
  tag: `K-${id}`,
  type: 'W4-25',
  route: '10',
  note,
  aPlace: '',
  aTail: '',
  aSpare: '',
  bPlace: '',
  bTail: '',
  bSpare: '',
  versions: { cable: 1, A: 1, B: 1 },
});

it('writes one value into a column of all rows but those that have it', () => {
  expect(
    fillRows([row(1, ''), row(2, 'same'), row(3, 'other')], 'note', ' same ').map((r) => [
      r.row.id,
      r.fields,
    ]),
  ).toEqual([
    [1, { note: 'same' }],
    [3, { note: 'same' }],
  ]);
  expect(fillRows([], 'note', 'x')).toEqual([]);
});

it('empties a column as well', () => {
  expect(fillRows([row(1, 'gone')], 'note', '')).toMatchObject([{ fields: { note: '' } }]);
});

it('offers no column of which no two cables may have the same', () => {
  expect(FILL_FIELDS).toEqual(['type', 'route', 'aTail', 'bTail', 'note']);
  for (const field of ['tag', 'aPlace', 'bPlace', 'open', 'versions', ''])
    expect(isFillField(field)).toBe(false);
});
