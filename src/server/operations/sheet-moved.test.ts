import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import type { Family } from '@/core/catalogue';
import { closeDatabase } from '@/data';
import { ownDatabase } from '../testing/alone';
import { confirmNext, ref, view } from '../testing/bench';
import { good, makeJob, NOW, PLANNER, refused } from '../testing/job';
import { importCatalogue } from './catalogue';
import { replan, takeSize } from './gland-selection';
import { undoLast } from './edits';
import { countMovedOn, restamp, viewMovedOn } from './moved-on';
import { setProfile, viewProfile } from './profile';

// Sheets of its own come into force here.
ownDatabase('ATTACK');
afterAll(closeDatabase);

const demo = JSON.parse(readFileSync('examples/catalogue/demo.json', 'utf8')) as { families: Family[] };

/** A revision of a family of this test's own, made after one of the demo's, with another upper end of the outer seal of its size 32. */
function sheet(revision: string, issued: string, outerMax: number): string {
  const base = demo.families.find((f) => f.code === 'RW2');
  if (!base) throw new Error('the demo has RW2');
  const text = JSON.stringify(base).replaceAll('RW2', 'ZS7');
  const family = JSON.parse(text) as {
    sheet: object;
    sizes: { code: string; outerSeal?: { max: number } }[];
  };
  family.sheet = { ...family.sheet, revision, issued };
  const size = family.sizes.find((s) => s.code === 'ZS7-32');
  if (!size?.outerSeal) throw new Error('size 32 has an outer seal');
  size.outerSeal = { ...size.outerSeal, max: outerMax };
  return JSON.stringify({ ...demo, families: [family], frameSheets: [] });
}

test('a plan whose sheet has moved on says so with both revisions and what the new one says, and moves only when it is told to', async () => {
  await good(importCatalogue(sheet('1', '2027-01', 33.4), PLANNER, NOW));
  const job = await makeJob();
  await good(takeSize(ref(job), 'ZS7-32', randomUUID(), PLANNER, NOW));
  await good(confirmNext(job));
  expect((await view(job)).review).toBeNull();

  await good(importCatalogue(sheet('2', '2027-02', 27.1), PLANNER, NOW));
  const moved = await view(job);
  expect(moved.stale).toBe(false);
  expect(moved.review?.sheet).toEqual({ code: 'ZS7', from: '1', to: '2' });
  expect(moved.review?.refusal).toMatch(/ZS7-32 cannot be taken: .*27\.1 mm/);
  expect(moved.plan?.plan.family.revision).toBe('1');
  expect((await replan(ref(job), randomUUID(), PLANNER, NOW)).ok).toBe(false);

  await good(importCatalogue(sheet('3', '2027-03', 33.2), PLANNER, NOW));
  expect((await view(job)).review).toMatchObject({ sheet: { from: '1', to: '3' }, refusal: null });
  await good(replan(ref(job), randomUUID(), PLANNER, NOW));
  const after = await view(job);
  expect(after.plan?.plan.family.revision).toBe('3');
  expect(after.review).toBeNull();
  expect(after.events.map((e) => e.kind)).toContain('replan');
});

test('ends on a sheet that has moved on are counted and listed, and made again at once only where nothing is undone', async () => {
  await good(importCatalogue(sheet('4', '2027-04', 33.2), PLANNER, NOW));
  const job = await makeJob();
  for (const end of ['A', 'B'])
    await good(takeSize(ref(job, 'K-1', end), 'ZS7-32', randomUUID(), PLANNER, NOW));
  await good(confirmNext(job));
  expect(await good(countMovedOn(job))).toEqual({ stale: 0, superseded: 0 });
  expect(await good(viewMovedOn(job))).toEqual([]);
  await good(importCatalogue(sheet('5', '2027-05', 27.1), PLANNER, NOW));
  expect(await good(countMovedOn(job))).toEqual({ stale: 0, superseded: 2 });
  // The size misfits by the new sheet: it is said with its number, and nothing is made again.
  expect(await good(viewMovedOn(job))).toMatchObject(
    ['K-1/A', 'K-1/B'].map((tag) => ({
      tag,
      restamp: false,
      sheet: { code: 'ZS7', from: '4', to: '5' },
      refusal: expect.stringContaining('27.1 mm') as string,
    })),
  );
  expect(await refused(restamp(job, ['K-1/A', 'K-1/B'], PLANNER, NOW))).toMatch(/27\.1 mm/);
  await good(importCatalogue(sheet('6', '2027-06', 33.1), PLANNER, NOW));
  expect(await good(restamp(job, ['K-1/A', 'K-1/B', 'K-2/A'], PLANNER, NOW))).toEqual({ restamped: 2 });
  expect(await good(countMovedOn(job))).toEqual({ stale: 0, superseded: 0 });
  const worked = await view(job);
  expect(worked).toMatchObject({ chainFaults: [], plan: { plan: { family: { revision: '6' } } } });
  expect(worked.done).toContain('safe');
  expect(worked.events.slice(-1)[0]?.kind).toBe('replan');
  expect(await refused(restamp(job, ['K-1/A'], PLANNER, NOW))).toMatch(/stand on what is in force already/);
});

test('a changed profile leaves plans stale: they are listed, made again as one change, and one undo takes it back', async () => {
  const job = await makeJob();
  for (const end of ['A', 'B'])
    await good(takeSize(ref(job, 'K-1', end), 'AY3-32', randomUUID(), PLANNER, NOW));
  const { profile, version } = await good(viewProfile(job));
  const measurement = { ...profile.measurement, tapeThicknessMm: profile.measurement.tapeThicknessMm + 0.01 };
  const barrier = { ...profile, measurement, title: 'ours' };
  await good(setProfile(job, version, barrier, PLANNER, NOW));
  expect((await good(countMovedOn(job))).stale).toBe(2);
  const lines = await good(viewMovedOn(job));
  expect(lines.map((l) => [l.tag, l.stale, l.restamp])).toEqual([
    ['K-1/A', true, true],
    ['K-1/B', true, true],
  ]);
  await good(
    restamp(
      job,
      lines.map((l) => l.tag),
      PLANNER,
      NOW,
    ),
  );
  expect((await good(countMovedOn(job))).stale).toBe(0);
  await good(undoLast(job, PLANNER, NOW));
  expect((await good(countMovedOn(job))).stale).toBe(2);
});
