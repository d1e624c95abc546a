import fc from 'fast-check';
import { crossingDemand, DEFAULT_SPARES, kitOf, kitTable, readStock, sparesOf, type KitDemand } from '.';

const gland = (part: string) => ({ part, kind: 'gland' as const, name: 'gland' });
const washer = { part: 'SW-25', kind: 'accessory' as const, name: 'sealing washer' };
const DEMANDS: KitDemand[] = [
  { area: 'Still house', user: 'K-1/A', parts: [gland('RW2-25-B'), washer] },
  { area: 'Still house', user: 'K-2/A', parts: [gland('RW2-25-B'), washer] },
  { area: 'Cask store', user: 'K-2/B', parts: [gland('AY3-9-N'), gland('AY3-9-N')] },
  {
    area: 'Cask store',
    user: 'JB-1/E4',
    parts: [{ part: 'BP-20', kind: 'blankingPlug', name: 'blanking plug' }],
  },
];

it('counts parts by job and by area, glands first', () => {
  const kit = kitOf(DEMANDS, { percent: 0, minimum: 0 });
  expect(kit.areas).toEqual(['Cask store', 'Still house']);
  expect(kit.lines.map((l) => [l.part, l.needed, l.byArea])).toEqual([
    ['AY3-9-N', 2, [2, 0]],
    ['RW2-25-B', 2, [0, 2]],
    ['SW-25', 2, [0, 2]],
    ['BP-20', 1, [1, 0]],
  ]);
});

it.each([
  [0, 5, 1, 0],
  [1, 5, 1, 1],
  [20, 5, 1, 1],
  [21, 5, 1, 2],
  [20, 0, 0, 0],
  [40, 5, 3, 3],
  [100, 5, 3, 5],
])('of %d needed, %d %% but at least %d: %d spare', (needed, percent, minimum, spare) =>
  expect(sparesOf(needed, { percent, minimum })).toBe(spare),
);

it('says what is short against the stock; a part that is not there counts as none', () => {
  const kit = kitOf(
    DEMANDS,
    DEFAULT_SPARES,
    new Map([
      ['RW2-25-B', 2],
      ['SW-25', 50],
    ]),
  );
  expect(kit.lines.map((l) => [l.part, l.total, l.stock, l.short])).toEqual([
    ['AY3-9-N', 3, 0, 3],
    ['RW2-25-B', 3, 2, 1],
    ['SW-25', 3, 50, 0],
    ['BP-20', 2, 0, 2],
  ]);
  expect(kitOf(DEMANDS, DEFAULT_SPARES).lines.every((l) => l.stock === null && l.short === null)).toBe(true);
});

it('loses nothing in the table', () => {
  fc.assert(
    fc.property(fc.array(fc.constantFrom(...DEMANDS), { maxLength: 40 }), (demands) => {
      const kit = kitOf(demands, DEFAULT_SPARES);
      const all = demands.reduce((n, d) => n + d.parts.length, 0);
      expect(kit.lines.reduce((n, l) => n + l.needed, 0)).toBe(all);
      for (const l of kit.lines) expect(l.byArea.reduce((a, b) => a + b, 0)).toBe(l.needed);
      const [head, ...rows] = kitTable(kit);
      for (const row of rows) expect(row).toHaveLength(head?.length ?? 0);
    }),
  );
});

describe('a stock file', () => {
  const COLUMNS = ['bin', 'part', 'quantity'];
  const row = (part: string, quantity: string) => ({ bin: '3', part, quantity });
  it('adds up what stands twice and passes over other columns', () =>
    expect(readStock(COLUMNS, [row('SW-25', '4'), row('SW-25', '6'), row('', '')])).toEqual({
      ok: true,
      value: new Map([['SW-25', 10]]),
    }));
  it.each([
    [['part', 'count'], [], 'line 1'],
    [COLUMNS, [row('SW-25', 'many')], 'line 2'],
    [COLUMNS, [row('SW-25', '1'), row('SW-25', '-1')], 'line 3'],
    [COLUMNS, [row('', '3')], 'line 2'],
    [[], [], 'line 1'],
  ])('names the line: %j %j', (columns, rows, path) => {
    const read = readStock(columns, rows);
    expect(read.ok ? null : read.problems[0]?.path).toBe(path);
  });
});

it('takes in what crossings need, behind the parts of terminations; lengths in their own unit', () => {
  const kit = kitOf(
    [
      crossingDemand('crossing X-4', [
        { id: 'ST-3', what: 'strip', count: 1360, unit: 'mm' },
        { id: 'BF-10', what: 'blank filler sleeve', count: 9, unit: 'piece' },
      ]),
      crossingDemand('crossing X-7', [{ id: 'ST-3', what: 'strip', count: 640, unit: 'mm' }]),
      ...DEMANDS,
    ],
    DEFAULT_SPARES,
  );
  expect(kit.lines.slice(-2).map((l) => [l.part, l.name, l.needed, l.total, l.users])).toEqual([
    ['BF-10', 'blank filler sleeve', 9, 10, ['crossing X-4']],
    ['ST-3', 'strip, mm', 2000, 2100, ['crossing X-4', 'crossing X-7']],
  ]);
  expect(kit.areas).toContain('Crossings');
});
