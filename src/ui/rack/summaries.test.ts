import type { SummaryView } from '@/core/termination-view';
import { filterSummaries, stationPath } from './summaries';

const row = (cable: string, more: Partial<SummaryView> = {}): SummaryView => ({
  cable,
  end: 'A',
  enclosure: 'SP-1',
  title: 'Still pump 1',
  area: 'Still house',
  type: 'W4-10',
  arcs: 't0t0t0t0t0t0t0',
  next: { station: 'cut', action: 'armour off' },
  blockedBy: null,
  size: null,
  ...more,
});
const rows = [
  row('K-1'),
  row('K-2', { end: 'B', area: 'Cask store', size: 'RW2-32' }),
  row('K-10', { blockedBy: 'No size fits' }),
];
const found = (filter: string) => filterSummaries(rows, filter).map((r) => `${r.cable}/${r.end}`);

it.each([
  ['', ['K-1/A', 'K-2/B', 'K-10/A']],
  ['k-1', ['K-1/A', 'K-10/A']],
  ['k-1/a', ['K-1/A']],
  ['CASK rw2', ['K-2/B']],
  ['no size', ['K-10/A']],
  ['armour still', ['K-1/A', 'K-2/B', 'K-10/A']],
  ['nothing like it', []],
])('filters by every word of %p, whatever its case', (filter, expected) =>
  expect(found(filter)).toEqual(expected),
);

it('makes addresses that any tag survives', () => {
  expect(stationPath('quill mere', 'K#1 ½?', 'B', 'cut')).toBe('/job/quill%20mere/t/K%231%20%C2%BD%3F/B/cut');
});
