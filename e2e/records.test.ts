import { readFileSync } from 'node:fs';
import { verifyZip } from '../cli/verify';
import {
  allByRole,
  byRole,
  click,
  d,
  download,
  open,
  says,
  seenElsewhere,
  seriousFindings,
  wait,
  withBrowser,
} from './page';

const JOB = '/job/quillmere';
withBrowser(`${JOB}/records`);

const rows = async (): Promise<number> =>
  (await allByRole('row', undefined, { within: await byRole('table', 'What was found') })).length - 1;

it('finds a batch among all that was recorded, and leads to the end that it went into', async () => {
  await open(`${JOB}/records`);
  await says(/\d+ entries; the record ends at \d+ · /);
  const all = await rows();
  await (await byRole('searchbox', 'Look for')).sendKeys('CR-2611 K-141');
  await wait(async () => (await rows()) < all, 'fewer rows');
  await says('batch CR-2611');
  expect(await seriousFindings()).toEqual([]);
  await click(() => byRole('link', 'K-141/B'));
  await says('Dossier as PDF');
});

it('says so where nothing is found, and tells groups apart', async () => {
  await open(`${JOB}/records`);
  await (await byRole('searchbox', 'Look for')).sendKeys('no such batch');
  await says('Nothing in the record says so.');
  await open(`${JOB}/records`);
  await click(() => byRole('button', 'Signed'));
  await says('Sign the cut card');
});

it('leads from a crossing’s line to its record', async () => {
  await open(`${JOB}/records`);
  await (await byRole('searchbox', 'Look for')).sendKeys('X-5');
  await click(() => byRole('link', 'crossing X-5'));
  await wait(async () => (await d().getCurrentUrl()).includes('/crossings/X-5/record'), 'the record of X-5');
  await says('Dossier as PDF');
});

it('hands over the job on paper, and as a file that holds without this application', async () => {
  await open(`${JOB}/records`);
  await click(() => byRole('button', 'Dossier as PDF'));
  await says('The dossier is made.');
  const pdf = readFileSync(await download(/^quillmere-job-dossier\.pdf$/));
  expect(pdf.subarray(0, 5).toString('latin1')).toBe('%PDF-');
  await click(() => byRole('link', 'Record and photos'));
  const report = verifyZip(readFileSync(await download(/^quillmere-job-record\.zip$/)));
  const { entries } = (await seenElsewhere('viewJobRecord', 'quillmere')) as { readonly entries: number };
  expect(report).toMatchObject({ ok: true, value: { job: 'quillmere', events: entries } });
});

it('opens an end that is signed again with a reason; the signature and the reason stay in the record', async () => {
  await open(`${JOB}/t/K-102/B/prove`);
  await says('Signed by');
  await click(() => byRole('button', 'Open again'));
  await (await byRole('textbox', 'Why')).sendKeys('found loose at the yearly look');
  await click(() => byRole('button', 'Open K-102/B again'));
  await says('Not signed yet.');
  await says('found loose at the yearly look');
});
