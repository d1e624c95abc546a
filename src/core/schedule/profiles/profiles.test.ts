import { canonicalJson } from '@/core/kernel';
import {
  CODE_PROFILES,
  DEFAULT_PROFILE,
  profileFigures,
  profileOrigin,
  readProfile,
  readStoredProfile,
} from '..';

it('ships four profiles that hold by their own schema, each with edition, source and caution', () => {
  expect(CODE_PROFILES.map((p) => p.key)).toEqual([
    'iec-length-filling',
    'iec-flow',
    'division',
    'industrial',
  ]);
  for (const profile of CODE_PROFILES) {
    expect(readProfile(JSON.parse(JSON.stringify(profile)))).toEqual({ ok: true, value: profile });
    expect(profile.edition).toMatch(/:\d{4}$/);
    expect(profile.caution).toMatch(/edition in force|without an explosive atmosphere/);
    expect(profile.barrier.source.length).toBeGreaterThan(10);
  }
});

it('keeps the thread figures with the profile, by their own source', () => {
  const sources = CODE_PROFILES.map((p) => p.flameproofThreads.source);
  expect(new Set(sources).size).toBeGreaterThan(1);
});

it('brings a profile of an earlier release to today’s shape and leaves its figures alone', () => {
  const {
    barrier: _b,
    corrosion: _c,
    cableListing: _l,
    singleCore: _s,
    taperedThreads: _t,
    system: _y,
    edition: _e,
    ...old
  } = DEFAULT_PROFILE;
  const stored = { ...old, key: 'iec-zones', cut: { ...old.cut, kerfMm: 2 } };
  const read = readStoredProfile(JSON.parse(JSON.stringify(stored)));
  expect(read).toMatchObject({ ok: true, value: { cut: { kerfMm: 2 }, barrier: DEFAULT_PROFILE.barrier } });
  // What is no profile is never taken for one.
  for (const wrong of [null, [], 'x', { ...stored, cut: { kerfMm: 'wide' } }, { ...stored, mood: 1 }])
    expect(readStoredProfile(wrong).ok).toBe(false);
});

it('knows a copy from an edited copy, and a stranger', () => {
  expect(profileOrigin(DEFAULT_PROFILE)).toMatchObject({
    edited: false,
    origin: { key: 'iec-length-filling' },
  });
  const edited = { ...DEFAULT_PROFILE, barrier: { ...DEFAULT_PROFILE.barrier, minLengthM: 4 } };
  expect(profileOrigin(edited)).toMatchObject({ edited: true, origin: { key: 'iec-length-filling' } });
  expect(profileOrigin({ ...edited, key: 'ours' })).toEqual({ edited: true, origin: null });
});

it.each([
  ['an unknown rule', { barrier: { ...DEFAULT_PROFILE.barrier, rule: 'coin' } }, 'barrier.rule'],
  ['a negative length', { barrier: { ...DEFAULT_PROFILE.barrier, minLengthM: -1 } }, 'barrier.minLengthM'],
  ['a figure nobody knows', { barrier: { ...DEFAULT_PROFILE.barrier, colour: 3 } }, 'barrier'],
  ['a bad key', { key: 'My Profile' }, 'key'],
  [
    'no threads at all',
    { flameproofThreads: { ...DEFAULT_PROFILE.flameproofThreads, minAxial: [] } },
    'flameproofThreads.minAxial',
  ],
  [
    'an unknown metal',
    { singleCore: { ...DEFAULT_PROFILE.singleCore, ferrous: ['cheese'] } },
    'singleCore.ferrous[0]',
  ],
])('refuses %s at its path', (_, change, path) => {
  const read = readProfile({ ...DEFAULT_PROFILE, ...change });
  expect(read.ok ? [] : read.problems.map((p) => p.path)).toContain(path);
});

describe('profileFigures', () => {
  const of = (change: object) => canonicalJson(profileFigures({ ...DEFAULT_PROFILE, ...change }));
  it('does not change by a name, an edition or a source', () => {
    expect(of({ title: 'Ours', edition: 'House 2027', caution: 'x' })).toBe(of({}));
    expect(of({ cut: { ...DEFAULT_PROFILE.cut, source: 'another sheet' } })).toBe(of({}));
  });
  it('changes by every figure', () => {
    expect(of({ cut: { ...DEFAULT_PROFILE.cut, kerfMm: 1.5 } })).not.toBe(of({}));
    expect(of({ system: 'industrial' })).not.toBe(of({}));
    expect(of({ barrier: { ...DEFAULT_PROFILE.barrier, rule: 'flow' } })).not.toBe(of({}));
  });
});
