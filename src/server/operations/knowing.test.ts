import { randomUUID } from 'node:crypto';
import { closeDatabase } from '@/data';
import { confirmNext, ref, take, view, workUntil } from '../testing/bench';
import { FITTER, good, makeJob, NOW, PLANNER, refused } from '../testing/job';
import { takeSize } from './gland-selection';
import { viewKit } from './kit';
import { undoLast } from './edits';
import { addReading, withdrawReading } from './cable-measurement';

afterAll(closeDatabase);

describe('what goes with a choice', () => {
  it('is shown before work, or a signature, is undone, and goes only for somebody who has seen it', async () => {
    const job = await makeJob();
    await good(take(job, 'RW2-32'));
    await workUntil(job, 'sign');
    await good(confirmNext(job));
    const before = (await view(job)).events.length;
    expect(await refused(take(job, 'AY3-32'))).toMatch(
      /knowing: K-1\/A is signed by fitter: that signature goes, and \d+ steps that were done have to be done again/,
    );
    expect(await view(job)).toMatchObject({ signedBy: 'fitter', plan: { plan: { size: 'RW2-32' } } });
    expect((await view(job)).events).toHaveLength(before);
    await good(takeSize(ref(job), 'AY3-32', randomUUID(), PLANNER, NOW, true));
    expect(await view(job)).toMatchObject({ signedBy: null, plan: { plan: { size: 'AY3-32' } } });
    expect((await view(job)).chainFaults).toEqual([]);
  });
});

describe('a reading that is sent more than once', () => {
  const reading = { quantity: 'outerSheath', method: 'caliper', text: '27.9', unit: 'mm' };
  it('twenty times at once is one reading; another one under its id is refused', async () => {
    const job = await makeJob();
    const id = randomUUID();
    const send = (text: string) => addReading(ref(job, 'K-2'), { ...reading, text }, id, FITTER, NOW);
    const ids = await Promise.all(Array.from({ length: 20 }, () => good(send('27.9'))));
    expect(new Set(ids.map((r) => r.id)).size).toBe(1);
    expect((await view(job, 'K-2')).readings).toHaveLength(1);
    expect(await refused(send('28.0'))).toMatch(/another reading was sent under this id/);
    const elsewhere = addReading(ref(job, 'K-1'), reading, id, FITTER, NOW);
    expect(await refused(elsewhere)).toMatch(/another reading was sent under this id/);
    await good(addReading(ref(job, 'K-2'), reading, randomUUID(), FITTER, NOW));
    expect((await view(job, 'K-2')).readings).toHaveLength(2);
  });
});

describe('an end at which work has begun', () => {
  it('has it in its record when a reading that it stands on is withdrawn, and what the reading said', async () => {
    const job = await makeJob();
    await good(take(job, 'RW2-32'));
    const [early] = (await view(job)).readings;
    if (!early) throw new Error('K-1 is measured');
    await good(confirmNext(job));
    await good(withdrawReading(ref(job), early.id, PLANNER, NOW));
    const after = await view(job);
    expect(after.chainFaults).toEqual([]);
    expect(after.events[after.events.length - 1]).toMatchObject({
      kind: 'note',
      actor: 'planner',
      body: { title: 'Reading withdrawn', reason: expect.stringContaining(early.reading.text) as string },
    });
    await good(undoLast(job, PLANNER, NOW));
    const again = {
      quantity: 'outerSheath',
      method: 'caliper',
      text: '28.1',
      unit: 'mm',
      instrument: 'C-07',
    };
    await good(addReading(ref(job), again, randomUUID(), FITTER, NOW));
    await good(undoLast(job, FITTER, NOW));
    const later = await view(job);
    expect(later.chainFaults).toEqual([]);
    expect(later.events.slice(-3).map((e) => e.body)).toMatchObject([
      {
        title: 'Withdrawal of a reading undone',
        reason: expect.stringContaining(early.reading.text) as string,
      },
      {
        title: 'Reading added',
        reason: expect.stringContaining('28.1 mm with C-07, taken by fitter') as string,
      },
      { title: 'Reading taken back', reason: expect.stringContaining('28.1 mm') as string },
    ]);
    // An end where nothing was done has no record to begin with.
    expect((await view(job, 'K-1', 'B')).events).toEqual([]);
  });

  it('is not in the kit any more when it is signed, and the kit says so', async () => {
    const job = await makeJob();
    await good(take(job, 'RW2-32'));
    const count = async () => {
      const { kit, fitted } = await good(viewKit(job, { percent: 0, minimum: 0 }, null));
      return { fitted, glands: kit.lines.find((l) => l.part.startsWith('RW2-32'))?.needed ?? 0 };
    };
    await workUntil(job, 'sign');
    expect(await count()).toEqual({ fitted: [], glands: 1 });
    await good(confirmNext(job));
    expect(await count()).toEqual({ fitted: ['K-1/A'], glands: 0 });
  });
});

it('two ends that are worked at once, and everybody who looks meanwhile, find every record whole', async () => {
  const job = await makeJob();
  for (const end of ['A', 'B'])
    await good(takeSize(ref(job, 'K-1', end), 'RW2-32', randomUUID(), PLANNER, NOW));
  let over = false;
  const seen: string[] = [];
  const look = async (end: string) => {
    while (!over) for (const f of (await view(job, 'K-1', end)).chainFaults) seen.push(f.fault);
  };
  const looking = [look('A'), look('B'), look('A')];
  await Promise.all(
    ['A', 'B'].map(async (end) => {
      for (let i = 0; i < 8; i += 1) await good(confirmNext(job, FITTER, 'clamped', NOW, end));
    }),
  );
  over = true;
  await Promise.all(looking);
  expect(seen).toEqual([]);
});
