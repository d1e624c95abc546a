import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { lies, makeOffTo, seen, signAndTakeDossier, tickAll, type End } from './make-off';
import {
  byLabel,
  byRole,
  click,
  d,
  downloads,
  fitsOnPhone,
  holdButton,
  open,
  retype,
  says,
  seriousFindings,
  withBrowser,
} from './page';

const END: End = { job: 'quillmere', cable: 'K-151', end: 'B' };
withBrowser('/job/quillmere/t/K-151/B/cut');

it('shows its pin map on four faces, refuses one that does not hold, and takes one out of a table', async () => {
  await says('The insert’s own order: nobody has typed another.');
  await click(() => byRole('button', 'Pins'));
  await byRole('img', /^Pin map: BN on 1, BK on 2, GY on 3, GNYE on E; pins and sockets/);
  expect(await seriousFindings()).toEqual([]);
  await retype(await byLabel('Pin map, core by core'), 'BN 1, VT 2', '\n');
  await says('is no core of this cable');
  expect((await seen(END)).pins).toEqual([]);
  const file = join(downloads, 'pins.csv');
  writeFileSync(file, 'core;position\nBN;1\nBK;3\nGY;2\nGNYE;E\n');
  const input = await d().findElement({ css: 'input[aria-label="Pin map as CSV"]' });
  await input.sendKeys(file);
  await says('As it was typed.');
  expect((await seen(END)).pins).toContainEqual({ core: 'BK', position: '3' });
  // What somebody did at the bench stood on the other map.
  expect((await seen(END)).stale).toBe(true);
  await click(() => byRole('button', 'Back to the insert’s own order'));
  await says('The insert’s own order: nobody has typed another.');
  expect((await seen(END)).stale).toBe(false);
}, 120_000);

it('asks at the bench where each core lies, and names the one that lies elsewhere', async () => {
  await open('/job/quillmere/bench/K-151/B');
  await says('Cores into the contact insert');
  await byRole('img', /^sockets, from behind/);
  await click(() => byRole('button', 'Pins, front'));
  await byRole('img', /^pins, from their mating face/);
  for (const [core, position] of [
    ['BN', '1'],
    ['BK', '3'],
    ['GY', '2'],
    ['GNYE', 'E'],
  ] as const)
    await lies(core, position);
  await tickAll();
  await holdButton('Hold: checked');
  await says(/BK lies on 3, and the pin map says 2; GY lies on 2, and the pin map says 3/);
  expect((await seen(END)).nextStep).toBe('insert');
  expect(await seriousFindings()).toEqual([]);
  await fitsOnPhone();
  await lies('GY', '3');
  await lies('BK', '2');
  await holdButton('Hold: checked');
  await says('Every contact clicked home');
}, 120_000);

it('comes out from under its cap only from what is proved dead, and is signed and told', async () => {
  await makeOffTo(END, 'Cap off, and mate at once', 1);
  await tickAll();
  await holdButton('Energised again: anew');
  await says('The plant’s half isolated');
  const dossier = await signAndTakeDossier(END, 1);
  for (const words of [
    'K-151/B',
    'PC5-25',
    'BN 1, BK 2, GY 3, GNYE E',
    'Proved dead',
    'Energised again',
    'Inspector',
  ])
    expect(dossier).toContain(words);
  expect((await seen(END)).signedBy).toBe('Inspector');
}, 240_000);
