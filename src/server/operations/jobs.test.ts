import { randomUUID } from 'node:crypto';
import type { JobFile, NewJob } from '@/core/job';
import { closeDatabase, database, findJob, rolesInJob } from '@/data';
import { FITTER, good, makeJob, NOW, PLANNER, refused } from '../testing/job';
import { act } from '../gate';
import { undoLast } from './edits';
import { exportJob, importJob } from './job-file';
import { createJob, setArchived, setJob, viewJobCards } from './jobs';
import { addReading } from './cable-measurement';
import { takeSize } from './gland-selection';
import { viewTermination } from './view';

afterAll(closeDatabase);

const NEW: NewJob = {
  name: 'Pump house',
  place: 'east bank',
  unit: 'mm',
  secondPerson: false,
  families: null,
  profile: 'iec-flow',
  copyFrom: '',
  roles: ['planner'],
};
const create = async (more: Partial<NewJob> = {}) =>
  (await good(createJob({ ...NEW, name: `Pump house ${randomUUID()}`, ...more }, PLANNER, NOW))).slug;
const cardOf = async (slug: string) => (await good(viewJobCards(PLANNER))).find((c) => c.slug === slug);

describe('a new job', () => {
  it('is empty, works to the profile that was picked, and is set up by who made it', async () => {
    await makeJob();
    const slug = await create();
    expect(await cardOf(slug)).toMatchObject({
      ends: 0,
      done: 0,
      touched: null,
      profileTitle: 'IEC zones, barrier by decision flow',
      mine: ['planner', 'administrator'],
    });
    expect(await rolesInJob(database(), FITTER.id, slug)).toEqual([]);
    expect((await good(viewJobCards(FITTER))).some((c) => c.slug === slug)).toBe(false);
  });

  it('takes types, boxes and profile over from another, and no cable', async () => {
    const from = await makeJob();
    const slug = await create({ copyFrom: from });
    const [file, source] = [await good(exportJob(slug)), await good(exportJob(from))];
    expect(file.types).toEqual(source.types);
    expect(file.boxes).toEqual(source.boxes);
    expect(file.profile).toEqual(source.profile);
    expect(file.cables).toEqual([]);
  });

  it('is refused without a name, with a code that nobody ships, and as a copy of what is not one’s own', async () => {
    await makeJob();
    expect(await refused(createJob({ ...NEW, name: ' ' }, PLANNER, NOW))).toMatch(/needs a name/);
    expect(await refused(createJob({ ...NEW, profile: 'made-up' }, PLANNER, NOW))).toMatch(/no code profile/);
    expect(await refused(createJob({ ...NEW, families: [] }, PLANNER, NOW))).toMatch(/at least one family/);
    const mine = await create();
    expect(await refused(createJob({ ...NEW, copyFrom: mine }, FITTER, NOW))).toMatch(/no such job/);
    expect(await refused(act('createJob', [NEW], PLANNER))).toMatch(/administrator of the whole application/);
  });
});

describe('what a job is set to', () => {
  const settings = { name: 'Renamed', place: '', unit: 'in', secondPerson: true, families: ['RW2'] } as const;

  it('is chosen by, at once, and goes back with one undo', async () => {
    const slug = await makeJob();
    const end = { job: slug, cable: 'K-1', end: 'A' } as const;
    const families = async () => {
      const { choice } = await good(viewTermination(end));
      return new Set((choice?.candidates ?? []).map((c) => c.family));
    };
    expect((await families()).size).toBeGreaterThan(1);
    await good(setJob(slug, 1, settings, PLANNER, NOW));
    expect(await families()).toEqual(new Set(['RW2']));
    expect(await refused(takeSize(end, 'AY3-32', randomUUID(), PLANNER, NOW))).not.toBe('');
    await good(undoLast(slug, PLANNER, NOW));
    expect(await findJob(database(), slug)).toMatchObject({
      name: slug,
      unit: 'mm',
      secondPerson: false,
      families: null,
    });
    expect((await families()).size).toBeGreaterThan(1);
  });

  it('is refused over what somebody else has set meanwhile', async () => {
    const slug = await makeJob();
    await good(setJob(slug, 1, settings, PLANNER, NOW));
    expect(await refused(setJob(slug, 1, { ...settings, name: 'Late' }, FITTER, NOW))).toMatch(/meanwhile/);
  });

  it('puts a job away and takes it back, with nothing in it changed', async () => {
    const slug = await makeJob();
    const before = await good(exportJob(slug));
    await good(setArchived(slug, 1, true, PLANNER, NOW));
    expect((await cardOf(slug))?.archived).toBe(true);
    await good(setArchived(slug, 2, false, PLANNER, NOW));
    expect((await cardOf(slug))?.archived).toBe(false);
    expect(await good(exportJob(slug))).toEqual(before);
  });
});

describe('the file of a job', () => {
  const filled = async () => {
    const slug = await makeJob();
    const end = { job: slug, cable: 'K-1', end: 'A' } as const;
    const reading = { quantity: 'core', method: 'caliper', text: '7,1', unit: 'mm' } as const;
    await good(addReading(end, reading, randomUUID(), PLANNER, NOW));
    await good(takeSize(end, 'RW2-32', randomUUID(), PLANNER, NOW));
    return { slug, file: await good(exportJob(slug)) };
  };
  const taken = (file: unknown) => importJob(JSON.stringify(file), PLANNER, NOW);

  it('comes out as it went in, and its plans stand', async () => {
    const { file } = await filled();
    const { slug } = await good(taken(file));
    expect(await good(exportJob(slug))).toEqual(file);
    const view = await good(viewTermination({ job: slug, cable: 'K-1', end: 'A' }));
    expect(view).toMatchObject({ stale: false, plan: { plan: { size: 'RW2-32' } } });
  });

  it.each<[string, (file: JobFile) => unknown, RegExp]>([
    [
      'a plan that was changed',
      (f) => change(f, (p) => ({ ...p, body: { ...p.body, size: 'RW2-40' } })),
      /changed after/,
    ],
    ['a sheet that is not here', (f) => change(f, (p) => ({ ...p, revision: '99' })), /take it in first/],
    ['a type that is not in it', (f) => ({ ...f, types: [] }), /not among the types/],
    ['an entry that is not in it', (f) => ({ ...f, boxes: [] }), /not among the entries/],
    ['a cable twice', (f) => ({ ...f, cables: [...f.cables, ...f.cables] }), /twice/],
    ['something that it does not know', (f) => ({ ...f, more: 1 }), /more/],
    ['another version', (f) => ({ ...f, version: 2 }), /version/],
  ])('is refused with %s, and leaves nothing behind', async (_, spoil, words) => {
    // Others make jobs at the same time: this one is known by its name.
    const { file: made } = await filled();
    const file = { ...made, name: randomUUID() };
    expect(await refused(taken(spoil(file)))).toMatch(words);
    const named = async () =>
      (await good(viewJobCards(PLANNER))).filter(({ name }) => name === file.name).length;
    expect(await named()).toBe(0);
    await good(taken(file));
    expect(await named()).toBe(1);
  });

  it('is refused when it is no file of ours', async () => {
    for (const text of ['', 'x', '[]', 'null', '{}'])
      expect(await refused(importJob(text, PLANNER, NOW))).not.toBe('');
  });
});

type Plan = JobFile['cables'][number]['plans'][number];
const change = (file: JobFile, to: (plan: Plan) => Plan): JobFile => ({
  ...file,
  cables: file.cables.map((c) => ({ ...c, plans: c.plans.map(to) })),
});
