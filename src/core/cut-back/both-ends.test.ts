import { compareEnds } from './both-ends';

const at = (...cores: string[]) => cores.map((core, i) => ({ core, routeMm: 200 + 10 * i }));

it('puts the cores of both ends side by side by their names, whatever their case and order', () => {
  expect(compareEnds(at('L1', 'PE'), at('pe', 'l1'), 2)).toEqual({
    cores: [
      { core: 'L1', aMm: 200, bMm: 210 },
      { core: 'PE', aMm: 210, bMm: 200 },
    ],
    disagree: [],
  });
});

it('names the core that one end calls otherwise, once both list all', () => {
  expect(compareEnds(at('L1', 'L2', 'PE'), at('L1', 'L3', 'PE'), 3).disagree).toEqual(['L2', 'L3']);
});

it('claims nothing of an end that lists none of its cores, or some only', () => {
  expect(compareEnds(at('L1', 'L2'), [], 2)).toEqual({
    cores: [
      { core: 'L1', aMm: 200, bMm: null },
      { core: 'L2', aMm: 210, bMm: null },
    ],
    disagree: [],
  });
  expect(compareEnds(at('L1', 'L2'), at('L1'), 2).disagree).toEqual([]);
  expect(compareEnds([], [], 4)).toEqual({ cores: [], disagree: [] });
});
