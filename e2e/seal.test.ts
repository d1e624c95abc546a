import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import DxfParser from 'dxf-parser';
import { Key } from 'selenium-webdriver';
import {
  alive,
  allByRole,
  browser,
  byLabel,
  byRole,
  click,
  d,
  download,
  gone,
  holdButton,
  open,
  passGate,
  retype,
  says,
  seeAndHold,
  seriousFindings,
  summary,
  withBrowser,
  wait,
} from './page';

withBrowser('/job/quillmere/board');

const JOB = '/job/quillmere';
const field = (label: string | RegExp) => byLabel(label);
/** By the menu of the bar. */
const inLight = async (light: string) => {
  await click(() => byRole('button', 'choose the light'));
  await click(() => byRole('menuitemradio', RegExp(`^${light}`)));
};
const WORK_AT = 'Work at';
const WORK_TEMPERATURE = 'Temperature of the work';

describe('the seal station', () => {
  it('says how much of what, and how long by the temperature of the work', async () => {
    await open(`${JOB}/t/K-140/B/seal`);
    await alive();
    await byRole('heading', '7 mL of resin QR-7: 1 × QR-7-25.', { level: 2 });
    await says('20 min, as printed for 20 °C');
    await retype(await field(WORK_AT), '22');
    await says('15 min, by the hotter point 25 °C');
    await says('150 min, by the colder point 20 °C');
    await click(() => byRole('button', 'Estimate between them'));
    await says(/about 17 min, an estimate between 20 °C and 25 °C: no sheet prints it/);
    await retype(await field(WORK_AT), '38');
    await says('38 °C, the pot life is printed up to 35 °C: 3 °C too hot');
    await retype(await field(WORK_AT), '2');
    await says('5 °C up: 3 °C too cold. Warm the work');
  });

  it('changes to the other compound of the approval list, shows what changes, and undoes', async () => {
    await open(`${JOB}/t/K-148/B/seal`);
    await alive();
    await click(() => byRole('button', 'putty CP-5'));
    await says('Stale');
    await says('Compound');
    await click(() => byRole('button', 'Plan again'));
    await says('mm of stick');
    await says('Knead putty CP-5');
    await click(() => byRole('button', 'Undo'));
    await click(() => byRole('button', 'Undo'));
    await says('of resin QR-7');
  });

  it('follows a cure: its share, its band, and where a temperature is kept', async () => {
    await open(`${JOB}/t/K-141/B/seal`);
    await says(/\d+ % cured, hard at about \d\d:\d\d/);
    await (await field(WORK_TEMPERATURE)).sendKeys('20,5', Key.ENTER);
    await says('Temperature kept');
    await says('20.5°');
  });

  it('has nothing serious for axe to find, in both lights', async () => {
    expect(await seriousFindings()).toEqual([]);
    await inLight('dark');
    expect(await seriousFindings()).toEqual([]);
    await inLight('as the device');
  });
});

describe('the bench with a compound', () => {
  afterAll(() => browser().resize(1280, 800));

  it('refuses a pack past its date, begins the pot life, and shows it running', async () => {
    await browser().resize(1024, 768);
    await open(`${JOB}/bench/K-146/B`);
    await says('Still house: zone 1');
    await passGate();
    await says('Mix resin QR-7');
    await says('K-141/B');
    expect(await (await byRole('button', 'Batch, date and warmth first')).isEnabled()).toBe(false);
    await (await field('Batch on the pack')).sendKeys('CR-2611');
    const use = async (day: string) => {
      const date = await byRole('group', 'Use by');
      const parts = await allByRole('spinbutton', undefined, { within: date });
      for (const [i, typed] of day.split('-').entries()) await parts[i]?.sendKeys(typed);
    };
    await use('2026-01-31');
    await (await field(/^Work/)).sendKeys('20');
    await holdButton('Hold: mixed now');
    await says('this pack expired on 2026-01-31: take another');
    await use('2028-06-30');
    await holdButton('Hold: mixed now');
    await says('Chamber on, then fill it');
    await says(/\d+:\d\d\s+of the pot life left, until \d\d:\d\d/);
    // This end's own clock stays in sight whatever the step is about.
    await says(/Pot life: \d+:\d\d left/);
    await holdButton('Hold: done');
    await says('Seat the chamber before cure');
    await holdButton('Hold: done');
  });

  it('does not open before it is hard, and says how far it is', async () => {
    await says('Nothing moves until it is hard');
    await says(/0 %\s+hard at about \d\d:\d\d/);
    await seeAndHold('Hold: it is hard');
    await says(/0 % cured: hard in about 1\d\d min if the work stays as warm/);
    await (await field(WORK_TEMPERATURE)).sendKeys('21', Key.ENTER);
    await says('21°');
    expect(await seriousFindings()).toEqual([]);
  });

  it('stays usable on a phone', async () => {
    await browser().resize(390, 844);
    await says('Nothing moves until it is hard');
    const wide = await d().executeScript<number>('return document.documentElement.scrollWidth');
    expect(wide).toBeLessThanOrEqual(390);
    await browser().resize(1024, 768);
  });

  it('cuts a damaged end back at the cost of its spare, and begins again', async () => {
    /** Where the step says that the mark is, mm from the cable end. */
    const marked = async () =>
      Number.parseInt(/\n(\d+) mm/.exec(await (await byRole('main')).getText())?.[1] ?? '', 10);
    await open(`${JOB}/bench/K-110/A`);
    await says('Outer sheath off: mark from the cable end');
    const before = await marked();
    await click(() => byRole('button', 'Damaged…'));
    await (await field('From the end to the damage')).sendKeys('80');
    await holdButton('Hold: cut back');
    await says('30 mm out of reach: this end has 50 mm to spare');
    await retype(await field('From the end to the damage'), '20');
    await holdButton('Hold: cut back');
    await says('Stop: the plan is stale');
    await click(() => byRole('button', 'Plan again'));
    await says('Outer sheath off: mark from the cable end');
    expect(await marked()).toBe(before - 20);
  });

  it('refuses an armour that was cut too long', async () => {
    await holdButton('Hold: marked and cut');
    await says('Armour off: mark from the cable end');
    await (await field(/^Armour.*as measured/)).sendKeys('44');
    await holdButton('Hold: marked and cut');
    await says(/too long, trim it/);
  });
});

describe('tightening', () => {
  it('turns a torque for a head that stands off, and orders the bolts of a cover', async () => {
    await open(`${JOB}/t/K-117/B/tighten`);
    await alive();
    await click(() => summary('Wrench with an open-end head'));
    await retype(await field('L, handle to drive'), '400');
    await retype(await field('E, drive to head'), '40');
    // 64 · 400 / 440 = 58.18
    await says(/for 64 N·m set\s+58\.2 N·m/);
    await retype(await field('θ, head from'), '90');
    await says(/for 64 N·m set\s+64 N·m/);
    await click(() => summary('Cover bolts'));
    await click(() => byRole('button', 'Round cover'));
    const order = () => byRole('img', /^Order:/).then((e) => e.getAccessibleName());
    expect(await order()).toBe('Order: 1, 5, 3, 7, 2, 6, 4, 8');
    await retype(await field('Bolts'), '3');
    await says('must be 4 to 16 bolts');
  });

  it('marks in the section what a stage turns, and says which sheet it follows', async () => {
    await says('this follows AY3 revision 3');
    const [stages] = await allByRole('list', undefined, { within: await byRole('main') });
    const [, stage] = stages ? await allByRole('listitem', undefined, { within: stages }) : [];
    if (!stage) throw new Error('no second stage');
    await d().actions().move({ origin: stage }).perform();
    // What is painted has no name of its own: counted by its colour.
    const marked = async () =>
      d().executeScript<number>(
        `return [...arguments[0].getElementsByTagName('polygon')].filter((p) => p.getAttribute('fill') === 'var(--ac-amber)').length;`,
        await byRole('complementary', 'The stripped end'),
      );
    await wait(async () => (await marked()) >= 2, 'two marks');
  });
});

describe('drawings and prints', () => {
  it('gives the drawing that is shown as a file another program reads', async () => {
    await open(`${JOB}/t/K-140/B/cut`);
    await alive();
    await click(() => byRole('button', 'On cable'));
    await says('wide mouth towards the cable end');
    await click(() => byRole('button', 'Closed'));
    await click(() => byRole('link', 'DXF'));
    const file = new DxfParser().parseSync(readFileSync(await download(/closed\.dxf$/), 'utf8'));
    expect(file?.entities.length).toBeGreaterThan(20);
    await click(() => byRole('link', 'SVG'));
    expect(readFileSync(await download(/closed\.svg$/), 'utf8')).toContain('compound chamber');
  });

  it('takes terminals core by core and refuses one that is too far', async () => {
    await open(`${JOB}/t/K-105/B/cut`);
    await alive();
    await retype(await field('Terminals that differ'), 'L1 9999', Key.ENTER);
    await says(/the terminal of L1 lies 9999 mm away/);
    await retype(await field('Terminals that differ'), Key.DELETE, Key.ENTER);
    await gone('alert');
  });

  it('prints a pack of the selection with progress, and a sheet of labels', async () => {
    await open(`${JOB}/prints`);
    await says('ends are planned');
    await click(() => byRole('button', 'Select none'));
    for (const tag of ['K-140/B', 'K-141/B']) await click(() => byRole('checkbox', tag));
    await click(() => byRole('button', 'Print 2 cut cards'));
    await says('2 cards are in work-pack-quillmere.pdf.');
    const text = execFileSync('pdftotext', ['-layout', await download(/^work-pack.*\.pdf$/), '-'], {
      encoding: 'utf8',
    });
    for (const words of ['K-140/B', 'K-141/B', 'Compound: resin QR-7', 'marking strip at 1:1'])
      expect(text).toContain(words);
    await click(() => byRole('button', 'Labels with codes'));
    const labels = execFileSync('pdftotext', ['-layout', await download(/^labels.*\.pdf$/), '-'], {
      encoding: 'utf8',
    });
    expect(labels).toContain('K-141/B');
    expect(await seriousFindings()).toEqual([]);
  });

  it('stops a pack when it is cancelled', async () => {
    await click(() => byRole('button', 'Select these'));
    await click(() => byRole('button', 'cut cards'));
    await click(() => byRole('button', 'Cancel'));
    await says('Cancelled: nothing was printed.');
  });
});

describe('many ends at once', () => {
  it('plans the mixes, more people or less pot life change them, heat refuses them', async () => {
    await open(`${JOB}/compound`);
    await says(/Running: 2/);
    await says('resin QR-7: 1 mix, up to 4 ends each');
    await retype(await field('One pour takes'), '10');
    await says('resin QR-7: 2 mixes, up to 1 ends each');
    await retype(await field('People pouring'), '2');
    await says('up to 2 ends each');
    await retype(await field('One pour takes'), '19');
    await says('one pour takes 19 min');
    await retype(await field(WORK_AT), '37');
    await says('2 °C too hot');
    expect(await seriousFindings()).toEqual([]);
  });
});
