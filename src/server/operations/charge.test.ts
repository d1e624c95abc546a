import { randomUUID } from 'node:crypto';
import type { Role } from '@/core/people';
import { closeDatabase, database, findJob, insertPerson, insertSupervision, setRoles } from '@/data';
import { confirmNext, nextStep, sent, subject, take, view, workUntil } from '../testing/bench';
import { FITTER, good, makeJob, NOW, PLANNER, refused } from '../testing/job';
import { asHeld } from '@/core/record';
import { viewCharge } from './charge';
import { work } from './work';

afterAll(closeDatabase);

const APPRENTICE: readonly Role[] = ['apprentice'];
const HOUR = 3_600_000;
const later = (hours: number) => new Date(NOW.getTime() + hours * HOUR);

async function somebody() {
  const id = randomUUID();
  const name = 'Apprentice two';
  await insertPerson(
    database(),
    { id, name, username: `a.${id.slice(0, 8)}`, administrator: false, passwordHash: 'x' },
    NOW,
  );
  return { id, name };
}

async function scene(secondPerson = false) {
  const job = await makeJob(secondPerson);
  await good(take(job, 'RW2-32'));
  const row = await findJob(database(), job);
  if (row === null) throw new Error('the job was just made');
  const who = await somebody();
  const under = (hours: number, since = NOW) =>
    insertSupervision(database(), {
      jobId: row.id,
      apprenticeId: who.id,
      supervisorId: FITTER.id ?? '',
      since,
      until: new Date(since.getTime() + hours * HOUR),
    });
  const step = async (at = NOW) =>
    work(subject(job), sent(asHeld(await nextStep(job)), at), who, APPRENTICE, at);
  return { job, who, under, step };
}

it('lets an apprentice do no step under nobody, and each under whoever took them on, whose name stands in the record', async () => {
  const { job, under, step } = await scene();
  expect(await refused(step())).toMatch(/an apprentice works under a fitter or an inspector/);
  expect((await view(job)).events).toEqual([]);
  await under(10);
  await good(step());
  const { events, chainFaults } = await view(job);
  expect(chainFaults).toEqual([]);
  expect(events).toMatchObject([
    { actor: 'Apprentice two', body: { under: { person: FITTER.id, name: FITTER.name } } },
  ]);
});

it('ends with the shift to the second, begins when it was said, and the last that was said counts', async () => {
  const { under, step } = await scene();
  await under(10);
  await good(step(new Date(later(10).getTime() - 1)));
  expect(await refused(step(later(10)))).toMatch(/works under/);
  await under(1, later(12));
  expect(await refused(step(later(11)))).toMatch(/works under/);
  await good(step(later(12)));
  // Taken off in the middle of it: one that is over at once takes its place.
  await under(0, later(12.5));
  expect(await refused(step(later(12.6)))).toMatch(/works under/);
});

it('ends when whoever answers is no fitter or inspector of the job any more', async () => {
  const { job, under, step } = await scene();
  await under(10);
  await good(step());
  const row = await findJob(database(), job);
  await setRoles(database(), FITTER.id ?? '', row?.id ?? 0, ['planner'], null, later(1));
  expect(await refused(step(later(1)))).toMatch(/works under/);
});

it('is of one job: in another the same apprentice works under nobody', async () => {
  const [one, other] = [await scene(), await scene()];
  await one.under(10);
  const step = asHeld(await nextStep(other.job));
  expect(await refused(work(subject(other.job), sent(step), one.who, APPRENTICE, NOW))).toMatch(
    /works under/,
  );
});

it('never lets an apprentice sign, nor whoever answers for them where another is asked for', async () => {
  const { job, under, step } = await scene(true);
  await under(10);
  for (let i = 0; i < 60 && (await view(job)).nextStep !== 'sign'; i += 1) await good(step());
  expect(await refused(confirmNext(job, FITTER))).toMatch(/by another person than the fitter/);
  await good(confirmNext(job, PLANNER));
  const alone = await scene();
  await workUntil(alone.job, 'sign');
  await alone.under(10);
  expect(await refused(alone.step())).toMatch(/signing is for an inspector/);
});

it('asks whoever works in their own name for nobody', async () => {
  const { job, who, under } = await scene();
  expect(await good(viewCharge(job, FITTER, ['fitter', 'apprentice'], NOW))).toMatchObject({ asks: false });
  expect(await good(viewCharge(job, PLANNER, ['planner'], NOW))).toMatchObject({ asks: false });
  expect(await good(viewCharge(job, who, APPRENTICE, NOW))).toMatchObject({ asks: true, under: null });
  await under(10);
  expect(await good(viewCharge(job, who, APPRENTICE, NOW))).toMatchObject({
    under: { name: FITTER.name, until: later(10).toISOString() },
  });
  expect(await good(viewCharge(job, who, APPRENTICE, later(10)))).toMatchObject({ under: null });
});
