import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { Key } from 'selenium-webdriver';
import {
  address,
  byLabel,
  byRole,
  click,
  d,
  downloads,
  open,
  retype,
  says,
  seriousFindings,
  title,
  withBrowser,
  wait,
} from './page';

// From a program that nobody has ever signed in to, to the card of the first termination.
withBrowser('/first-run', 'nobody at all');

const type = async (label: string | RegExp, text: string) => (await byLabel(label)).sendKeys(text);
const press = (name: string | RegExp) => click(() => byRole('button', name));
const upload = async (label: string, file: string) => (await byLabel(label)).sendKeys(resolve(file));
const path = async () => new URL(await d().getCurrentUrl()).pathname;

it('asks the first who comes for the code on the console, and makes them administrator', async () => {
  await open('/job/anything/board');
  await byRole('heading', 'Nobody works here yet', { level: 1 });
  expect(await seriousFindings()).toEqual([]);
  await type('Code from the console', 'WRONG-WRON-GWRO');
  await type('Your name, for the record', 'Lead electrician');
  await type('Name you sign in by', 'lead');
  await type('Password', 'four words are enough');
  await press('Begin');
  await says('is not the code that stands on the console');
  await retype(await byLabel('Code from the console'), process.env.E2E_OWN_CODE ?? '');
  await press('Begin');
  await byRole('heading', 'Jobs', { level: 1 });
  await says('No job yet');
  await byRole('button', 'Lead electrician works here');
  await open('/first-run');
  expect(await title()).not.toBe('Nobody works here yet');
});

it('takes in the sheets that are at hand', async () => {
  await open('/catalogue');
  await upload('Catalogue file', 'examples/catalogue/demo.json');
  await press('Take it in');
  await says('AY3 revision 3 new');
});

it('makes a job of a name', async () => {
  await open('/');
  await click(() => byRole('link', 'New job'));
  await byRole('heading', 'New job', { level: 1 });
  await press('Make the job');
  await says('a job needs a name');
  await type('Name of the job', 'Pump house');
  expect(await seriousFindings()).toEqual([]);
  await press('Make the job');
  await wait(async () => (await path()) === '/job/pump-house/schedule', 'the schedule');
});

it('takes in the ugly list of the design office, with the types and boxes that it speaks of', async () => {
  await open('/job/pump-house/schedule/import');
  await upload('Cable list, XLSX or CSV', 'examples/cable-lists/7-ugly.xlsx');
  await says('4 new cable types');
  await says('“PG 21” is no hole');
  await says('1 end names a box and no entry');
  expect(await seriousFindings()).toEqual([]);
  await click(() => byRole('checkbox', /I have looked at these types/));
  await press('Take in 2 good rows');
  await says('2 added, 0 changed');
  await open('/job/pump-house/boxes');
  await says('PUMP-9');
});

it('says of the box what it is, and sees what hangs on it', async () => {
  await open('/job/pump-house/boxes/PUMP-9');
  await click(async () => byRole('button', 'Change E1'));
  await retype(await byLabel('Wall of E1'), '14');
  await press('Keep');
  await says('14 mm');
  const choose = async (label: string, words: string) => {
    const list = await byLabel(label);
    await list.sendKeys(words);
  };
  await choose('Protection', 'Ex e');
  await choose('Wall of', 'cast iron');
  await choose('Zone', '1');
  await choose('Gas group', 'IIB');
  await choose('Water or salt at the joints', Key.END);
  await says('No plan becomes stale by it');
  await press('Keep');
  await byRole('button', 'As it is said');
  expect(await seriousFindings()).toEqual([]);
});

it('measures the cable in hand, chooses, and prints the card', async () => {
  await open('/job/pump-house/t/UG-01/B/measure');
  const reading = async (quantity: string, texts: readonly string[]) => {
    for (const text of texts) {
      await retype(await byRole('textbox', `Diameter, ${quantity}`), text, Key.ENTER);
    }
  };
  await reading('outer sheath', ['27.9', '28.2']);
  await reading('inner sheath', ['21.4', '21.7']);
  await reading('armour wire', ['1.6']);
  // Kept, all of them.
  await says('Measured. Passes any bore over');
  await open('/job/pump-house/t/UG-01/B/choose');
  await press(/^Take /);
  await says('is taken');
  const cookie = (await d().manage().getCookies()).map((c) => `${c.name}=${c.value}`).join('; ');
  const answer = await fetch(`${address}/job/pump-house/card/UG-01/B`, { headers: { cookie } });
  expect(answer.headers.get('content-type')).toBe('application/pdf');
  const file = join(downloads, 'first-card.pdf');
  writeFileSync(file, Buffer.from(await answer.arrayBuffer()));
  const text = execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' });
  expect(text).toContain('UG-01/B');
  expect(text).toContain('Pump house');
});

it('finds a place, an end and a box by a few letters, from anywhere', async () => {
  await open('/job/pump-house/board');
  await d().actions().keyDown(Key.CONTROL).sendKeys('k').keyUp(Key.CONTROL).perform();
  const field = await byRole('combobox', 'Find a place');
  await field.sendKeys('pump-9');
  // The boxes are asked for when somebody looks for them: Enter goes to what is seen.
  await byRole('option', 'PUMP-9');
  await field.sendKeys(Key.ENTER);
  await wait(async () => (await path()) === '/job/pump-house/boxes/PUMP-9', 'the box');
  await d().actions().keyDown(Key.CONTROL).sendKeys('k').keyUp(Key.CONTROL).perform();
  await (await byRole('combobox', 'Find a place')).sendKeys('settings');
  expect(await seriousFindings()).toEqual([]);
  await (await byRole('combobox', 'Find a place')).sendKeys(Key.ENTER);
  await wait(async () => (await path()) === '/job/pump-house/settings', 'the settings');
});

it('pastes the table of a datasheet, takes a type out of it that nobody measured yet, and types in a part from paper', async () => {
  await open('/job/pump-house/types');
  await press('Take in a table');
  const field = await byLabel('Table of types');
  const table = [
    ['Part number', 'Cores x area', 'Diameter under bedding (mm)', 'Wire diameter', 'Overall diameter (mm)'],
    ['MU-410', '4x10mm2 XLPE/PVC/SWA/PVC', '14.8 ± 0.4', '1.25', '20.6–21.8'],
    ['MU-000', '3x6', '', '', 'about 20'],
  ];
  // As a spreadsheet puts it on the clipboard: a Tab key would leave the field.
  await d().executeScript(
    `const set = Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, 'value').set;
     set.call(arguments[0], arguments[1]);
     arguments[0].dispatchEvent(new Event('input', { bubbles: true }));`,
    field,
    table.map((row) => row.join('\t')).join('\n'),
  );
  await press('Read what is pasted');
  await says('1 row is left out');
  await press('Take in 1 of the table');
  await says('1 taken in.');
  await byRole('button', 'Change MU-410');
  await open('/catalogue/type/accessory?job=pump-house');
  await byRole('heading', 'New accessory', { level: 1 });
  await type('Part number', 'MU-LN-20');
  await says('not said, or not in order, yet');
  await (await byLabel('Kind')).sendKeys('locknut');
  await (await byLabel('Thread, form')).sendKeys('metric');
  await type('Thread, size', 'M20');
  await type('Thread, pitch', '1.5');
  await type('Thickness', '4.5');
  expect(await seriousFindings()).toEqual([]);
  await press('Put it into the catalogue');
  await byRole('heading', 'Catalogue', { level: 1 });
  expect(await d().getPageSource()).toContain('MU-LN-20');
});
