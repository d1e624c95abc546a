import { closeDatabase } from '@/data';
import { good, makeJob, NOW, PLANNER, refused } from '../testing/job';
import { undoLast } from './edits';
import { setPins } from './end-facts';
import { exportJob, importJob } from './job-file';
import { viewTermination } from './view';

afterAll(closeDatabase);

const ref = (job: string) => ({ job, cable: 'K-1', end: 'A' });
const view = (job: string) => good(viewTermination(ref(job)));
const put = async (job: string, text: string) =>
  setPins(ref(job), (await view(job)).versions.A, text, PLANNER, NOW);

describe('the pin map of an end', () => {
  it('is kept as it was typed, goes away with empty text, and comes back by undo', async () => {
    const job = await makeJob();
    await good(put(job, 'BN 1, BK 2'));
    expect((await view(job)).pins).toEqual([
      { core: 'BN', position: '1' },
      { core: 'BK', position: '2' },
    ]);
    await good(put(job, '  '));
    expect((await view(job)).pins).toEqual([]);
    await good(undoLast(job, PLANNER, NOW));
    expect((await view(job)).pins).toHaveLength(2);
  });

  it.each([
    ['BN', /such as “BN 1”/],
    ['BN 1 2 3', /such as “BN 1”/],
    [`${'x'.repeat(41)} 1`, /40/],
    [Array.from({ length: 300 }, (_, i) => `c${i} ${i}`).join(', '), /256/],
    ['a 1\n'.repeat(1001), /longer than any pin map/],
  ])('is refused from %.20j', async (text, words) => {
    const job = await makeJob();
    expect(await refused(put(job, text))).toMatch(words);
    expect((await view(job)).pins).toEqual([]);
  });

  it('goes with its job into a file and out of it again', async () => {
    const job = await makeJob();
    await good(put(job, 'BN;1\nGNYE;E'));
    const file = await good(exportJob(job));
    expect(file.cables[0]?.A.pins).toEqual([
      { core: 'BN', position: '1' },
      { core: 'GNYE', position: 'E' },
    ]);
    const { slug } = await good(importJob(JSON.stringify(file), PLANNER, NOW));
    expect((await view(slug)).pins).toEqual(file.cables[0]?.A.pins);
    expect((await good(exportJob(slug))).cables).toEqual(file.cables);
  });
});
