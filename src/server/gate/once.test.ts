import { randomUUID } from 'node:crypto';
import { closeDatabase } from '@/data';
import { asHeld } from '@/core/record';
import { nextStep, sent, subject, take, view } from '../testing/bench';
import { FITTER, good, makeJob, NOW, PLANNER, refused } from '../testing/job';
import { act, look, type WriteName } from '.';

afterAll(closeDatabase);

const end = (job: string) => ({ job, cable: 'K-2', end: 'A' });
const caliper = (text: string) => ({ quantity: 'core', method: 'caliper', text, unit: 'mm' }) as const;
const cablesOf = async (job: string) =>
  (await good(look('schedulePage', [job, '', 'tag', false, 0, 100], PLANNER))).rows.map((r) => r.tag);
const once = { id: '' };
beforeEach(() => (once.id = randomUUID()));

test.each<[string, WriteName, (job: string) => readonly unknown[]]>([
  ['a reading', 'addReading', (job) => [end(job), caliper('7.1')]],
  ['a cable', 'addCable', (job) => [job, { tag: 'K-77', type: 'W4-25' }]],
  ['a crossing', 'addCrossing', (job) => [job, 'X-9', 'frames']],
])(
  '%s that is sent twenty times at once is kept once, and every send is answered alike',
  async (_, name, argsOf) => {
    const job = await makeJob();
    const send = act as unknown as (
      n: WriteName,
      a: readonly unknown[],
      w: object,
      m: object,
    ) => Promise<unknown>;
    const answers = await Promise.all(
      Array.from({ length: 20 }, () => send(name, argsOf(job), PLANNER, { now: NOW, ...once })),
    );
    expect(new Set(answers.map((a) => JSON.stringify(a))).size).toBe(1);
    expect(answers[0]).toMatchObject({ ok: true });
    expect((await cablesOf(job)).filter((tag) => tag === 'K-77').length).toBeLessThanOrEqual(1);
    const { readings } = await good(look('viewTermination', [end(job)], PLANNER));
    expect(readings.filter((r) => r.reading.text === '7.1').length).toBe(name === 'addReading' ? 1 : 0);
    expect((await good(look('viewCrossings', [job], PLANNER))).filter((c) => c.name === 'X-9').length).toBe(
      name === 'addCrossing' ? 1 : 0,
    );
  },
);

test('a step of work that is sent twenty times at once, and once more after it, is recorded once, and every send is answered as the first', async () => {
  const job = await makeJob();
  await good(take(job, 'RW2-32'));
  const step = sent(asHeld(await nextStep(job)));
  const send = () => act('work', [subject(job), step], FITTER, { now: NOW, ...once });
  const answers = [...(await Promise.all(Array.from({ length: 20 }, send))), await send()];
  expect(new Set(answers.map((a) => JSON.stringify(a)))).toEqual(
    new Set([JSON.stringify({ ok: true, value: { repeated: false, waste: null } })]),
  );
  expect((await view(job)).events.map((e) => e.seq)).toEqual([1]);
  // The same command under an id of its own is told that it was there already; another one under this id is refused.
  expect(await good(act('work', [subject(job), step], FITTER, { now: NOW, id: randomUUID() }))).toMatchObject(
    {
      repeated: true,
    },
  );
  const other = sent(asHeld(await nextStep(job)));
  expect(await refused(act('work', [subject(job), other], FITTER, { now: NOW, ...once }))).toMatch(
    /something else was sent under this id/,
  );
  expect((await view(job)).events).toHaveLength(1);
});

test('an undo that is sent again after its answer was lost takes back one edit, not two', async () => {
  const job = await makeJob();
  await good(act('addCable', [job, { tag: 'K-81', type: 'W4-25' }], PLANNER));
  await good(act('addCable', [job, { tag: 'K-82', type: 'W4-25' }], PLANNER));
  const first = await good(act('undo', [job], PLANNER, once));
  expect(await good(act('undo', [job], PLANNER, once))).toEqual(first);
  expect(await cablesOf(job)).toContain('K-81');
  expect(await cablesOf(job)).not.toContain('K-82');
});

test('an edit that is sent again is not told that somebody else was faster', async () => {
  const job = await makeJob();
  const view = await good(look('viewTermination', [end(job)], PLANNER));
  const edit = () => act('setTerminals', [end(job), view.versions.A, 'L1 220'], PLANNER, once);
  await good(edit());
  await good(edit());
  expect(await refused(act('setTerminals', [end(job), view.versions.A, 'L1 230'], PLANNER))).toMatch(
    /meanwhile/,
  );
});

test('something else, or somebody else, under an id that is taken is refused', async () => {
  const job = await makeJob();
  await good(act('addReading', [end(job), caliper('7.2')], PLANNER, once));
  const other = act('addReading', [end(job), caliper('7.3')], PLANNER, once);
  expect(await refused(other)).toMatch(/something else was sent under this id/);
  expect(await refused(act('addReading', [end(job), caliper('7.2')], FITTER, once))).toMatch(
    /something else/,
  );
  expect(await refused(act('undo', [job], PLANNER, once))).toMatch(/something else/);
});

test('what was refused is judged anew when it is sent again', async () => {
  const job = await makeJob();
  const add = () => act('addCable', [job, { tag: 'K-90', type: 'W4-25', aPlace: 'BX-1/9' }], PLANNER, once);
  const said = await refused(add());
  expect(await refused(add())).toBe(said);
  await good(act('addCable', [job, { tag: 'K-90', type: 'W4-25' }], PLANNER, once));
});
