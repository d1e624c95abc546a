import { makeOffTo, seen, signAndTakeDossier, type End } from './make-off';
import { doneElsewhere, open, passGate, title, withBrowser } from './page';

const END: End = { job: 'quillmere', cable: 'K-143', end: 'A' };
withBrowser('/job/quillmere/t/K-143/A/choose');

it('goes from its gate over a look that sends it back to a signature and a dossier', async () => {
  const fits = (await seen(END)).choice?.candidates.find((c) => c.verdict === 'fits' && c.refusal === null);
  if (fits === undefined) throw new Error('a gland fits K-143/A');
  await doneElsewhere('planner', 'takeSize', END, fits.code, false);
  await open('/job/quillmere/bench/K-143/A');
  if ((await title()).includes(':') && (await seen(END)).place?.enclosure.zone !== null) await passGate();
  expect(await makeOffTo(END, 'Sign the cut card')).toBeGreaterThan(1);
  expect((await seen(END)).loops).toBe(1);
  const dossier = await signAndTakeDossier(END, 1);
  for (const words of ['K-143/A', fits.code, 'Signed', 'Inspector']) expect(dossier).toContain(words);
});
