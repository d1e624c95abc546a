import { randomUUID } from 'node:crypto';
import { By, type WebElement } from 'selenium-webdriver';
import { asHeld } from '@/core/record';
import type { TerminationView } from '@/core/termination-view';
import {
  allByRole,
  byLabel,
  byRole,
  click,
  d,
  doneElsewhere,
  download,
  holdButton,
  open,
  retype,
  says,
  seenElsewhere,
  seriousFindings,
  summary,
  valueOf,
  wait,
  withBrowser,
} from './page';

const END = { job: 'quillmere', cable: 'K-120', end: 'A' } as const;
const BENCH = '/job/quillmere/bench/K-120/A';
withBrowser('/job/quillmere/t/K-120/A/prove');

const seen = async () => (await seenElsewhere('viewTermination', END)) as TerminationView;

beforeAll(async () => {
  for (let view = await seen(); view.nextStep !== 'stage.entry'; view = await seen()) {
    const step = view.steps.find((s) => s.id === view.nextStep);
    if (step === undefined) throw new Error('K-120/A never comes to its torque');
    await doneElsewhere(
      'fitter',
      'work',
      { kind: 'termination', ...END },
      {
        id: randomUUID(),
        at: new Date().toISOString(),
        command: asHeld(step),
      },
    );
  }
});

/** Clicks what may lie under the bench's own buttons: brought into the middle first. */
const press = async (locate: () => PromiseLike<WebElement>) => {
  await d().executeScript('arguments[0].scrollIntoView({ block: "center" })', await locate());
  await click(locate);
};
const pull = async (ms: number) => {
  const button = await byRole('button', 'Hold to pull');
  await d().executeScript('arguments[0].scrollIntoView({ block: "center" })', button);
  await d().actions().move({ origin: button }).press().pause(ms).release().perform();
};
const TORQUE = 'Torque at its peak, as measured';
const AGAIN = 'Torque at its peak, read a second time';

it('takes the peak of a wrench, says at once that it is out, and asks for a second reading near a limit', async () => {
  await open(BENCH);
  await press(() => summary('Take it from an instrument'));
  // Twenty newton metres a second: this is past anything that is asked for.
  await pull(4500);
  await wait(async () => Number(await valueOf(TORQUE)) > 60, 'the peak of the pull');
  await says(/asked for: [\d.]+ N·m too much: slacken/);
  expect(await valueOf('Measured with')).toBe('Simulated torque wrench');
  expect(await seriousFindings()).toEqual([]);
  await holdButton('Hold: done');
  await says(/too much: slacken, look at thread and seal/);
  expect((await seen()).nextStep).toBe('stage.entry');

  const step = (await seen()).steps.find((s) => s.id === 'stage.entry');
  const [accept] = step?.accepts ?? [];
  if (accept === undefined) throw new Error('the stage says no torque');
  await retype(await byLabel(TORQUE), String(accept.max - 0.2));
  await byLabel(AGAIN);
  expect(await (await byRole('button', 'Read it a second time first')).isEnabled()).toBe(false);
  await (await byLabel(AGAIN)).sendKeys(String(accept.max - 0.4));
  await holdButton('Hold: done');
  await wait(async () => (await seen()).nextStep !== 'stage.entry', 'the step to be recorded');
  const { events, chainFaults } = await seen();
  expect(chainFaults).toEqual([]);
  expect(events.at(-1)).toMatchObject({
    stepId: 'stage.entry',
    body: {
      instrument: 'Simulated torque wrench',
      measured: [{ key: 'torque', mm: null, nm: accept.max - 0.2, again: accept.max - 0.4 }],
    },
  });
});

it('keeps what a caliper types, the first across and the second at a right angle, in its own unit', async () => {
  const before = (await seen()).readings.length;
  await open(BENCH);
  await click(() => byRole('button', 'Measured…'));
  await press(() => summary('Take it from an instrument'));
  const shows = await byRole('group', 'Caliper shows');
  await press(() => byRole('button', 'in', { within: shows }));
  await press(() => byRole('button', 'Type it'));
  await wait(async () => (await seen()).readings.length === before + 1, 'the first reading');
  const { reading } = (await seen()).readings.at(-1) ?? {};
  expect(reading).toMatchObject({ unit: 'in', instrument: 'Simulated caliper', method: 'caliper' });
  expect(Number(reading?.text)).toBeCloseTo(28 / 25.4, 2);
});

it('hears an instrument on a cable, and takes no line that is no figure', async () => {
  await open('/job/quillmere/t/K-104/A/tighten');
  await click(() => summary('Wrench with an open-end head'));
  await press(() => summary('Take it from an instrument'));
  // A port that the browser would open, with what an angle gauge sends.
  await d().executeScript(`
    const text = new TextEncoder();
    const open = { send: null };
    window.cable = open;
    Object.defineProperty(navigator.serial, 'requestPort', { configurable: true, value: async () => ({
      readable: new ReadableStream({ start: (line) => { open.send = (t) => line.enqueue(text.encode(t)); } }),
      open: async () => undefined,
      close: async () => undefined,
    }) });`);
  await click(() => byRole('button', 'Connect one by cable'));
  await says('Listening.');
  await d().executeScript("window.cable.send('+03'); window.cable.send('0.5\\r\\n');");
  const theta = await d().findElement(By.name('wrench-angle'));
  await wait(async () => (await theta.getAttribute('value')) === '30.5', 'the angle that was sent');
  await d().executeScript("window.cable.send('ERR 4\\r\\n');");
  await says('What it sent is no figure that an instrument shows.');
  expect(await theta.getAttribute('value')).toBe('30.5');
});

it('prints a label, reads it back from a picture of it, and names the end whose label is held there instead', async () => {
  await open('/job/quillmere/t/K-120/A/prove');
  await click(() => summary('Label'));
  await click(() => byRole('button', 'Print on the simulated printer'));
  await click(() => byRole('button', 'Save its picture'));
  const picture = await download(/^label K-120-A.*\.png$/);
  const read = async () =>
    (await d().findElement(By.css('input[aria-label="Photo of a label"]'))).sendKeys(picture);
  await read();
  await says('This is the label of K-120/A: it leads here.');
  await open('/job/quillmere/t/K-104/A/prove');
  await click(() => summary('Label'));
  await read();
  await says('Not this end: the label is of K-120/A. This end is K-104/A.');
  await click(() => byRole('link', 'Open that end'));
  await wait(async () => (await d().getCurrentUrl()).endsWith('/t/K-120/A/prove'), 'the end of the label');
  expect((await allByRole('heading', 'History')).length).toBe(1);
});
