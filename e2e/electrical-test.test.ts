import {
  allByRole,
  browser,
  byLabel,
  byRole,
  click,
  d,
  open,
  retype,
  says,
  seriousFindings,
  summary,
  wait,
  withBrowser,
  handOverTo,
  holdButton,
} from './page';
import { By } from 'selenium-webdriver';

const END = '/job/quillmere/t/K-104/A/prove';
const BENCH = '/job/quillmere/bench/K-104/A';
withBrowser(END);

const type = async (label: string | RegExp, text: string) => retype(await byLabel(label), text);
const choose = async (label: string, option: string) => {
  const list = await byLabel(label);
  await (await list.findElement(By.xpath(`./option[normalize-space(.)=${JSON.stringify(option)}]`))).click();
};
const toTest = (name: RegExp) => click(() => byRole('button', name));
const keep = () => click(() => byRole('button', 'Keep in the record'));

describe('continuity', () => {
  it('says what is missing, finds the crossed pair, and keeps it with its instrument', async () => {
    await open(END);
    await toTest(/^Continuity/);
    await says('Isolate, lock off and prove dead at both ends first, and say so');
    await click(() => byLabel('Isolated, locked off, proved dead at both ends'));
    await says(/\d+ pairs are not measured, first 1 against 1/);
    await click(() => summary('Simulated continuity tester'));
    await choose('Cable on it', 'first and last crossed');
    await click(() => byRole('button', 'Read every pair'));
    await says(/Crossed: 1 comes out as 4, 4 comes out as 1/);
    expect(await seriousFindings()).toEqual([]);
    await keep();
    await says('In the record as it is.');
    await says(/Continuity tested\s+FAILS\s+crossed: 1 comes out as 4, 4 comes out as 1/);
    await says('with Simulated continuity tester');
    expect(await (await byLabel('With which instrument')).isEnabled()).toBe(false);
  });

  it('goes on with what was typed after the page is loaded anew', async () => {
    await d().navigate().refresh();
    await says(/Crossed: 1 comes out as 4/);
    expect(await (await byLabel('1 here, 4 there')).getAttribute('value')).toBe('0.84');
  });

  it('keeps the end from being signed until a later test holds', async () => {
    await open(BENCH);
    await handOverTo('Inspector');
    await holdButton('Hold: sign');
    await says(/the last test does not hold\. Continuity: crossed: 1 comes out as 4/);
    await open(END);
    await click(() => summary('Simulated continuity tester'));
    await choose('Cable on it', 'as it should be');
    await click(() => byRole('button', 'Read every pair'));
    await says('Every line below holds');
    await keep();
    await says('In the record: it holds.');
  });
});

describe('what a simulator showed', () => {
  it('is never signed: the figures are taken out and measured with a real instrument', async () => {
    await open(BENCH);
    await holdButton('Hold: sign');
    await says('not signed: Simulated continuity tester measures nothing');
    await open(END);
    await says('nothing was measured, and no end is signed on them');
    await click(() => byRole('button', 'Clear what was read'));
    for (const core of ['1', '2', '3', '4']) {
      await retype(await byLabel(`${core} here, ${core} there`), '0.83');
      await click(() => byRole('button', `Rest: nothing, of ${core}`));
    }
    await type('With which instrument', 'CT-1');
    await keep();
    await says('In the record: it holds.');
  });
});

describe('armour and earth', () => {
  it('is no beep: a current, leads, and a limit from length, section, material and temperature', async () => {
    await toTest(/^Armour and earth/);
    await says('how long the cable is');
    await type('Cable, shortest', '60');
    await type('Temperature', '20');
    await choose('It is of', 'steel');
    await type('Cross-section', '44');
    // 0.138 · 60 / 44, a quarter more at most.
    await says(/By its figures 0\.188 Ω; no more than 0\.235 Ω/);
    await click(() => summary('Simulated low-resistance tester'));
    await click(() => byRole('button', 'Read it'));
    await says(/Armour: \d+ mΩ, \d+ mΩ more than it may have/);
    await choose('Leads nulled', 'yes');
    await click(() => byRole('button', 'Read it'));
    await says('Every line below holds');
    await type('At a current of', '199');
    await says('Measured with 199 mA: 1 less than needed');
    await click(() => byRole('button', 'Clear what was read'));
    await type('Reading', '0.21');
    await type('At a current of', '210');
    await type('With which instrument', 'LR-2');
    await keep();
    await says('In the record: it holds.');
  });
});

describe('insulation', () => {
  const charge = async (cable: string, of: string) => {
    await choose('Cable on it', cable);
    await choose('Connected to', of);
    await click(() => byRole('button', 'Charge'));
    await says('discharging: do not touch');
  };
  const idle = () =>
    wait(async () => (await byRole('button', 'Charge')).isEnabled(), 'the cable is discharged');

  it('charges nothing before it may, reads the curve, and holds the record back until it is discharged', async () => {
    await toTest(/^Insulation/);
    await click(() => summary('Simulated insulation tester'));
    expect(await (await byRole('button', 'Charge')).isEnabled()).toBe(false);
    await type('Circuit', '400');
    await choose('Insulation', 'cross-linked polyethylene');
    await type('Its sheet asks for', '10');
    await choose('Electronics off the cable', 'yes');
    await choose('Far end guarded', 'yes');
    await type('Tested with', '500');
    await choose('Time runs', 'a minute in a second');
    await charge('faulty', '1 against all others and armour');
    await says('It is discharging: wait until it is done.');
    expect(await (await byRole('button', 'Keep in the record')).isEnabled()).toBe(false);
    await says(/1 against all others and armour: 0\.08 MΩ, 0\.92 MΩ less than needed/);
    await idle();
    for (const core of ['1', '2', '3', '4']) {
      await charge('good', `${core} against all others and armour`);
      await idle();
    }
    await says('Every line below holds');
    await says('R60/R30 and R600/R60 say little of this insulation');
    expect(await seriousFindings()).toEqual([]);
  });

  it('sees a damp core by its falling curve, and a fall since the last test', async () => {
    await keep();
    await says('In the record: it holds.');
    await charge('damp', '2 against all others and armour');
    await says(
      /2 against all others and armour: falls from [\d.]+ MΩ at 15 s to|at 20 °C, [\d.]+ MΩ·km less/,
    );
    await says(/2 against all others and armour: \d+ % of what it was at the test before/);
    await idle();
  });

  it('is worked on a phone without anything hanging over', async () => {
    await browser().resize(390, 844);
    const wide = await d().executeScript<number>('return document.documentElement.scrollWidth');
    expect(wide).toBeLessThanOrEqual(390);
    await browser().resize(1280, 800);
  });

  it('lets the end be signed when the last test of each kind holds', async () => {
    await click(() => byRole('button', 'Clear what was read'));
    for (const core of ['1', '2', '3', '4'])
      for (const s of [15, 30, 60])
        await retype(
          await byLabel(`${core} against all others and armour, MΩ at ${s} s`),
          String(3000 + 10 * s),
        );
    await type('With which instrument', 'IT-3');
    await keep();
    await says('In the record: it holds.');
    await open(BENCH);
    await holdButton('Hold: sign');
    await says('Signed by Inspector');
    await open(END);
    await says(/Insulation tested\s+HOLDS/);
  });
});

describe('the register of instruments', () => {
  const PLACE = '/job/quillmere-annex/instruments';
  const day = async (field: string, text: string) => {
    const parts = await allByRole('spinbutton', undefined, { within: await byRole('group', field) });
    for (const [i, typed] of text.split('-').entries()) await parts[i]?.sendKeys(typed);
  };

  it('is empty until somebody keeps one, and then says what each is worth', async () => {
    await open(PLACE);
    await says('No register is kept yet');
    await click(() => byRole('button', 'New instrument'));
    await type('What stands on it', 'TW-3');
    await choose('Kind', 'torque wrench');
    await type('Who has it', 'Fitter');
    await type('Uncertainty by its certificate', '± 4 %');
    await click(() => byRole('button', 'Take it in'));
    await says(/TW-3 has no check before [\d-]+: nobody knows what it is worth/);
    await click(() => byRole('button', 'Enter a check of TW-3'));
    await day('Checked on', '2026-01-10');
    await choose('It was found', 'good');
    await day('Good until', '2026-06-30');
    await click(() => byRole('button', 'Keep'));
    await says('The calibration of TW-3 ended on 2026-06-30.');
    expect(await seriousFindings()).toEqual([]);
    await browser().resize(390, 844);
    const wide = await d().executeScript<number>('return document.documentElement.scrollWidth');
    expect(wide).toBeLessThanOrEqual(390);
    await browser().resize(1280, 800);
  });
});
