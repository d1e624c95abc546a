import { CODE_PROFILES, type CodeProfile } from '@/core/schedule';
import { closeDatabase } from '@/data';
import { good, makeJob, NOW, PLANNER, refused } from '../testing/job';
import { undoLast } from './edits';
import { answerFact } from './facts';
import { setProfile, viewProfile } from './profile';
import { viewTermination } from './view';

afterAll(closeDatabase);

const at = (job: string, end: 'A' | 'B' = 'A') => ({ job, cable: 'K-1', end });
const seen = (job: string, end: 'A' | 'B' = 'A') => good(viewTermination(at(job, end)));
async function jobBy(key: string, change: Partial<CodeProfile> = {}): Promise<string> {
  const job = await makeJob();
  const profile = CODE_PROFILES.find((p) => p.key === key);
  const { version } = await good(viewProfile(job));
  await good(setProfile(job, version, { ...profile, ...change }, PLANNER, NOW));
  return job;
}

it('answers for every entry of the box, judges again, and is taken back by one undo', async () => {
  const job = await jobBy('division');
  expect((await seen(job)).barrier).toMatchObject({ outcome: 'ask', missing: { field: 'place' } });
  const value = { hazardClass: 'I', division: 2, classGroup: 'D' };
  await good(answerFact(at(job), 'place', value, PLANNER, NOW));
  // The place is known now; what the cable is listed for is asked next.
  expect((await seen(job)).barrier).toMatchObject({ outcome: 'ask', missing: { field: 'listings' } });
  await good(answerFact(at(job), 'listings', ['tray'], PLANNER, NOW));
  expect((await seen(job)).barrier).toMatchObject({ outcome: 'none' });
  // The other end has the same cable in another box.
  expect((await seen(job, 'B')).barrier).toMatchObject({ missing: { field: 'place' } });
  expect((await good(undoLast(job, PLANNER, NOW))).label).toBe('listings answered at K-1/A');
  expect((await seen(job)).barrier).toMatchObject({ outcome: 'ask', missing: { field: 'listings' } });
});

it('keeps a route length in metres', async () => {
  const job = await makeJob();
  await good(answerFact(at(job), 'length', 2.5, PLANNER, NOW));
  expect((await seen(job)).routeMm).toBe(2500);
});

it.each([
  ['length', 'long', /not a length/],
  ['length', -1, /not a length/],
  ['compact', 'maybe', /compact/],
  ['listings', ['moon'], /listings\[0\].*moon/],
  ['gasGroup', 'IIX', /gasGroup/],
  ['place', { hazardClass: 'IX' }, /hazardClass/],
  ['profile', 3, /belongs to the profile/],
] as const)('refuses %s = %j and writes nothing', async (field, value, message) => {
  const job = await makeJob();
  const before = await seen(job);
  expect(await refused(answerFact(at(job), field, value, PLANNER, NOW))).toMatch(message);
  const after = await seen(job);
  expect([after.cableType, after.place, after.routeMm]).toEqual([
    before.cableType,
    before.place,
    before.routeMm,
  ]);
});

it('says so when there is no such cable', async () => {
  const job = await makeJob();
  expect(await refused(answerFact({ job, cable: 'K-77', end: 'A' }, 'compact', true, PLANNER, NOW))).toMatch(
    /no such cable/,
  );
});
