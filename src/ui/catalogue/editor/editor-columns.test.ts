import { DEMO } from '@/core/testing';
import { pathName, sizeColumns, valueAt } from './editor-columns';

it('has a column for every figure of every shipped family, each filled in at least one size', () => {
  for (const family of DEMO.families) {
    const columns = sizeColumns(family);
    expect(new Set(columns.map((c) => pathName(c.path))).size).toBe(columns.length);
    for (const c of columns) expect(family.sizes.some((s) => valueAt(s, c.path) !== undefined)).toBe(true);
  }
});

it('names groups by what they hold', () => {
  const ay3 = DEMO.families.find((f) => f.code === 'AY3');
  if (!ay3) throw new Error('AY3');
  expect([...new Set(sizeColumns(ay3).map((c) => c.group))]).toEqual([
    'Outer seal',
    'Inner seal',
    'Ring coarse',
    'Ring fine',
    'Ring flat',
    'Armour length, round wire or tape',
    'Armour length, braid',
    'Entry',
    'Body',
  ]);
});

it('reads at a path, nothing where nothing is, and names it as problems do', () => {
  const value = { sizes: [{ rings: [{ range: { min: 1 } }] }] };
  const path = ['sizes', 0, 'rings', 0, 'range', 'min'];
  expect(valueAt(value, path)).toBe(1);
  expect(valueAt(value, ['sizes', 3, 'rings'])).toBeUndefined();
  expect(pathName(path)).toBe('sizes[0].rings[0].range.min');
});
