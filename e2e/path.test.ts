import { execFileSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Key, until } from 'selenium-webdriver';
import type { TerminationView } from '@/core/termination-view';
import { takeDossier } from './make-off';
import {
  address,
  alive,
  allByRole,
  browser,
  byLabel,
  byRole,
  click,
  d,
  doneElsewhere,
  handOverTo,
  download,
  downloads,
  gridCell,
  holdButton,
  open,
  passGate,
  retype,
  says,
  seeAndHold,
  seenElsewhere,
  title,
  valueOf,
  wait,
  WAIT,
  withBrowser,
} from './page';

withBrowser('/sign-in', 'nobody');

it('asks who it is before anything is shown, and comes back to where one was going', async () => {
  await open('/job/quillmere/t/K-104/B/choose');
  await byRole('heading', 'Sign in', { level: 1 });
  expect(await (await byRole('main')).getText()).not.toContain('K-104');
  await (await byLabel('Name you sign in by')).sendKeys('planner');
  await (await byLabel('Password')).sendKeys('not this one', Key.ENTER);
  await says('Name and password do not belong together');
  await click(() => byRole('button', /^Planner/));
  await says('All 114 sizes');
  await byRole('button', 'Planner works here');
});

/** How many ends the board says are done: other tests sign some of them. */
const doneOnBoard = async (): Promise<number> => {
  const text = await d().executeScript<string>('return document.body.innerText');
  return Number(/(\d+) of 84 done/.exec(text)?.[1]);
};
let doneBefore = 0;

it('shows on the board what is next and what is blocked by what', async () => {
  await open('/job/quillmere/board');
  await says(/ of 84 done,/);
  doneBefore = await doneOnBoard();
  await (await byRole('searchbox', 'Filter the board')).sendKeys('vapour');
  const lines = async () => allByRole('link', /K-\d+\/[AB]/, { within: await byRole('main') });
  await wait(async () => (await lines()).length === 1, 'one line');
  await says('7.5 mm; 5 threads and 8.0 mm asked for');
  await (await byRole('searchbox', 'Filter the board')).sendKeys(Key.chord(Key.CONTROL, 'a'), Key.DELETE);
  await click(() => byRole('button', /^Blocked/));
  await says('K-126/A');
});

it('adds, edits, refuses and undoes in the schedule', async () => {
  await open('/job/quillmere/schedule');
  await says('K-101');
  await (await byRole('textbox', 'New cable tag')).sendKeys('K/9', Key.ENTER);
  await says('a tag holds no slash');
  await retype(await byRole('textbox', 'New cable tag'), 'K-900');
  await (await byRole('combobox', 'Cable type')).sendKeys('4-core 10');
  await click(() => byRole('option', /^W4-10\b/));
  await (await byRole('textbox', 'Route, m')).sendKeys('12,5', Key.ENTER);
  await says('K-900 added with its ends A and B.');
  await d().wait(
    async () => (await allByRole('gridcell', /^K-900$/)).length === 1 || (await typeFilter('K-900')),
    WAIT,
  );
  // Where the grid is still drawing itself a double click may be lost: whoever sees no field clicks again.
  const editor = await wait(async () => {
    const cell = await gridCell('K-900', 'Note');
    await d().actions().doubleClick(cell).perform();
    await d().sleep(500);
    return (await allByRole('textbox', undefined, { within: cell }))[0] ?? null;
  }, 'the note is edited');
  await editor?.sendKeys('spare pump', Key.ENTER);
  await says('spare pump');
  await click(() => byRole('button', 'Undo'));
  await d().wait(
    async () => !(await d().executeScript<string>('return document.body.innerText')).includes('spare pump'),
    WAIT,
  );
  await click(() => byRole('button', 'Undo'));
  await says('Nothing matches this filter.');
});

async function typeFilter(text: string): Promise<boolean> {
  const filter = await byRole('searchbox', 'Filter the schedule');
  if ((await filter.getAttribute('value')) === '') await filter.sendKeys(text);
  return false;
}

it('previews an import row by row, takes in the good ones and gives back the refused', async () => {
  const file = join(downloads, 'upload.csv');
  writeFileSync(
    file,
    '\uFEFFcable;type;route;outer;note\nK-901;W4-10;"30,5";"caliper 20,8 mm | 13/16""";from a file\nK-902;rope;1;;\nK-101;W4-10;34;;changed by file\n',
  );
  await open('/job/quillmere/schedule/import');
  await (await byLabel('Cable list, XLSX or CSV')).sendKeys(file);
  await says('is not a cable type of this job');
  await says('1 new');
  await says('1 refused');
  await click(() => byRole('link', 'Save the refused rows'));
  expect(readFileSync(await download(/refused-rows.*\.csv$/), 'utf8')).toContain(
    'is not a cable type of this job',
  );
  await click(() => byRole('button', 'Take in 2 good rows'));
  await says('1 added, 1 changed, 1 left out.');
  await open('/job/quillmere/schedule');
  await click(() => byRole('link', 'Save as CSV'));
  const exported = readFileSync(await download(/quillmere-schedule.*\.csv$/), 'utf8');
  expect(exported).toContain('caliper 20,8 mm [mm] | datasheet 13/16""');
  // The workbook comes back as what it was.
  await click(() => byRole('link', 'Save as workbook'));
  const book = await download(/quillmere-schedule.*\.xlsx$/);
  await open('/job/quillmere/schedule/import');
  await (await byLabel('Cable list, XLSX or CSV')).sendKeys(book);
  await says(/0 new\s+0 changed\s+\d+ same\s+0 refused/);
  await open('/job/quillmere/schedule');
  await (await byRole('searchbox', 'Filter the schedule')).sendKeys('K-901');
  await gridCell('K-901', 'Cable');
  await click(() => byRole('button', 'Undo'));
  await says(/^Taken back: /m);
  await says('Nothing matches this filter.');
});

it.each([
  ['a 50 MB file', () => Buffer.alloc(50 * 1024 * 1024, 0x61), /at most 8 MB/],
  ['a binary file', () => Buffer.from([0x63, 0, 1, 2]), /not text/],
  ['a spreadsheet', () => Buffer.from([0x50, 0x4b, 3, 4]), /no workbook that can be read/],
])('refuses %s as a schedule', async (_, content, message) => {
  const file = join(downloads, 'bad.csv');
  writeFileSync(file, content());
  await open('/job/quillmere/schedule/import');
  await (await byLabel('Cable list, XLSX or CSV')).sendKeys(file);
  await says(message);
});

it('measures with a caliper that types and never waits: value, Enter, next; inches and refusals too', async () => {
  await open('/job/quillmere/t/K-122/A/measure');
  await says('Measure outer sheath, inner sheath, armour wire.');
  /** Caliper readings that stand in the table of a layer. */
  const rows = async (layer: string) =>
    (await allByRole('row', /^caliper/, { within: await byRole('region', layer) })).length;
  const before = await Promise.all(['Outer sheath', 'Inner sheath', 'Armour wire'].map(rows));
  await (await byRole('textbox', 'Diameter, outer sheath')).sendKeys('4 m', Key.ENTER);
  await says('above 150 mm');
  // What was refused is typed over; then both angles of each layer are typed into whatever has the cursor.
  const typed = ['35.3', '1 25/64 in', '27.9', '28', '1.6'];
  for (const value of typed) await d().actions().sendKeys(value, Key.ENTER).perform();
  for (const [i, layer] of ['Outer sheath', 'Inner sheath', 'Armour wire'].entries())
    await wait(
      async () => (await rows(layer)) === (before[i] ?? 0) + (layer === 'Armour wire' ? 1 : 2),
      `readings of ${layer}`,
    );
  await says('Measured. Passes any bore over');
  await click(() => byRole('button', /: show (inches|millimetres) first$/));
  await says(/1\.38\d–1\.39\d in/);
  await click(() => byRole('button', /: show (inches|millimetres) first$/));
});

it('chooses by keyboard, refuses a misfit with its number, and takes what fits', async () => {
  await open('/job/quillmere/t/K-104/B/choose');
  await says('Take AY3-32, coarse groove to the cone; 1.7 mm inside the outer seal range.');
  const row = await byRole('radio', /^AY3-32\b/);
  await row.sendKeys(Key.ARROW_UP);
  await says(/outer seal takes 16.6–23.4 mm, your outer sheath is [\d.]+–28.66 mm: 5.26 mm over/);
  expect(await (await byRole('button', 'Take AY3-25')).isEnabled()).toBe(false);
  await (await byRole('radio', /^AY3-25\b/)).sendKeys(Key.ARROW_DOWN);
  await (await byRole('radio', /^AY3-32\b/)).sendKeys(Key.ENTER);
  await says('AY3-32 is taken');
});

it('walks by shortcuts, none of which fires in a field', async () => {
  await open('/job/quillmere/t/K-104/B/choose');
  await alive();
  await d().actions().keyDown(Key.ALT).sendKeys('3').keyUp(Key.ALT).perform();
  await d().wait(until.urlContains('/cut'), WAIT);
  await d().actions().sendKeys('j').perform();
  await d().wait(until.urlContains('/K-105/A/cut'), WAIT);
  await d().actions().sendKeys('k').perform();
  await d().wait(until.urlContains('/K-104/B/cut'), WAIT);
  await (await byRole('searchbox', 'Filter terminations')).sendKeys('jk?u');
  expect(await d().getCurrentUrl()).toContain('/K-104/B/cut');
  await d().executeScript('document.activeElement.blur()');
  await d().actions().sendKeys('?').perform();
  await says('No key fires while a field has the focus');
  await d().actions().sendKeys(Key.ESCAPE).perform();
});

it('shows the marks, edits the tail in place, and shows the stages', async () => {
  await open('/job/quillmere/t/K-104/B/cut');
  await says('415');
  const tail = await byRole('textbox', 'Wall to farthest terminal');
  await retype(tail, 'a hand', Key.ENTER);
  await says('not a length');
  await retype(tail, '250', Key.ENTER);
  await says('Stale: something this plan stands on has changed');
  await says(/Outer sheath off\s+415 mm → 425 mm/);
  await click(() => byRole('button', 'Plan again'));
  await says('426 mm of cable go into this end.');
  await open('/job/quillmere/t/K-104/B/tighten');
  await says('Torque 47 N·m ± 4');
  await says('Torque 25 N·m ± 2');
});

const SPARE = 'Spare tail for another go';

it('shows two people that meet on one row both values', async () => {
  await open('/job/quillmere/t/K-120/B/cut');
  const field = await byRole('textbox', SPARE);
  const end = { job: 'quillmere', cable: 'K-120', end: 'B' };
  const seen = (await seenElsewhere('viewTermination', end)) as TerminationView;
  await doneElsewhere('planner', 'editCable', end.job, seen.cableId, seen.versions, { bSpare: '60' });
  await retype(field, '70', Key.ENTER);
  await says(/Planner has set this to 60 meanwhile; you typed 70/);
  await click(() => byRole('button', 'Write mine'));
  await wait(async () => (await valueOf(SPARE)) === '70', '70 in the field');
});

describe('at the bench', () => {
  const bench = '/job/quillmere/bench/K-104/B';

  it('asks about the zone first, then leads from step to step by holding', async () => {
    await browser().resize(1024, 768);
    await open(bench);
    await says('Still house: zone 1');
    await passGate();
    await says('Isolated, locked, proved dead');
    await says('Tick what you have seen: 3 left');
    await seeAndHold('Hold: checked');
    await says('Parts in hand match the plan');
    await holdButton('Hold: checked');
    await says('Tools in hand');
    // A hold that was long enough counts, though the page is too busy to see it before the finger is lifted.
    await d().executeScript(
      'setTimeout(() => { const until = performance.now() + 900; while (performance.now() < until); }, 500)',
    );
    await holdButton('Hold: checked');
    await says('On the cable before the first cut');
    await seeAndHold('Hold: checked');
    await says('Outer sheath off: mark from the cable end');
    await says('425');
  });

  it('does not take a tap for a hold', async () => {
    await click(() => byRole('button', 'Hold: marked and cut'));
    await d().sleep(400);
    expect(await title()).toBe('Outer sheath off: mark from the cable end');
  });

  it('stops when a measurement changes, shows what stays, and goes on', async () => {
    await click(() => byRole('button', 'Measured…'));
    await says('A reading at the bench');
    for (const key of ['2', '8', '.', '7'])
      await click(async () =>
        byRole('button', RegExp(`^${key === '.' ? '\\.' : key}$`), {
          within: await byRole('group', 'Keypad'),
        }),
      );
    await click(() => byRole('button', 'Keep this reading'));
    await says('Stop: the plan is stale');
    await says(/still fits\. \d+ decisions stay as they are, none changes/);
    await click(() => byRole('button', 'Restamp the plan'));
    await says('Outer sheath off: mark from the cable end');
  });

  it('goes on with two presses of Enter, loops at the look, and cannot pass the closing', async () => {
    for (const title of ['Armour off', 'Inner sheath off']) {
      const button = await byRole('button', 'Hold: marked and cut');
      await button.sendKeys(Key.ENTER);
      await says('Enter again to confirm');
      await (await byRole('button', 'Enter again to confirm')).sendKeys(Key.ENTER);
      await says(`${title}: mark from the cable end`);
    }
    await holdButton('Hold: marked and cut');
    for (const title of [
      'Onto the entry thread',
      'Entry component into the box',
      'Spread the armour',
      'Ring to its place',
      'Make off the armour',
    ]) {
      await says(title);
      await holdButton('Hold: done');
    }
    await says('Undo, look, decide');
    await holdButton('Back to spreading');
    await says('Spread the armour evenly round the cone');
    for (const title of ['Spread the armour', 'Ring to its place', 'Make off the armour']) {
      await says(title);
      await holdButton('Hold: done');
    }
    await says('Undo, look, decide');
    await holdButton('Hold: clamped all round');
    await says('Close the armour clamp again');
  });

  it('has a collar that fills and a record that holds the loop', async () => {
    for (const title of ['Close the armour clamp again', 'Close the outer seal', 'Shroud over the gland']) {
      await says(title);
      await holdButton('Hold: done');
    }
    await says('Sign the cut card');
    await holdButton('Hold: sign');
    await says('this job asks for a signature by another person');
    await handOverTo('Inspector');
    await says('Sign the cut card');
    await holdButton('Hold: sign');
    await says('Signed by Inspector');
    // A step that was held by mistake is taken back with its reason, the signature with it, and done again.
    await click(() => byRole('button', 'Prove'));
    await says('Sign the cut card');
    await click(() => byRole('button', 'Back'));
    await says('Shroud over the gland');
    await click(() => byRole('button', 'Held by mistake'));
    await says('The signature of Inspector goes');
    await (await byRole('textbox', 'Why')).sendKeys('held before it was drawn up');
    await holdButton('Hold: take it back');
    await handOverTo('Planner');
    await holdButton('Hold: done');
    await says('Sign the cut card');
    await handOverTo('Inspector');
    await says('Sign the cut card');
    await holdButton('Hold: sign');
    await says('Signed by Inspector');
    await handOverTo('Planner');
    await browser().resize(1280, 800);
    await open('/job/quillmere/t/K-104/B/prove');
    await says('Checked just now: every event, the plan');
    await says('Not held all round: lay the armour anew');
    await says('Planned again');
    const dossier = await takeDossier({ job: 'quillmere', cable: 'K-104', end: 'B' });
    for (const words of ['K-104/B', 'Not held all round', 'held before it was drawn up'])
      expect(dossier.replace(/\s+/g, ' ')).toContain(words);
    await open('/job/quillmere/board');
    await says(`${doneBefore + 1} of 84 done`);
  });

  it('measures first where the plan is only nominal', async () => {
    await browser().resize(1024, 768);
    await open('/job/quillmere/bench/K-115/A');
    await says('Measure this end first');
    await browser().resize(1280, 800);
  });
});

it('gives the cut card as a PDF that a reader opens', async () => {
  await open('/job/quillmere/t/K-104/B/cut');
  const link = (await (await byRole('link', 'Cut card (PDF)')).getAttribute('href')) ?? '';
  const cookie = (await d().manage().getCookies()).map((c) => `${c.name}=${c.value}`).join('; ');
  const answer = await fetch(link, { headers: { cookie } });
  const file = join(downloads, 'card.pdf');
  writeFileSync(file, Buffer.from(await answer.arrayBuffer()));
  expect(answer.headers.get('content-type')).toBe('application/pdf');
  const text = execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' });
  expect(text).toContain('K-104/B');
  expect(text).toContain('425');
  expect(text).toContain('Signed at the bench by Inspector');
});

it('says what became of a termination that was taken out elsewhere', async () => {
  await open('/job/quillmere/schedule');
  await (await byRole('searchbox', 'Filter the schedule')).sendKeys('K-132');
  await wait(async () => (await allByRole('button', /^Take out K-/)).length === 1, 'K-132 alone');
  await click(() => byRole('button', 'Take out K-132'));
  await says('K-132 taken out of the schedule');
  await open('/job/quillmere/t/K-132/A/measure');
  await says('was taken out of the schedule on');
  await open('/job/quillmere/schedule');
  await says('K-101');
  await click(() => byRole('button', 'Undo'));
  await (await byRole('searchbox', 'Filter the schedule')).sendKeys('K-132');
  await says('B4-4');
});

it('keeps its fonts and everything else to itself: nothing is asked of the network', async () => {
  await open('/job/quillmere/board');
  const hosts = await d().executeScript<string[]>(
    'return [...new Set(performance.getEntriesByType("resource").map((e) => new URL(e.name).host))]',
  );
  expect(hosts).toEqual([new URL(address).host]);
  expect(await d().executeScript<boolean>('return document.fonts.check("16px \\"Archivo Variable\\"")')).toBe(
    true,
  );
});

// Last, because it takes the database away.
it('says so when the database is away, loses nothing, and comes back by itself', async () => {
  const control = (what: string) =>
    execFileSync(
      process.execPath,
      [
        'scripts/database-control.mjs',
        what,
        process.env.E2E_DATABASE_NAME ?? '',
        process.env.E2E_DATABASE_PORT ?? '',
      ],
      { stdio: ['ignore', 'ignore', 'inherit'] },
    );
  await open('/job/quillmere/t/K-113/A/measure');
  const field = await byRole('textbox', 'Diameter, outer sheath');
  control('stop');
  try {
    await field.sendKeys('24.6', Key.ENTER);
    await says('The database does not answer');
    expect(await field.getAttribute('value')).toBe('24.6');
    await d().get(`${address}/job/quillmere/board`);
    await says('The database does not answer.');
  } finally {
    control('start');
  }
  await says('of 84 done');
  await browser().consoleErrors(); // the failed fetches of this very test
});
