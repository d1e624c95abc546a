import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { Key } from 'selenium-webdriver';
import { startApplication } from '../scripts/lib/application.mjs';
import { freePort } from '../scripts/lib/mariadb.mjs';
import { makeOffTo, seen, signAndTakeDossier, tickAll, type End } from './make-off';
import {
  allByRole,
  byLabel,
  byRole,
  d,
  goBy,
  holdButton,
  open,
  passGate,
  says,
  title,
  wait,
  withBrowser,
} from './page';

const END: End = { job: 'quillmere', cable: 'K-148', end: 'B' };
const BENCH = '/job/quillmere/bench/K-148/B';
withBrowser(BENCH);

/** How far the clock of the other application goes ahead. */
const AHEAD = join(mkdtempSync(join(tmpdir(), 'amber-collar-ahead-')), 'minutes');
let later: Awaited<ReturnType<typeof startApplication>> | null = null;
afterAll(async () => {
  await later?.stop();
  rmSync(dirname(AHEAD), { recursive: true });
});

/** So many minutes from now: another application in front of the same database, whose clock goes ahead. */
async function goOnAfter(minutes: number): Promise<void> {
  writeFileSync(AHEAD, String(minutes));
  later ??= await startApplication({
    port: await freePort(0),
    databaseUrl: process.env.E2E_DATABASE_URL ?? '',
    keep: process.env.E2E_KEEP ?? '',
    logName: 'test-application-later.log',
    aheadFile: AHEAD,
  });
  goBy(later.address);
  // It reads its clock ten times in a second.
  await d().sleep(300);
}

async function logTemperature(c: string): Promise<void> {
  const before = (await seen(END)).events.length;
  await (await byLabel('Temperature of the work')).sendKeys(c, Key.ENTER);
  await wait(async () => (await seen(END)).events.length > before, `${c} °C in the record`);
}

async function mix(batch: string): Promise<void> {
  await (await byLabel('Batch on the pack')).sendKeys(batch);
  const parts = await allByRole('spinbutton', undefined, { within: await byRole('group', 'Use by') });
  for (const [i, typed] of '2028-06-30'.split('-').entries()) await parts[i]?.sendKeys(typed);
  await (await byLabel(/^Work/)).sendKeys('20');
  await (await byLabel('Measured with')).sendKeys('thermometer 2');
  await holdButton('Hold: mixed now');
  await says('Chamber on, then fill it');
}

it('goes from its gate to the mixing, and what is poured after its pot life is refused and is waste', async () => {
  if ((await title()).startsWith('Still house')) await passGate();
  await makeOffTo(END, 'Mix resin QR-7');
  await mix('CR-2611');
  await goOnAfter(45);
  await open(BENCH);
  if ((await title()).startsWith('Still house')) await passGate();
  await holdButton('Hold: done');
  await says(/the pot life ended \d+ min ago: this mix is waste/);
  const view = await seen(END);
  expect(view.events.at(-1)).toMatchObject({ kind: 'waste' });
  expect(view.nextStep).toBe('mix');
}, 240_000);

it('is not opened before it is hard, and is hard by the temperatures of hours', async () => {
  await open(BENCH);
  await says('Mix resin QR-7');
  await mix('CR-2612');
  await makeOffTo(END, 'Nothing moves until it is hard');
  // No half hour without a temperature; 150 min at 20 °C, 120 min at 25 °C by its sheet.
  for (let minutes = 25; minutes <= 175; minutes += 25) {
    await goOnAfter(45 + minutes);
    if (minutes === 100) {
      await tickAll();
      await holdButton('Hold: it is hard');
      await says(/\d\d % cured: hard in about/);
    }
    await logTemperature('21');
  }
}, 240_000);

it('is looked at, made off, signed and told in a dossier with its wasted mix', async () => {
  const dossier = await signAndTakeDossier(END, 1);
  for (const words of ['K-148/B', 'WASTE', 'CR-2611', 'CR-2612', 'thermometer 2', 'Signed', 'Inspector'])
    expect(dossier).toContain(words);
}, 240_000);
