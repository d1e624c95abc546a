import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { unzipSync, zipSync } from 'fflate';
import { asHeld } from '@/core/record';
import { closeDatabase } from '@/data';
import { verifyZip } from '../../../cli/verify';
import { realJpeg } from '../testing/jpeg';
import { confirmNext, nextStep, sent, subject, take, view, workUntil, WORKS } from '../testing/bench';
import { FITTER, good, makeJob, NOW, refused } from '../testing/job';
import { dossier, recordBundle } from './dossier';
import { keepPhoto } from './photo';
import { searchRecord } from './search-record';
import { work } from './work';

const folder = mkdtempSync(join(tmpdir(), 'amber-collar-dossier-'));
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true });
  await closeDatabase();
});

const END = { kind: 'end', name: 'K-1', end: 'A' } as const;
const JOB = { kind: 'job', name: '', end: '' } as const;

/** An end that is signed, with a photo at its look. */
async function signed(): Promise<string> {
  const job = await makeJob();
  await good(take(job, (await view(job)).choice?.candidates.find((c) => c.verdict === 'fits')?.code ?? ''));
  await workUntil(job, 'look');
  const { hash } = await good(keepPhoto(job, Buffer.from(realJpeg()).toString('base64'), FITTER, NOW));
  const look = { ...asHeld(await nextStep(job)), photos: [hash] };
  await good(work(subject(job), sent(look), FITTER, WORKS, NOW));
  await workUntil(job, 'sign');
  await good(confirmNext(job));
  return job;
}

const print = (job: string, of: Parameters<typeof dossier>[1], cancelled = false) =>
  dossier(job, of, 'A4', 'http://127.0.0.1:1', {
    now: NOW,
    progress: () => undefined,
    cancelled: () => cancelled,
  });

async function printed(
  job: string,
  of: Parameters<typeof dossier>[1],
): Promise<{ text: string; images: number }> {
  const file = await good(print(job, of));
  const path = join(folder, file?.name ?? 'none');
  writeFileSync(path, file?.body ?? '');
  const text = execFileSync('pdftotext', ['-layout', path, '-'], { encoding: 'utf8' });
  const images =
    execFileSync('pdfimages', ['-list', path], { encoding: 'utf8' }).trim().split('\n').length - 2;
  return { text, images };
}

describe('a dossier', () => {
  it('holds the plan, the readings, every event with what was seen, the photo, the signature and the code', async () => {
    const job = await signed();
    const { text, images } = await printed(job, END);
    const { events, plan } = await view(job);
    expect(text).toContain('K-1/A');
    expect(text).toContain(`Signed by: ${FITTER.name}`);
    expect(text).toContain(plan?.hash.slice(0, 16));
    expect(text).toMatch(/outer sheath, .*caliper/i);
    for (const e of events) expect(text).toContain(e.hash.slice(0, 16));
    expect(text).toContain(`Record: ${events.length} events`);
    expect(text).toMatch(new RegExp(`record ${events.length} · `));
    expect(images).toBe(1);
  });

  it('of a job holds what has a record, and of a box what goes into it', async () => {
    const job = await signed();
    expect((await printed(job, JOB)).text).toContain('K-1/A');
    const place = (await view(job)).place?.enclosure.tag ?? '';
    expect((await printed(job, { kind: 'box', name: place, end: '' })).text).toContain('K-1/A');
    expect(await refused(print(job, { kind: 'box', name: 'no such box', end: '' }))).toMatch(
      /no end goes into/,
    );
  });

  it('is not made of nothing, and not to its end when it is cancelled', async () => {
    expect(await refused(print(await makeJob(), JOB))).toMatch(/nothing is recorded yet/);
    expect(await good(print(await signed(), JOB, true))).toBeNull();
  });
});

describe('a record that is checked elsewhere', () => {
  const bundle = async (job: string, of: Parameters<typeof recordBundle>[1] = END) =>
    (await good(recordBundle(job, of, NOW))).body;
  const wordsOf = (bytes: Uint8Array): string => {
    const report = verifyZip(bytes);
    return report.ok ? '' : report.problems.map((p) => `${p.path} ${p.message}`).join('\n');
  };

  it.each([['of one end', END] as const, ['of the job', JOB] as const])(
    '%s holds, photos too',
    async (_, of) => {
      const job = await signed();
      const { events } = await view(job);
      expect(verifyZip(await bundle(job, of))).toMatchObject({
        ok: true,
        value: { job, subjects: 1, events: events.length, photos: { named: 1, checked: 1 } },
      });
    },
  );

  it.each<[string, (files: Record<string, Uint8Array>, photo: string) => Record<string, Uint8Array>, RegExp]>(
    [
      ['a photo that is another one', (f, p) => ({ ...f, [p]: realJpeg(1) }), /photo has been changed/],
      [
        'a photo less',
        (f, p) => Object.fromEntries(Object.entries(f).filter(([name]) => name !== p)),
        /a photo is missing/,
      ],
      ['a file with a path', (f) => ({ ...f, '../../evil': new Uint8Array(1) }), /belongs to no record/],
      ['no record', (f, p) => ({ [p]: f[p] ?? new Uint8Array(0) }), /record.json is missing/],
      [
        'another person in it',
        (f) => ({
          ...f,
          'record.json': Buffer.from(
            Buffer.from(f['record.json'] ?? '')
              .toString('utf8')
              .replace('"actor":"fitter"', '"actor":"forger"'),
          ),
        }),
        /names somebody else than whoever made it/,
      ],
      [
        'events of another end left out',
        (f) => ({
          ...f,
          'record.json': Buffer.from(
            Buffer.from(f['record.json'] ?? '')
              .toString('utf8')
              .replace(/"subjects":\[.*?\],"receipts"/, '"subjects":[],"receipts"'),
          ),
        }),
        /is missing, though the file says it holds it/,
      ],
    ],
  )('with %s does not', async (_, change, words) => {
    const files = unzipSync(await bundle(await signed()));
    const photo = Object.keys(files).find((n) => n.startsWith('photos/')) ?? '';
    expect(wordsOf(zipSync(change(files, photo)))).toMatch(words);
  });

  it('is no record when it is no zip, or half of one', async () => {
    const whole = await bundle(await signed());
    expect(wordsOf(Buffer.from('PK\u0003\u0004 rubbish'))).toMatch(/is no zip|is missing/);
    expect(wordsOf(whole.subarray(0, whole.length / 2))).not.toBe('');
  });
});

describe('looking through a record', () => {
  it('finds words wherever they stand, all of them, in the group that is asked for', async () => {
    const job = await signed();
    const { events } = await view(job);
    const found = async (text: string, group: Parameters<typeof searchRecord>[2] = 'all') =>
      (await good(searchRecord(job, text, group, 0))).found.map((f) => f.event.seq);
    expect(await found('')).toHaveLength(events.length);
    expect(await found('', 'signed')).toEqual([events.length]);
    expect(await found('clamped fitter')).toContain(events.find((e) => e.kind === 'look')?.seq);
    expect(await found('K-1/A nobody')).toEqual([]);
    // What stands for anything in a search of the database stands for itself here.
    expect(await found('%')).toEqual([]);
    expect(await found('K_1')).toEqual([]);
  });

  it('shows a page at a time, and how many there are', async () => {
    const job = await signed();
    const { total, found } = await good(searchRecord(job, '', 'all', 3));
    expect(found).toHaveLength(total - 3);
    expect(found.map((f) => f.event.seq)).toEqual([...found.map((f) => f.event.seq)].sort((a, b) => b - a));
  });
});
