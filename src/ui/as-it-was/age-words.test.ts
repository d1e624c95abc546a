import { ageWords, instantWords } from './age-words';

it.each([
  [-5, '1 s'],
  [0, '1 s'],
  [1001, '2 s'],
  [59_000, '59 s'],
  [59_001, '1 min 0 s'],
  [60_001, '1 min 1 s'],
  [3_599_001, '1 h 0 min'],
  [3_661_000, '1 h 1 min'],
  [86_399_500, '1 d 0 h'],
  [100 * 3_600_000, '4 d 4 h'],
])('an age of %d ms is never said to be less: %s', (ms, words) => expect(ageWords(ms)).toBe(words));

it('an instant is told to the second', () =>
  expect(instantWords('2026-05-04T10:07:09.999Z')).toBe('2026-05-04 10:07:09 UTC'));
