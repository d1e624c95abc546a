import { lies, makeOffTo, seen, signAndTakeDossier, tickAll, type End } from './make-off';
import { byLabel, fitsOnPhone, holdButton, open, retype, says, seriousFindings, withBrowser } from './page';

const END: End = { job: 'quillmere', cable: 'K-150', end: 'B' };
withBrowser('/job/quillmere/bench/K-150/B');

const plate = async (volts: string) => {
  await retype(await byLabel(/^Supply on the plate/), volts);
  await retype(await byLabel(/^Frequency on the plate/), '50');
  await retype(await byLabel(/^Power on the plate/), '4000');
};

it('is the clamp of the device and no gland, and what is read off its plate stops what was not ordered', async () => {
  await open('/job/quillmere/t/K-150/B/choose');
  await says('DC6-25');
  await open('/job/quillmere/bench/K-150/B');
  await says('Nameplate against the order');
  await says('Ordered: supply 400 V, frequency 50 Hz, power 4000 W.');
  await plate('690');
  await says(/250 V more: this is not the device that was ordered: stop/);
  expect(await seriousFindings()).toEqual([]);
  await fitsOnPhone();
  await plate('400');
  await tickAll();
  await lies('IP code', 'IP 54');
  await holdButton('Hold: checked');
  await says(/the plate says IP 54, and the place asks for IP 66/);
  await lies('IP code', 'IP 66');
  await holdButton('Hold: checked');
  await says('Housing loose to be turned');
});

it('adds up its turns, refuses the one too far, and is closed in passes, signed and told', async () => {
  await holdButton('Hold: done');
  await says('Housing turned to where it is wanted');
  await (await byLabel(/^Turned now/)).sendKeys('200');
  await tickAll();
  await holdButton('Turned: not there yet');
  await says('Housing loose to be turned');
  await holdButton('Hold: done');
  await says('Housing turned to where it is wanted');
  await (await byLabel(/^Turned now/)).sendKeys('150');
  await tickAll();
  await holdButton('Hold: it stands as wanted');
  await says('10° too far');
  await retype(await byLabel(/^Turned now/), '-90');
  await holdButton('Hold: it stands as wanted');
  await says('Cover off, a little at each bolt');
  await makeOffTo(END, 'First pass of the cover', 1);
  await says('Bolts in this order: 1, 5, 3, 7, 2, 6, 4, 8.');
  const dossier = await signAndTakeDossier(END, 1);
  for (const words of [
    'K-150/B',
    'DC6-25',
    'Supply on the plate: read 400 V',
    'read 200 °',
    'read -90 °',
    'Inspector',
  ])
    expect(dossier).toContain(words);
  expect((await seen(END)).signedBy).toBe('Inspector');
}, 240_000);
