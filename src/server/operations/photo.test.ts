import { randomUUID } from 'node:crypto';
import { hashBytes } from '@/core/kernel';
import { asHeld } from '@/core/record';
import { closeDatabase } from '@/data';
import { nextStep, sent, subject, take, view, workUntil, WORKS } from '../testing/bench';
import { FITTER, good, makeJob, NOW, refused } from '../testing/job';
import { tinyJpeg } from '../testing/jpeg';
import { keepPhoto, viewPhoto } from './photo';
import { work } from './work';

afterAll(closeDatabase);

const base64 = (bytes: Uint8Array): string => Buffer.from(bytes).toString('base64');
const keep = (job: string, bytes: Uint8Array) => keepPhoto(job, base64(bytes), FITTER, NOW);

/** An end at its look. */
async function atTheLook(): Promise<string> {
  const job = await makeJob();
  await good(take(job, (await view(job)).choice?.candidates.find((c) => c.verdict === 'fits')?.code ?? ''));
  await workUntil(job, 'look');
  return job;
}
const lookWith = async (job: string, photos: readonly string[], id: string = randomUUID()) =>
  work(subject(job), sent({ ...asHeld(await nextStep(job)), photos }, NOW, id), FITTER, WORKS, NOW);

it('keeps a photo once, without what came with it, and shows it by what it is known by', async () => {
  const job = await makeJob();
  const { hash } = await good(keep(job, tinyJpeg({ remark: 'GPS 57.4 N' })));
  expect((await good(keep(job, tinyJpeg({ remark: 'other' })))).hash).toBe(hash);
  const shown = await good(viewPhoto(job, hash));
  expect(hashBytes(shown)).toBe(hash);
  expect(Buffer.from(shown).toString('latin1')).not.toContain('GPS');
  // Another job has not got it, though it knows its name.
  expect(await refused(viewPhoto(await makeJob(), hash))).toMatch(/is not kept in this job/);
});

it.each([
  ['an SVG with a script', Buffer.from('<svg onload="alert(1)"/>'), /is no JPEG/],
  ['a zip with path names', Buffer.from('PK\u0003\u0004../../etc/passwd'), /is no JPEG/],
  ['more pixels than are kept', tinyJpeg({ width: 9000, height: 7000 }), /is 9000 × 7000; at most 1600/],
  ['what breaks off', tinyJpeg({}).subarray(0, 60), /breaks off/],
])('takes no photo of %s', async (_, bytes, words) => {
  expect(await refused(keep(await makeJob(), bytes))).toMatch(words);
});

it('is named by the look that it was taken at, and the record holds with it', async () => {
  const job = await atTheLook();
  const { hash } = await good(keep(job, tinyJpeg({})));
  const id = randomUUID();
  await good(lookWith(job, [hash], id));
  const { events, chainFaults } = await view(job);
  expect(chainFaults).toEqual([]);
  expect(events.at(-1)).toMatchObject({ kind: 'look', body: { photos: [hash] } });
});

it.each<[string, (hash: string) => readonly string[], RegExp]>([
  ['that has not arrived', () => ['f'.repeat(64)], /a photo has not arrived/],
  ['twice', (h) => [h, h], /is there twice/],
])('no look names a photo %s', async (_, photos, words) => {
  const job = await atTheLook();
  const { hash } = await good(keep(job, tinyJpeg({})));
  expect(await refused(lookWith(job, photos(hash)))).toMatch(words);
});

it('no step names a photo at which nothing is looked at', async () => {
  const job = await makeJob();
  await good(take(job, (await view(job)).choice?.candidates.find((c) => c.verdict === 'fits')?.code ?? ''));
  await workUntil(job, 'cut.outerSheath');
  const { hash } = await good(keep(job, tinyJpeg({})));
  expect(await refused(lookWith(job, [hash]))).toMatch(/only what is looked at is photographed/);
});
