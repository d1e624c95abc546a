import { CODE_PROFILES, DEFAULT_PROFILE, readProfile } from '@/core/schedule';
import { withValue } from '../common/with-value';
import { figureGroups } from './figures';

it('shows every group of every shipped profile with its source', () => {
  for (const profile of CODE_PROFILES)
    for (const group of figureGroups(profile)) expect(group.source.length).toBeGreaterThan(5);
  const barrier = figureGroups(DEFAULT_PROFILE).find((g) => g.key === 'barrier');
  expect(barrier?.figures).toEqual([
    { path: ['barrier', 'minLengthM'], words: 'no barrier from this length on, m', value: 3 },
  ]);
});

it('changes one figure and nothing else, and the result is a profile still', () => {
  const changed = withValue(DEFAULT_PROFILE, ['flameproofThreads', 'minAxial', 1, 'mm'], 9);
  expect(changed.flameproofThreads.minAxial).toEqual([
    { upToCm3: 100, mm: 5 },
    { upToCm3: null, mm: 9 },
  ]);
  expect({ ...changed, flameproofThreads: null }).toEqual({ ...DEFAULT_PROFILE, flameproofThreads: null });
  expect(readProfile(changed).ok).toBe(true);
  expect(DEFAULT_PROFILE.flameproofThreads.minAxial[1]?.mm).toBe(8);
});
