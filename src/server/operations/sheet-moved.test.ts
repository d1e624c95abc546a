import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import type { Family } from '@/core/catalogue';
import { closeDatabase } from '@/data';
import { ownDatabase } from '../testing/alone';
import { confirmNext, ref, view } from '../testing/bench';
import { good, makeJob, NOW, PLANNER } from '../testing/job';
import { importCatalogue } from './catalogue';
import { replan, takeSize } from './choose';

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
