import { lies, makeOffTo, seen, signAndTakeDossier, tickAll, type End } from './make-off';
import {
  byLabel,
  byRole,
  click,
  d,
  fitsOnPhone,
  holdButton,
  open,
  retype,
  says,
  seriousFindings,
  withBrowser,
} from './page';

const FEEDS: End = { job: 'quillmere', cable: 'K-156', end: 'B' };
withBrowser('/job/quillmere/t/K-157/A/cut');

const all = async (where: Readonly<Record<string, string>>) => {
  for (const [core, position] of Object.entries(where)) await lies(core, position);
};
const ring = async (rings: Readonly<Record<string, string>>) => {
  for (const [core, on] of Object.entries(rings))
    await click(async () => byRole('button', on, { within: await byRole('group', core) }));
};
const HOME = { BN: '1', BK: '2', GY: '3', GNYE: 'E' };
it('says at either half what it is joined with, and that its map does not stand any more', async () => {
  await says('Half of the in-line joint JL-1, with pins, joined with');
  await retype(await byLabel('Pin map, core by core'), 'BN 2, BK 1, GY 3, GNYE E', '\n');
  await says(/No joint yet: the plan of K-156\/B.*stale/);
  await click(() => byRole('link', 'K-156/B'));
  await says('with sockets, joined with');
  expect((await seen(FEEDS)).stale).toBe(true);
  await open('/job/quillmere/t/K-157/A/cut');
  await click(() => byRole('button', 'Back to the insert’s own order'));
  await says('The insert’s own order: nobody has typed another.');
  expect((await seen(FEEDS)).stale).toBe(false);
  expect(await seriousFindings()).toEqual([]);
}, 120_000);

it('leads from the bench of either half through both, and names a core that lies elsewhere', async () => {
  await open('/job/quillmere/bench/K-157/A');
  await says('K-156/B into the housing, the first of the two');
  expect(await d().getCurrentUrl()).toMatch(/bench\/K-156\/B$/);
  await makeOffTo(FEEDS, 'Cores into the contact insert');
  await byRole('img', /^pins, from behind/);
  await all({ ...HOME, BN: '2', BK: '1' });
  await tickAll();
  await holdButton('Hold: checked');
  await says(/BN lies on 2, and the pin map says 1; BK lies on 1, and the pin map says 2/);
  expect((await seen(FEEDS)).nextStep).toBe('other.insert');
  await fitsOnPhone();
  await all({ BK: '2', BN: '1' });
  await holdButton('Hold: checked');
  await says('Every contact clicked home');
}, 180_000);

it('is rung through core by core, and signed once for both', async () => {
  await makeOffTo(FEEDS, 'Rung through the joint, core by core');
  await ring({ BN: 'BK', BK: 'BN', GY: 'GY', GNYE: 'GNYE' });
  await tickAll();
  await holdButton('Hold: checked');
  await says(/BN of K-156\/B rings on BK of K-157\/A; BK of K-156\/B rings on BN of K-157\/A/);
  expect(await seriousFindings()).toEqual([]);
  await ring({ BK: 'BK', BN: 'BN' });
  await holdButton('Hold: checked');
  const dossier = await signAndTakeDossier(FEEDS, 0, 'Sign the joint');
  for (const words of [
    'K-156/B',
    'K-157/A',
    'JC6-25',
    'Rung through the joint',
    'K-157/A: Contacts crimped',
    'Inspector',
  ])
    expect(dossier).toContain(words);
  await open('/job/quillmere/t/K-157/A/prove');
  await says('Signed by Inspector.');
}, 240_000);
