import type { TerminationView } from '@/core/termination-view';
import { PIN, sessionOf } from './session';
import {
  address,
  allByRole,
  byLabel,
  byRole,
  click,
  d,
  holdButton,
  open,
  says,
  seenElsewhere,
  seriousFindings,
  wait,
  withBrowser,
} from './page';

const END = { job: 'quillmere', cable: 'K-117', end: 'A' } as const;
const BENCH = '/job/quillmere/bench/K-117/A';
withBrowser('/sign-in', 'nobody');

const seen = async () => (await seenElsewhere('viewTermination', END)) as TerminationView;

it('lets an apprentice to the bench when an inspector says so with their PIN, and names both in the record', async () => {
  await d()
    .manage()
    .addCookie({ ...(await sessionOf(address, 'apprentice')), httpOnly: true });
  await open(BENCH);
  await says('Under whom do you work here?');
  expect(await allByRole('button', /^Hold/)).toEqual([]);
  expect(await seriousFindings()).toEqual([]);
  await click(() => byRole('button', /Inspector/));
  await (await byLabel('Their PIN')).sendKeys('00000');
  await click(() => byRole('button', 'Under me'));
  await says('The PIN is wrong: 4 more and it is locked');
  await (await byLabel('Their PIN')).sendKeys(PIN);
  await click(() => byRole('button', 'Under me'));
  await says('under Inspector');
  const before = (await seen()).events.length;
  await holdButton('Hold: done');
  await wait(async () => (await seen()).events.length === before + 1, 'the step in the record');
  expect((await seen()).events.at(-1)).toMatchObject({
    actor: 'Apprentice',
    body: { under: { name: 'Inspector' } },
  });
  await open('/job/quillmere/t/K-117/A/prove');
  await says('under Inspector');
});
