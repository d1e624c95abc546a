import { CODE_PROFILES, DEFAULT_PROFILE } from '@/core/schedule';
import { figureGroups } from './figures';

it('shows every group of every shipped profile with its source', () => {
  for (const profile of CODE_PROFILES)
    for (const group of figureGroups(profile)) expect(group.source.length).toBeGreaterThan(5);
  const barrier = figureGroups(DEFAULT_PROFILE).find((g) => g.key === 'barrier');
  expect(barrier?.figures).toEqual([
    { path: ['barrier', 'minLengthM'], words: 'no barrier from this length on, m', value: 3 },
  ]);
});

it('calls every figure by its words, those of a list with their line', () => {
  const threads = figureGroups(DEFAULT_PROFILE).find((g) => g.key === 'flameproofThreads');
  expect(threads?.figures.map((f) => f.words)).toEqual([
    'full threads at least',
    '1. free volume up to, cm³',
    '1. axial engagement at least, mm',
    '2. free volume up to, cm³',
    '2. axial engagement at least, mm',
  ]);
});
