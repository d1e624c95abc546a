import { intervalOf, intervalProblem } from './IntervalField';

it.each([
  ['12,1', '12.4', { min: 12.1, max: 12.4 }, ''],
  ['12.1', '', { min: 12.1, max: 12.1 }, ''],
  ['', '', null, ''],
  ['', '12', null, 'the smallest is missing'],
  ['13', '12', null, 'the largest is below the smallest'],
  ['0', '12', null, 'must be more than 0 mm'],
  ['-1', '', null, 'must be more than 0 mm'],
  ['wide', '12', null, 'is no number'],
  ['12', 'wide', null, 'is no number'],
])('smallest “%s”, largest “%s”', (min, max, interval, problem) => {
  expect(intervalOf({ min, max })).toEqual(interval);
  expect(intervalProblem({ min, max })).toBe(problem);
});
