import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { CONTENTS, CONTENTS_SIGNATURE, type ArchivedFile } from '@/core/record';
import { readJobFile } from '@/core/job';
import { closeDatabase } from '@/data';
import { verifyZip } from '../../../cli/verify';
import { confirmNext, take } from '../testing/bench';
import { FITTER, good, makeJob, NOW, refused } from '../testing/job';
import { jobArchive } from './archive';

afterAll(closeDatabase);

const call = (cancelled = false) => ({ now: NOW, progress: () => undefined, cancelled: () => cancelled });
const archived = async (job: string): Promise<Uint8Array> => {
  const file = await good(jobArchive(job, 'http://localhost:3000', call()));
  if (file === null) throw new Error('cancelled');
  return file.body;
};
async function worked(): Promise<string> {
  const job = await makeJob();
  await good(take(job, 'RW2-32'));
  for (let i = 1; i <= 3; i += 1)
    await good(confirmNext(job, FITTER, 'clamped', new Date(NOW.getTime() + i * 60_000)));
  return job;
}

it('an archive holds record, paper, schedule, job and sheets, and all of it is checked without the application', async () => {
  const job = await worked();
  const bytes = await archived(job);
  expect(verifyZip(bytes)).toMatchObject({
    ok: true,
    value: { job, events: 3, archive: { files: 5, made: NOW.toISOString(), without: [] } },
  });
  const files = unzipSync(bytes);
  expect(strFromU8((files['dossier.pdf'] ?? new Uint8Array()).subarray(0, 5))).toBe('%PDF-');
  expect(strFromU8(files['schedule.csv'] ?? new Uint8Array())).toContain('K-2');
  expect(readJobFile(JSON.parse(strFromU8(files['job.json'] ?? new Uint8Array())))).toMatchObject({
    ok: true,
  });
});

it('the archive of a job in which nothing was done says that it has no dossier, and why', async () => {
  const report = verifyZip(await archived(await makeJob()));
  expect(report).toMatchObject({
    ok: true,
    value: {
      events: 0,
      archive: { files: 4, without: [expect.stringMatching(/^dossier\.pdf: nothing is recorded/)] },
    },
  });
});

describe('an archive that somebody touched', () => {
  let bytes: Uint8Array;
  let other: Record<string, Uint8Array>;
  beforeAll(async () => {
    bytes = await archived(await worked());
    other = unzipSync(await archived(await makeJob()));
  });
  const listed = (files: Record<string, Uint8Array>) =>
    JSON.parse(strFromU8(files[CONTENTS] ?? new Uint8Array())) as { files: ArchivedFile[] };

  it.each<[string, (files: Record<string, Uint8Array>) => void, RegExp]>([
    [
      'a changed cell of the schedule',
      (f) => (f['schedule.csv'] = strToU8(`${strFromU8(f['schedule.csv'] ?? strToU8(''))}x`)),
      /schedule.csv has been changed/,
    ],
    ['a dossier that is gone', (f) => delete f['dossier.pdf'], /dossier.pdf is missing/],
    [
      'a file that was taken out of the list too',
      (f) => {
        const list = listed(f);
        delete f['job.json'];
        f[CONTENTS] = strToU8(
          JSON.stringify({ ...list, files: list.files.filter((x) => x.name !== 'job.json') }),
        );
      },
      /not signed by the key/,
    ],
    [
      'the list of another archive',
      (f) => {
        f[CONTENTS] = other[CONTENTS] ?? strToU8('');
        f[CONTENTS_SIGNATURE] = other[CONTENTS_SIGNATURE] ?? strToU8('');
      },
      /is of another job/,
    ],
    ['no signature', (f) => delete f['contents.sig'], /contents.sig is missing/],
    ['a signature of nothing', (f) => (f[CONTENTS_SIGNATURE] = strToU8('')), /not signed by the key/],
    [
      'no list',
      (f) => {
        delete f['contents.json'];
      },
      /belongs to no record/,
    ],
    [
      'an event that says something else',
      (f) =>
        (f['record.json'] = strToU8(
          strFromU8(f['record.json'] ?? strToU8(''))
            .replace('"clamped"', '"reset"')
            .replace('fitter', 'filler'),
        )),
      /changed|somebody else/,
    ],
    ['a program beside it', (f) => (f['run.exe'] = strToU8('x')), /belongs to no record/],
  ])('%s is found', (_, touch, words) => {
    const files = unzipSync(bytes);
    touch(files);
    const report = verifyZip(zipSync(files));
    expect(report.ok ? '' : report.problems.map((p) => `${p.path} ${p.message}`).join('\n')).toMatch(words);
  });
});

it('is not made to its end when nobody waits, nor of a job that is not there', async () => {
  expect(await good(jobArchive(await worked(), 'http://localhost:3000', call(true)))).toBeNull();
  expect(await refused(jobArchive('no-such-job', 'http://localhost:3000', call()))).toContain('job');
});
