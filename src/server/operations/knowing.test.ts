import { randomUUID } from 'node:crypto';
import { closeDatabase } from '@/data';
import { confirmNext, ref, take, view, workUntil } from '../testing/bench';
import { FITTER, good, makeJob, NOW, PLANNER, refused } from '../testing/job';
import { takeSize } from './choose';
import { addReading } from './measure';

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
