// How an end is made off in the browser, step by step, by a fitter who has seen everything.
import { execFileSync } from 'node:child_process';
import type { Step } from '@/core/record';
import type { TerminationView } from '@/core/termination-view';
import {
  allByRole,
  byLabel,
  byRole,
  click,
  d,
  download,
  handOverTo,
  holdButton,
  measureWhatIsNeeded,
  open,
  says,
  seenElsewhere,
  title,
  wait,
} from './page';

export interface End {
  readonly job: string;
  readonly cable: string;
  readonly end: 'A' | 'B';
}
/** No procedure has as many steps. */
const MOST_STEPS = 80;

export const seen = async (end: End) => (await seenElsewhere('viewTermination', end)) as TerminationView;

/** Says of a core where it lies. */
export const lies = async (core: string, position: string) => {
  const field = await byLabel(core);
  await d().executeScript(
    `const f = arguments[0];
     Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, 'value').set.call(f, arguments[1]);
     f.dispatchEvent(new Event('change', { bubbles: true }));`,
    field,
    position,
  );
};

export async function tickAll(): Promise<void> {
  for (const box of await allByRole('checkbox', undefined, { checked: false })) {
    await d().executeScript('arguments[0].scrollIntoView({ block: "center" })', box);
    await box.click();
  }
}

/** A good reading of the insulation, where the step asks for one: much more than is needed. */
async function readInsulation(): Promise<void> {
  for (const field of await allByRole('textbox', /^Insulation.*\(needed\)/)) await field.sendKeys('900');
}

/** The step that is next by the server's word, as soon as the page shows it: a step is recorded before the page has gone on from it. */
async function nextShown(end: End): Promise<{ view: TerminationView; step: Step }> {
  const view = await seen(end);
  const at = view.steps.findIndex((s) => s.id === view.nextStep);
  const step = view.steps[at];
  if (step === undefined) throw new Error(`no step of ${end.cable}/${end.end} is next`);
  await says(RegExp(`step ${at + 1} of ${view.steps.length}(?!\\d)`));
  expect(await title()).toBe(step.title);
  return { view, step };
}

/** Does the step that is next; the first look of all sends back. Whether it was a look. */
async function doStep(end: End, { view, step }: Awaited<ReturnType<typeof nextShown>>, looks: number) {
  await readInsulation();
  await measureWhatIsNeeded();
  await tickAll();
  const ways = step.branches ?? [];
  // What rings from end to end rings on its own.
  for (const { key, label, options } of step.choices ?? [])
    if (options.includes(key))
      await click(async () => byRole('button', key, { within: await byRole('group', label) }));
  const back = ways.findLast((w) => w.backTo !== null);
  const names = await Promise.all((await allByRole('button', /^Hold: /)).map((b) => b.getText()));
  await holdButton((ways.length > 0 && looks === 0 ? back?.button : names.at(-1)) ?? 'Hold');
  await wait(async () => (await seen(end)).events.length > view.events.length, `on from ${step.title}`);
  return ways.length > 0;
}

/** Does steps until one is shown that is headed so. How many looks there were among them, those before counted. */
export async function makeOffTo(end: End, heading: string, looksBefore = 0): Promise<number> {
  let looks = looksBefore;
  let next = await nextShown(end);
  for (let i = 0; i < MOST_STEPS && next.step.title !== heading; i += 1) {
    if (await doStep(end, next, looks)) looks += 1;
    next = await nextShown(end);
  }
  expect(next.step.title).toBe(heading);
  return looks;
}

/** Goes on to the signature, has the inspector sign, and takes the dossier home: its text, as another program reads it. */
export async function signAndTakeDossier(
  end: End,
  looksBefore = 0,
  signature = 'Sign the cut card',
): Promise<string> {
  await makeOffTo(end, signature, looksBefore);
  await handOverTo('Inspector');
  await tickAll();
  await holdButton('Hold: sign');
  await says('Signed by Inspector');
  expect((await seen(end)).chainFaults).toEqual([]);
  return takeDossier(end);
}

/** The dossier of an end, as another program reads it. */
export async function takeDossier({ job, cable, end }: End): Promise<string> {
  await open(`/job/${job}/t/${cable}/${end}/prove`);
  await says('Signed by Inspector.');
  await click(() => byRole('button', 'Dossier as PDF'));
  await says('The dossier is made.');
  return execFileSync('pdftotext', ['-layout', await download(RegExp(`${cable}.*\\.pdf$`)), '-'], {
    encoding: 'utf8',
  });
}
