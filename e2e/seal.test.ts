import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import DxfParser from 'dxf-parser';
import { By, Key } from 'selenium-webdriver';
import {
  alive,
  browser,
  byText,
  click,
  d,
  download,
  find,
  holdButton,
  seeAndHold,
  open,
  retype,
  says,
  seriousFindings,
  textOf,
  withBrowser,
  WAIT,
} from './page';

withBrowser('/job/quillmere/board');

const JOB = '/job/quillmere';
const field = (name: string) => find(`input[name="${name}"]`);

it('works as somebody', async () => {
  await retype(await find('#actor-name'), 'sealer');
  await open(`${JOB}/compound`);
  await d().wait(async () => (await (await find('#actor-name')).getAttribute('value')) === 'sealer', WAIT);
});

describe('the seal station', () => {
  it('says how much of what, and how long by the temperature of the work', async () => {
    await open(`${JOB}/t/K-140/B/seal`);
    await alive();
    expect(await textOf('main h2')).toBe('7 mL of resin QR-7: 1 × QR-7-25.');
    await says('20 min, as printed for 20 °C');
    await retype(await field('PlanTemperature'), '22');
    await says('15 min, by the hotter point 25 °C');
    await says('150 min, by the colder point 20 °C');
    await click(() => byText('button', 'Estimate between them'));
    await says(/about 17 min, an estimate between 20 °C and 25 °C: no sheet prints it/);
    await retype(await field('PlanTemperature'), '38');
    await says('38 °C, the pot life is printed up to 35 °C: 3 °C too hot');
    await retype(await field('PlanTemperature'), '2');
    await says('5 °C up: 3 °C too cold. Warm the work');
  });

  it('changes to the other compound of the approval list, shows what changes, and undoes', async () => {
    await open(`${JOB}/t/K-148/B/seal`);
    await alive();
    await click(() => byText('button', 'putty CP-5'));
    await says('Stale');
    await says('Compound');
    await click(() => byText('button', 'Plan again'));
    await says('mm of stick');
    await says('Knead putty CP-5');
    await click(() => byText('button', 'Undo'));
    await click(() => byText('button', 'Undo'));
    await says('of resin QR-7');
  });

  it('follows a cure: its share, its band, and where a temperature is kept', async () => {
    await open(`${JOB}/t/K-141/B/seal`);
    await says(/\d+ % cured, hard at about \d\d:\d\d/);
    await (await field('WorkTemperature')).sendKeys('20,5', Key.ENTER);
    await says('Temperature kept');
    await says('20.5°');
  });

  it('has nothing serious for axe to find, in both lights', async () => {
    expect(await seriousFindings()).toEqual([]);
    await click(() => byText('button', 'dark'));
    expect(await seriousFindings()).toEqual([]);
    await click(() => byText('button', 'paper'));
  });
});

describe('the bench with a compound', () => {
  it('refuses a pack past its date, begins the pot life, and shows it running', async () => {
    await browser().resize(1024, 768);
    await open(`${JOB}/bench/K-146/B`);
    await says('Still house is classified');
    await holdButton('Hold: permit covers this device');
    await says('Mix resin QR-7');
    await says('K-141/B');
    expect(await (await byText('button', 'Hold: mixed now')).isEnabled()).toBe(false);
    await (await field('mix-batch')).sendKeys('CR-2611');
    const date = await field('mix-expiry');
    const use = (day: string) =>
      d().executeScript(
        `const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set; set.call(arguments[0], '${day}'); arguments[0].dispatchEvent(new Event('input', { bubbles: true }));`,
        date,
      );
    await use('2026-01-31');
    await (await field('mix-temp')).sendKeys('20');
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
    await (await field('WorkTemperature')).sendKeys('21', Key.ENTER);
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
    await open(`${JOB}/bench/K-110/A`);
    await says('Outer sheath off: mark from the cable end');
    const before = Number.parseInt(await textOf('main h1 + p'), 10);
    await click(() => byText('button', 'Damaged…'));
    await (await field('CutOff')).sendKeys('80');
    await holdButton('Hold: cut back');
    await says('30 mm out of reach: this end has 50 mm to spare');
    await retype(await field('CutOff'), '20');
    await holdButton('Hold: cut back');
    await says('Stop: the plan is stale');
    await click(() => byText('button', 'Plan again'));
    await says('Outer sheath off: mark from the cable end');
    expect(Number.parseInt(await textOf('main h1 + p'), 10)).toBe(before - 20);
  });

  it('refuses an armour that was cut too long', async () => {
    await holdButton('Hold: marked and cut');
    await says('Armour off: mark from the cable end');
    await (await field('measured-armour')).sendKeys('44');
    await holdButton('Hold: marked and cut');
    await says(/too long, trim it/);
    await browser().resize(1280, 800);
  });
});

describe('tightening', () => {
  it('turns a torque for a head that stands off, and orders the bolts of a cover', async () => {
    await open(`${JOB}/t/K-117/B/tighten`);
    await alive();
    await click(() => byText('summary', 'Wrench with an open-end head'));
    await retype(await field('wrench-lever'), '400');
    await retype(await field('wrench-head'), '40');
    // 64 · 400 / 440 = 58.18
    await says(/for 64 N·m set\s+58\.2 N·m/);
    await retype(await field('wrench-angle'), '90');
    await says(/for 64 N·m set\s+64 N·m/);
    await click(() => byText('summary', 'Cover bolts'));
    await click(() => byText('button', 'Round cover'));
    const order = () => find('svg[aria-label^="Order:"]').then((e) => e.getAttribute('aria-label'));
    expect(await order()).toBe('Order: 1, 5, 3, 7, 2, 6, 4, 8');
    await retype(await field('bolt-count'), '3');
    await says('must be 4 to 16 bolts');
  });

  it('marks in the section what a stage turns, and says which sheet it follows', async () => {
    await says('this follows AY3 revision 3');
    const stage = await find('main ol > li:nth-child(2)');
    await d().actions().move({ origin: stage }).perform();
    const marked = () => d().findElements(By.css('aside svg polygon[fill="var(--ac-amber)"]'));
    await d().wait(async () => (await marked()).length >= 2, WAIT);
  });
});

describe('drawings and prints', () => {
  it('gives the drawing that is shown as a file another program reads', async () => {
    await open(`${JOB}/t/K-140/B/cut`);
    await alive();
    await click(() => byText('button', 'On cable'));
    await says('wide mouth towards the cable end');
    await click(() => byText('button', 'Closed'));
    await click(() => byText('a', 'DXF'));
    const file = new DxfParser().parseSync(readFileSync(await download(/closed\.dxf$/), 'utf8'));
    expect(file?.entities.length).toBeGreaterThan(20);
    await click(() => byText('a', 'SVG'));
    expect(readFileSync(await download(/closed\.svg$/), 'utf8')).toContain('compound chamber');
  });

  it('takes terminals core by core and refuses one that is too far', async () => {
    await open(`${JOB}/t/K-105/B/cut`);
    await alive();
    await retype(await field('Terminals'), 'L1 9999', Key.ENTER);
    await says(/the terminal of L1 lies 9999 mm away/);
    await retype(await field('Terminals'), Key.DELETE, Key.ENTER);
    await d().wait(async () => (await d().findElements(By.css('main [role="alert"]'))).length === 0, WAIT);
  });

  it('prints a pack of the selection with progress, and a sheet of labels', async () => {
    await open(`${JOB}/prints`);
    await says('ends are planned');
    await click(() => byText('button', 'Select none'));
    for (const tag of ['K-140/B', 'K-141/B'])
      await click(() => d().findElement(By.xpath(`//label[contains(., "${tag}")]//input`)));
    await click(() => byText('button', 'Print 2 cut cards'));
    await says('2 cards are in work-pack-quillmere.pdf.');
    const text = execFileSync('pdftotext', ['-layout', await download(/^work-pack.*\.pdf$/), '-'], {
      encoding: 'utf8',
    });
    for (const words of ['K-140/B', 'K-141/B', 'Compound: resin QR-7', 'marking strip at 1:1'])
      expect(text).toContain(words);
    await click(() => byText('button', 'Labels with codes'));
    const labels = execFileSync('pdftotext', ['-layout', await download(/^labels.*\.pdf$/), '-'], {
      encoding: 'utf8',
    });
    expect(labels).toContain('K-141/B');
    expect(await seriousFindings()).toEqual([]);
  });

  it('stops a pack when it is cancelled', async () => {
    await click(() => byText('button', 'Select these'));
    await click(() => byText('button', 'cut cards'));
    await click(() => byText('button', 'Cancel'));
    await says('Cancelled: nothing was printed.');
  });
});

describe('many ends at once', () => {
  it('plans the mixes, more people or less pot life change them, heat refuses them', async () => {
    await open(`${JOB}/compound`);
    await says(/Running: 2/);
    await says('resin QR-7: 1 mix, up to 4 ends each');
    await retype(await field('batch-perPour'), '10');
    await says('resin QR-7: 2 mixes, up to 1 ends each');
    await retype(await field('batch-people'), '2');
    await says('up to 2 ends each');
    await retype(await field('batch-perPour'), '19');
    await says('one pour takes 19 min');
    await retype(await field('batch-temp'), '37');
    await says('2 °C too hot');
    expect(await seriousFindings()).toEqual([]);
  });
});
