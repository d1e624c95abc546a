import { encodeArcs, type Arc } from '@/core/procedure';
import { STATIONS } from '@/core/record';
import { countEnds, slugOf, sumCollars, type AlikeEnds } from '.';

const code = (state: Arc['state'], share = 0): string =>
  encodeArcs(STATIONS.map((station) => ({ station, state, share, result: '' })));
const ends = (n: number, arcs: string, next: string | null = 'measure', blocked = false): AlikeEnds => ({
  arcs,
  next,
  blocked,
  ends: n,
});

it.each([
  ['Köpfe & Kessel, Halle 3', [], 'kopfe-kessel-halle-3'],
  ['  ', [], 'job'],
  ['漢字', [], 'job'],
  ['../../etc', [], 'etc'],
  ['Pump house', ['pump-house', 'pump-house-2'], 'pump-house-3'],
  ['x'.repeat(200), [], 'x'.repeat(36)],
])('calls a job %j in addresses, beside %j', (title, taken, slug) => {
  expect(slugOf(title, new Set(taken))).toBe(slug);
});

it('sums collars: full only where every end is, graver states go first, stations that no end has are not needed', () => {
  expect(sumCollars([]).every((a) => a.state === 'todo' && a.share === 0)).toBe(true);
  expect(sumCollars([ends(3, code('done', 1), null)])[0]).toMatchObject({ state: 'done', share: 1 });
  // 999 of 1,000 are done: nearly full is not full.
  const [nearly] = sumCollars([ends(999, code('done', 1), null), ends(1, code('todo'))]);
  expect(nearly).toMatchObject({ state: 'todo', share: 0.99 });
  const [grave] = sumCollars([
    ends(9, code('done', 1), null),
    ends(1, code('blocked')),
    ends(2, code('hold', 0.5)),
  ]);
  expect(grave?.state).toBe('blocked');
  expect(grave?.share).toBeCloseTo((9 + 2 * 0.5) / 12, 2);
  expect(sumCollars([ends(4, code('notNeeded'))])[0]?.state).toBe('notNeeded');
});

it('counts an end once: blocked before done, done only with nothing next', () => {
  const counted = countEnds([
    ends(5, code('done', 1), null),
    ends(2, code('blocked'), 'choose', true),
    ends(3, code('todo'), 'choose'),
    ends(4, code('waiting', 0.5), 'seal'),
    ends(1, code('hold', 0.5), 'seal'),
  ]);
  expect(counted).toEqual({
    ends: 15,
    done: 5,
    blocked: 2,
    curing: 4,
    next: [
      { station: 'seal', ends: 5 },
      { station: 'choose', ends: 3 },
    ],
  });
});
