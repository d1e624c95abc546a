import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { TerminationView } from '@/core/termination-view';
import { openBrowser } from './browser';
import { cutLine, type CutLine } from './cut-line';
import {
  address,
  allByRole,
  byRole,
  byLabel,
  click,
  d,
  doneElsewhere,
  downloads,
  goBy,
  holdButton,
  open,
  passGate,
  says,
  seenElsewhere,
  title,
  wait,
  withBrowser,
} from './page';

const JOB = '/job/quillmere';
const LONG = { job: 'quillmere', cable: 'K-130', end: 'A' };
const MET = { job: 'quillmere', cable: 'K-131', end: 'B' };
const POURED = { job: 'quillmere', cable: 'K-147', end: 'B' };

let line: CutLine;
beforeAll(async () => {
  line = await cutLine(address);
  goBy(line.address);
});
withBrowser(
  `${JOB}/board`,
  'planner',
  /net::ERR_(CONNECTION_REFUSED|CONNECTION_RESET|EMPTY_RESPONSE|INCOMPLETE_CHUNKED_ENCODING|SOCKET_NOT_CONNECTED)/,
);
afterAll(() => line.end());

const seen = async (end: typeof LONG) => (await seenElsewhere('viewTermination', end)) as TerminationView;
const bench = ({ cable, end }: typeof LONG) => `${JOB}/bench/${cable}/${end}`;

/** Does the step that is shown, as a fitter who has seen everything; at a look what `look` says, else what leads on. */
async function doStep(look?: string): Promise<string> {
  const at = await title();
  for (const box of await allByRole('checkbox', undefined, { checked: false })) {
    await d().executeScript('arguments[0].scrollIntoView({ block: "center" })', box);
    await box.click();
  }
  const buttons = await allByRole('button', /^Hold: /);
  const names = await Promise.all(buttons.map((b) => b.getText()));
  await holdButton(at === 'Undo, look, decide' && look !== undefined ? look : (names.at(-1) ?? 'Hold'));
  await wait(async () => (await title()) !== at, `on from ${at}`);
  return at;
}

/** Takes a picture that a page of the browser has drawn, and keeps it at the look that is shown. */
async function photograph(n: number): Promise<void> {
  const data = await d().executeScript<string>(
    `const canvas = document.createElement('canvas');
     canvas.width = 2400; canvas.height = 1800;
     const context = canvas.getContext('2d');
     context.fillStyle = ['#a08040', '#c9b08a', '#8f979c'][arguments[0] % 3];
     context.fillRect(0, 0, 2400, 1800);
     return canvas.toDataURL('image/png').split(',')[1];`,
    n,
  );
  const file = join(downloads, `armour-${n}.png`);
  writeFileSync(file, Buffer.from(data, 'base64'));
  await (await byLabel('Choose one')).sendKeys(file);
  const photo = await byRole('img', 'The photo, to be drawn on');
  await d()
    .actions()
    .move({ origin: photo })
    .press()
    .move({ origin: photo, x: 60, y: 40 })
    .release()
    .perform();
  await click(() => byRole('button', 'Keep this photo'));
  await byRole('img', 'Photo 1');
}

/** The worker holds the pages, and this very page is under it. */
const pagesKept = () =>
  wait(
    () => d().executeScript<boolean>('return navigator.serviceWorker.controller?.state === "activated"'),
    'the pages are kept',
  );

it('takes ends along, says what is with the device, and opens a bench again without a server', async () => {
  await open(`${JOB}/board`);
  await click(() => byRole('link', 'Take ends along'));
  await byRole('heading', 'Take along', { level: 1 });
  await click(() => byRole('checkbox', 'K-131/B'));
  await click(() => byRole('checkbox', 'K-147/B'));
  await click(() => byRole('button', 'Take these 2 with me'));
  await says('2 of 2 with this device.');
  await pagesKept();
  await line.cut();
  await open(bench(MET));
  await says('Cask store: zone 2');
  await d().get(`${line.address}${JOB}/kit`);
  await says('There is no server, and this page needs one');
  await says('K-131/B');
  await d().get(`${line.address}${bench(LONG)}`);
  await says('this is not with this device');
  await line.join();
});

it('goes on for thirty steps without a server, through reloads and a killed page, and sends them once, in order', async () => {
  await open(bench(LONG));
  await byRole('heading', undefined, { level: 1 });
  await pagesKept();
  const done: string[] = [await doStep()];
  await line.cut();
  while (done.length < 12) done.push(await doStep());
  await says(/\d+ not sent, since \d\d:\d\d/);
  const at = await title();
  await open(bench(LONG));
  await says(at);
  // The page dies in the middle of a step, as on an empty battery.
  await d().switchTo().newWindow('tab');
  const [killed, next = ''] = await d().getAllWindowHandles();
  await d()
    .switchTo()
    .window(killed ?? '');
  await d().close();
  await d().switchTo().window(next);
  await open(bench(LONG));
  await says(at);
  let photos = 0;
  while (done.length < 30) {
    if (photos < 3 && (await title()) === 'Undo, look, decide') {
      await photograph(photos);
      photos += 1;
    }
    done.push(await doStep(done.length < 28 ? 'Back to spreading' : undefined));
  }
  expect(photos).toBe(3);
  const before = await seen(LONG);
  expect(before.events).toHaveLength(1);
  await line.join();
  await wait(async () => (await seen(LONG)).events.length === 30, 'all thirty in the record');
  const after = await seen(LONG);
  const titles = new Map(after.steps.map((s) => [s.id, s.title]));
  expect(after.events.map((e) => titles.get(e.stepId))).toEqual(done);
  expect(after.chainFaults).toEqual([]);
  const hashes = after.events.flatMap((e) => (e.body as { photos?: string[] }).photos ?? []);
  expect(hashes).toHaveLength(3);
  await open(`${JOB}/t/K-130/A/prove`);
  for (const hash of hashes) {
    const shown = await byRole('img', hash.slice(0, 8));
    await d().executeScript('arguments[0].scrollIntoView()', shown);
    await wait(
      () => d().executeScript<boolean>('return arguments[0].naturalWidth === 1600', shown),
      `photo ${hash} shown`,
    );
  }
  expect(after.events.slice(1).every((e) => e.kept !== null && e.at <= e.receivedAt)).toBe(true);
  await wait(
    async () => !(await d().executeScript<string>('return document.body.innerText')).includes('not sent'),
    'nothing is said to be unsent any more',
  );
}, 240_000);

it('pours by the clock of the device: the record says so, and the signature asks for it', async () => {
  await open(bench(POURED));
  await passGate();
  await byRole('heading', undefined, { level: 1 });
  await line.cut();
  while (!(await title()).startsWith('Mix')) await doStep();
  await (await byRole('textbox', /Batch/)).sendKeys('QR-7 0412');
  const day = await allByRole('spinbutton', undefined, { within: await byRole('group', 'Use by') });
  for (const [i, typed] of ['2028', '06', '30'].entries()) await day[i]?.sendKeys(typed);
  await (await byRole('textbox', /^Work/)).sendKeys('20');
  await doStep();
  await says(/Pot life: \d+/);
  await doStep();
  await line.join();
  await wait(
    async () => (await seen(POURED)).events.some((e) => e.stepId === 'fill'),
    'the filling is in the record',
  );
  const { steps, chainFaults } = await seen(POURED);
  expect(chainFaults).toEqual([]);
  expect(
    steps
      .find((s) => s.kind === 'sign')
      ?.checks?.filter((c) => c.startsWith('By the clock of a device only')),
  ).toHaveLength(2);
});

it('shows two devices at one end both sides, and does what a person decides', async () => {
  await open(bench(MET));
  await says('Cask store: zone 2');
  await passGate();
  await byRole('heading', undefined, { level: 1 });
  await line.cut();
  const mine = [await doStep(), await doStep()];
  const theirs = (await seen(MET)).steps.find((s) => s.title === mine[0]);
  await doneElsewhere(
    'inspector',
    'work',
    { kind: 'termination', ...MET },
    {
      id: crypto.randomUUID(),
      at: new Date().toISOString(),
      command: {
        kind: 'confirm',
        stepId: theirs?.id,
        fingerprint: theirs?.fingerprint,
        checked: [],
        measured: {},
      },
    },
  );
  await line.join();
  await says('K-131/B went on without this device');
  const both = await byRole('region', 'K-131/B: decide what stands');
  const text = await both.getText();
  expect(text).toMatch(/In the record meanwhile[\s\S]*Inspector/);
  expect(text).toMatch(new RegExp(`Kept on this device[\\s\\S]*${mine[1]}`));
  await (await byLabel('Why: it stands in the record')).sendKeys('the inspector tapped the wrong end');
  await click(() => byRole('button', 'This device stands: take theirs back'));
  await wait(async () => (await seen(MET)).events.at(-1)?.actor === 'Planner', 'mine is in the record');
  const { events, chainFaults, done } = await seen(MET);
  expect(chainFaults).toEqual([]);
  expect(done).toHaveLength(9);
  expect(events.map((e) => e.kind)).toContain('correct');
});

it('lets another browser see nothing of it', async () => {
  const other = await openBrowser();
  try {
    await other.driver.get(`${address}/on-this-device`);
    await other.driver.sleep(1500);
    const text = await other.driver.executeScript<string>('return document.body.innerText');
    expect(text).toMatch(/Nothing is with this device/);
    expect(text).not.toMatch(/K-13\d/);
  } finally {
    await other.close();
  }
});
