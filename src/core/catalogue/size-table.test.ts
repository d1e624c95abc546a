import { DEMO, DEMO_FILE } from '@/core/testing';
import { catalogueFromTable, diffFamilies, readCatalogue, SIZE_COLUMNS, sizeTable } from '.';

const rows = () => sizeTable(DEMO.families);
const read = (changed: Record<string, string>[]) =>
  catalogueFromTable(changed, DEMO.families, 'typed in', '2026-11-01');

it('comes back as it went out, for every family', () => {
  const back = read(rows());
  if (!back.ok) throw new Error(JSON.stringify(back.problems));
  expect(back.value.families).toEqual(DEMO.families);
  expect(readCatalogue(back.value).ok).toBe(true);
  expect(Object.keys(rows()[0] ?? {})).toEqual([...SIZE_COLUMNS]);
});

it('takes new figures under a new revision and leaves empty cells alone', () => {
  const [first] = rows().filter((r) => r.size === 'RW2-32');
  if (!first) throw new Error('row');
  const back = read([
    {
      family: 'RW2',
      size: 'RW2-32',
      revision: '6',
      issued: '2026-10',
      outer_max: '31,5',
      armour: 'roundWire',
      armour_length_min: '22',
    },
  ]);
  if (!back.ok) throw new Error(JSON.stringify(back.problems));
  const was = DEMO.families.find((f) => f.code === 'RW2');
  const [now] = back.value.families;
  if (!was || !now) throw new Error('family');
  expect(now.sheet).toMatchObject({ revision: '6', issued: '2026-10' });
  expect(diffFamilies(was, now)).toEqual({
    sizesAdded: [],
    sizesRemoved: [],
    changes: [
      { where: 'RW2-32 · outerSeal.max', before: '31.2', after: '31.5' },
      { where: 'RW2-32 · armourLengths[0].minMm', before: '21', after: '22' },
    ],
  });
});

it.each([
  [{ family: 'QQ1', revision: '1', size: 'QQ1-1' }, 'line 2, family'],
  [{ family: 'RW2', revision: '', size: 'RW2-32' }, 'line 2, revision'],
  [{ family: 'RW2', revision: '6', size: 'RW2-33' }, 'line 2, size'],
  [{ family: 'RW2', revision: '6', size: 'RW2-32', outer_max: 'wide' }, 'line 2, outer_max'],
  [{ family: 'RW2', revision: '6', size: 'RW2-32', outer_max: '-3' }, 'line 2, outer_max'],
  [{ family: 'UN1', revision: '7', size: 'UN1-20', inner_min: '3' }, 'line 2, inner_min'],
  [{ family: 'RW2', revision: '6', size: 'RW2-32', armour: 'braid' }, 'line 2, armour'],
])('names line and column of %j', (row, path) => {
  const back = read([row]);
  expect(back.ok ? null : back.problems[0]?.path).toBe(path);
});

it('refuses a table without lines', () => expect(read([]).ok).toBe(false));

describe('diffFamilies', () => {
  const [old, now] = DEMO_FILE.families.filter((f) => f.code === 'YB2');
  if (!old || !now) throw new Error('YB2');
  it('names what one sheet says otherwise than the one before', () => {
    const { changes, sizesAdded, sizesRemoved } = diffFamilies(old, now);
    expect([sizesAdded, sizesRemoved]).toEqual([[], []]);
    expect(changes).toContainEqual({ where: 'stages.backNut.method.turns', before: '0.75', after: '0.6' });
    expect(changes.filter((c) => !/armourLengths|stages\.backNut/.test(c.where)).map((c) => c.where)).toEqual(
      changes.filter((c) => /in(Min|Max)$/.test(c.where)).map((c) => c.where),
    );
  });
  it('names sizes that came and went, and nothing for equal sheets', () => {
    const shorter = { ...now, sizes: now.sizes.slice(1) };
    expect(diffFamilies(now, shorter)).toMatchObject({
      sizesRemoved: ['YB2-050'],
      sizesAdded: [],
      changes: [],
    });
    expect(diffFamilies(shorter, now).sizesAdded).toEqual(['YB2-050']);
    expect(diffFamilies(now, structuredClone(now)).changes).toEqual([]);
  });
});
