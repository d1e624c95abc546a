import { randomUUID } from 'node:crypto';
import { asHeld } from '@/core/record';
import type { TerminationView } from '@/core/termination-view';
import { Key } from 'selenium-webdriver';
import {
  alive,
  allByRole,
  byRole,
  click,
  d,
  doneElsewhere,
  gone,
  gridCell,
  open,
  retype,
  says,
  seeAndHold,
  seenElsewhere,
  seriousFindings,
  title,
  WAIT,
  withBrowser,
  wait,
} from './page';

// What tripped people who saw the product for the first time.
withBrowser('/job/quillmere/board');

const press = (key: string) => d().actions().sendKeys(key).perform();
const path = async () => new URL(await d().getCurrentUrl()).pathname;

it('keeps its keys after going from place to place without loading anew', async () => {
  await open('/job/quillmere/t/K-105/A/cut');
  await alive();
  for (const station of ['Measure', 'Choose', 'Cut']) {
    await click(async () =>
      byRole('link', RegExp(`^${station}`), { within: await byRole('navigation', 'Stations') }),
    );
    await wait(async () => (await path()).endsWith(`/${station.toLowerCase()}`), station);
  }
  await (await byRole('heading', undefined, { level: 1 })).click();
  await press('z');
  await says(/nothing of yours to undo|cannot be undone|Taken back/);
  await press('b');
  await wait(async () => (await path()) === '/job/quillmere/bench/K-105/A', 'the bench');
});

it('walks with its keys through those ends only that the filter leaves', async () => {
  await open('/job/quillmere/t/K-113/A/measure');
  await alive();
  await retype(await byRole('searchbox', 'Filter terminations'), 'K-113');
  await (await byRole('heading', undefined, { level: 1 })).click();
  await press('j');
  await wait(async () => (await path()).endsWith('/K-113/B/measure'), 'the other end');
  await press('j');
  await d().sleep(400);
  expect(await path()).toMatch(/K-113\/B\/measure$/);
});

it('leads past the bar with the first Tab', async () => {
  await open('/job/quillmere/schedule');
  await press(Key.TAB);
  const skip = await d().switchTo().activeElement();
  expect(await skip.getText()).toBe('Skip to the page');
  await skip.sendKeys(Key.ENTER);
  await d().wait(
    async () =>
      d().executeScript<boolean>('return document.activeElement?.id === "page" || location.hash === "#page"'),
    WAIT,
  );
});

describe('a block from a spreadsheet', () => {
  const paste = (text: string) =>
    d().executeScript(
      `const data = new DataTransfer(); data.setData('text/plain', arguments[0]);
       document.activeElement.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));`,
      text,
    );

  it('lands in the cells it covers, row by row', async () => {
    await open('/job/quillmere/schedule');
    await says('K-107');
    await click(() => gridCell('K-106', 'Tail B, mm'));
    await paste('501\tfrom the sheet\n502\tand the next line\n');
    await d().wait(
      async () => (await (await gridCell('K-107', 'Note')).getText()) === 'and the next line',
      WAIT,
    );
    expect(await (await gridCell('K-106', 'Tail B, mm')).getText()).toBe('501');
    expect(await (await gridCell('K-106', 'Note')).getText()).toBe('from the sheet');
    expect(await (await gridCell('K-107', 'Tail B, mm')).getText()).toBe('502');
  });

  it('is refused where it would run over the last column', async () => {
    await click(() => gridCell('K-106', 'Note'));
    await paste('one\ttwo');
    await says('2 columns from here run over the last by 1');
    expect(await (await gridCell('K-106', 'Note')).getText()).toBe('from the sheet');
  });
});

describe('many rows at once', () => {
  const notes = async (...tags: string[]) => {
    const texts = [];
    for (const tag of tags) texts.push(await (await gridCell(tag, 'Note')).getText());
    return texts;
  };
  const tick = async (tag: string) =>
    click(async () => byRole('checkbox', undefined, { within: await byRole('row', tag) }));

  it('sets one value in the rows that are ticked, takes all back by one undo, and does it again', async () => {
    await open('/job/quillmere/schedule');
    await says('K-108');
    for (const tag of ['K-108', 'K-109', 'K-110']) await tick(tag);
    await says('3 cables ticked');
    await (await byRole('textbox', 'Value')).sendKeys('pulled on Monday');
    await click(() => byRole('button', 'Set in these 3 rows'));
    await says('3 rows written');
    const set = Array.from({ length: 3 }, () => 'pulled on Monday');
    await wait(async () => (await notes('K-108', 'K-109', 'K-110')).join() === set.join(), 'three notes');
    await click(() => byRole('button', 'Undo'));
    await wait(
      async () => !(await notes('K-108', 'K-109', 'K-110')).includes('pulled on Monday'),
      'none of them',
    );
    await click(() => byRole('button', 'Redo'));
    await wait(
      async () => (await notes('K-108', 'K-109', 'K-110')).join() === set.join(),
      'three notes again',
    );
  });

  it('fills down from the cell above by Ctrl+D', async () => {
    await click(() => byRole('button', 'Tick none'));
    await click(() => gridCell('K-112', 'Note'));
    await d().actions().keyDown(Key.CONTROL).sendKeys('d').keyUp(Key.CONTROL).perform();
    await wait(async () => (await notes('K-112'))[0] === 'pulled on Monday', 'the note of the row above');
  });

  it('keeps filter and order in the address, and columns on the device', async () => {
    await (await byRole('searchbox', 'Filter the schedule')).sendKeys('Monday');
    await click(() => byRole('columnheader', 'Note'));
    await click(() => byRole('button', 'Columns'));
    await click(() => byRole('menuitemcheckbox', 'Type'));
    await press(Key.ESCAPE);
    await wait(async () => (await d().getCurrentUrl()).endsWith('?q=Monday&sort=note.asc'), 'the address');
    await d().navigate().refresh();
    await says('K-109');
    expect(await (await byRole('searchbox', 'Filter the schedule')).getAttribute('value')).toBe('Monday');
    expect(await (await byRole('columnheader', 'Note')).getAttribute('aria-sort')).toBe('ascending');
    expect(await allByRole('columnheader', 'Type')).toEqual([]);
    await d().executeScript(`localStorage.removeItem('ac_schedule_columns')`);
    await open('/job/quillmere/schedule');
  });
});

const PLACE_A = 'End A: box/entry';

it('names who holds an entry that is taken', async () => {
  const taken = await (await gridCell('K-101', PLACE_A)).getText();
  await (await byRole('textbox', 'New cable tag')).sendKeys('K-777');
  await (await byRole('combobox', 'Cable type')).sendKeys('W4-10', Key.ESCAPE);
  await (await byRole('combobox', PLACE_A)).sendKeys(taken);
  // The list says so before anything is sent, and so does the field after.
  await says('taken by K-101/A');
  await (await byRole('combobox', PLACE_A)).sendKeys(Key.ESCAPE);
  await click(() => byRole('button', 'Add cable'));
  await says('is taken by K-101/A');
});

it('goes on where the work stands when another device has held a step here meanwhile', async () => {
  const end = { job: 'quillmere', cable: 'K-130', end: 'A' } as const;
  const seen = (await seenElsewhere('viewTermination', end)) as TerminationView;
  const next = seen.steps.find((s) => s.id === seen.nextStep);
  if (!next) throw new Error('K-130/A has a step to do');
  await open('/job/quillmere/bench/K-130/A');
  const before = await title();
  await doneElsewhere(
    'fitter',
    'work',
    { kind: 'termination', ...end },
    {
      id: randomUUID(),
      at: new Date().toISOString(),
      command: asHeld(next),
    },
  );
  await seeAndHold('Hold');
  await wait(async () => (await title()) !== before, 'the next step');
});

it('shows the end of a page, and no blank one, when End is pressed', async () => {
  await open('/job/quillmere/t/K-104/B/choose');
  await says('All 114 sizes');
  await press(Key.END);
  await d().sleep(300);
  const [window_, shown] = await d().executeScript<[number, string]>(
    `return [document.scrollingElement.scrollTop, document.elementFromPoint(innerWidth / 2, innerHeight / 2).closest('main')?.innerText ?? ''];`,
  );
  expect(window_).toBe(0);
  expect(shown).toContain('K-104/B');
});

it('leads who is here for the first time through five steps, and never again once that was declined', async () => {
  await d().executeScript(`localStorage.removeItem('ac_guide')`);
  await open('/job/quillmere/board');
  await byRole('region', 'First steps');
  expect(await seriousFindings()).toEqual([]);
  for (const to of ['/t/K-104/B/choose', '/t/K-104/B/cut']) {
    await click(() => byRole('button', 'Next'));
    await wait(async () => (await path()).endsWith(to), to);
  }
  await says('First steps, 3 of 5');
  await click(() => byRole('button', 'Not again'));
  await gone('region', 'First steps');
  await open('/job/quillmere/board');
  await says('done,');
  expect(await allByRole('region', 'First steps')).toEqual([]);
});
