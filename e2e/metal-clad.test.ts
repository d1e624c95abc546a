import { readFileSync } from 'node:fs';
import type { TerminationView } from '@/core/termination-view';
import {
  allByRole,
  byRole,
  click,
  d,
  doneElsewhere,
  download,
  handOverTo,
  holdButton,
  measureWhatIsNeeded,
  open,
  passGate,
  says,
  seenElsewhere,
  title,
  wait,
  withBrowser,
} from './page';

const END = { job: 'quillmere', cable: 'K-143', end: 'A' };
withBrowser('/job/quillmere/t/K-143/A/choose');

const seen = async () => (await seenElsewhere('viewTermination', END)) as TerminationView;

/** Does the step that is shown, as a fitter who has seen everything; the first look sends back. */
async function doStep(looks: number): Promise<boolean> {
  const at = await title();
  const before = (await seen()).events.length;
  await measureWhatIsNeeded();
  for (const box of await allByRole('checkbox', undefined, { checked: false })) {
    await d().executeScript('arguments[0].scrollIntoView({ block: "center" })', box);
    await box.click();
  }
  const view = await seen();
  const ways = view.steps.find((step) => step.id === view.nextStep)?.branches ?? [];
  const back = ways.findLast((w) => w.backTo !== null);
  const names = await Promise.all((await allByRole('button', /^Hold: /)).map((b) => b.getText()));
  await holdButton((ways.length > 0 && looks === 0 ? back?.button : names.at(-1)) ?? 'Hold');
  await wait(async () => (await seen()).events.length > before, `on from ${at}`);
  return ways.length > 0;
}

it('goes from its gate over a look that sends it back to a signature and a dossier', async () => {
  const fits = (await seen()).choice?.candidates.find((c) => c.verdict === 'fits' && c.refusal === null);
  if (fits === undefined) throw new Error('a gland fits K-143/A');
  await doneElsewhere('planner', 'takeSize', END, fits.code, false);
  await open('/job/quillmere/bench/K-143/A');
  if ((await title()).includes(':') && (await seen()).place?.enclosure.zone !== null) await passGate();
  let looks = 0;
  for (let i = 0; i < 60 && (await title()) !== 'Sign the cut card'; i += 1)
    if (await doStep(looks)) looks += 1;
  expect(looks).toBeGreaterThan(1);
  expect((await seen()).loops).toBe(1);
  await handOverTo('Inspector');
  for (const box of await allByRole('checkbox', undefined, { checked: false })) await box.click();
  await holdButton('Hold: sign');
  await says('Signed by Inspector');
  await open('/job/quillmere/t/K-143/A/prove');
  await says('Signed by Inspector.');
  await click(() => byRole('button', 'Dossier as PDF'));
  await says('The dossier is made.');
  const pdf = readFileSync(await download(/K-143.*\.pdf$/));
  expect(pdf.subarray(0, 5).toString('latin1')).toBe('%PDF-');
  expect((await seen()).chainFaults).toEqual([]);
});
