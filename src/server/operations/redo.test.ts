import { randomUUID } from 'node:crypto';
import { seededRandom } from '@/core/kernel';
import type { Reading } from '@/core/cable-measurement';
import { closeDatabase } from '@/data';
import { FITTER, good, makeJob, NOW, PLANNER, refused } from '../testing/job';
import { addReading } from './cable-measurement';
import { redoNext, undoLast } from './edits';
import { takeSize } from './gland-selection';
import { addCable, editCable, retireCable, schedulePage } from './schedule';
import { viewTermination } from './view';

afterAll(closeDatabase);

const all = { filter: '', sort: 'tag', descending: false, offset: 0, limit: 100 } as const;
const rows = async (job: string) => (await good(schedulePage(job, all))).rows;
const state = async (job: string) => (await rows(job)).map((r) => [r.tag, r.note, r.a.enclosure, r.a.tailMm]);
const rowOf = async (job: string, tag: string) => {
  const row = (await rows(job)).find((r) => r.tag === tag);
  if (row === undefined) throw new Error(`no row ${tag}`);
  return row;
};
const note = async (job: string, tag: string, text: string, who = PLANNER) => {
  const row = await rowOf(job, tag);
  return editCable(
    job,
    row.id,
    { cable: row.version, A: row.a.version, B: row.b.version },
    { note: text },
    who,
    NOW,
  );
};
const undo = (job: string, who = PLANNER) => undoLast(job, who, NOW);
const redo = (job: string, who = PLANNER) => redoNext(job, who, NOW);
const NOTHING = /nothing that you took back/;

it('goes back and forward through any mix of edits as a list of states does', async () => {
  const job = await makeJob();
  const random = seededRandom(41);
  let states = [await state(job)];
  let at = 0;
  for (let step = 0; step < 40; step += 1) {
    const chance = random();
    if (chance < 0.35) {
      const free = (await rows(job)).map((r) => r.tag);
      const what = random();
      if (what < 0.5) await good(note(job, free[0] ?? '', `note ${step}`));
      else if (what < 0.75 || free.length < 2)
        await good(addCable(job, { tag: `N-${step}`, type: 'W4-10' }, PLANNER, NOW));
      else {
        const last = await rowOf(job, free[free.length - 1] ?? '');
        await good(retireCable(job, last.id, last.version, PLANNER, NOW));
      }
      states = [...states.slice(0, at + 1), await state(job)];
      at += 1;
    } else if (chance < 0.7) {
      if (at === 0) expect(await refused(undo(job))).toMatch(/nothing of yours/);
      else {
        await good(undo(job));
        at -= 1;
      }
    } else if (at === states.length - 1) expect(await refused(redo(job))).toMatch(NOTHING);
    else {
      await good(redo(job));
      at += 1;
    }
    expect(await state(job)).toEqual(states[at]);
  }
});

it('does nothing again over what somebody else has changed, and nobody else’s', async () => {
  const job = await makeJob();
  await good(note(job, 'K-1', 'mine'));
  await good(undo(job));
  expect(await refused(redo(job, FITTER))).toMatch(NOTHING);
  await good(note(job, 'K-1', 'theirs', FITTER));
  expect(await refused(redo(job))).toMatch(/“K-1: note” cannot be done again: it has been changed again/);
  expect((await rowOf(job, 'K-1')).note).toBe('theirs');
});

it('does not give an entry back that somebody has taken meanwhile', async () => {
  const job = await makeJob();
  await good(addCable(job, { tag: 'K-9', type: 'W4-10', aPlace: 'BX-1/E3' }, PLANNER, NOW));
  await good(undo(job));
  await good(addCable(job, { tag: 'K-8', type: 'W4-10', aPlace: 'BX-1/E3' }, FITTER, NOW));
  expect(await refused(redo(job))).toMatch(/this entry is taken/);
  expect((await rows(job)).map((r) => r.tag)).toEqual(['K-1', 'K-2', 'K-8']);
});

it('puts a reading and a choice back as they were', async () => {
  const job = await makeJob();
  const end = { job, cable: 'K-1', end: 'A' } as const;
  const view = async () => good(viewTermination(end));
  const core: Reading = { quantity: 'core', method: 'caliper', text: '7.1', unit: 'mm' };
  await good(addReading(end, core, randomUUID(), PLANNER, NOW));
  await good(takeSize(end, 'RW2-32', randomUUID(), PLANNER, NOW));
  const { plan, readings } = await view();
  await good(undo(job));
  await good(undo(job));
  expect(await view()).toMatchObject({ plan: null });
  expect((await view()).readings).toHaveLength(readings.length - 1);
  await good(redo(job));
  await good(redo(job));
  expect((await view()).plan).toEqual(plan);
  expect((await view()).readings).toEqual(readings);
  expect(await refused(redo(job))).toMatch(NOTHING);
});
