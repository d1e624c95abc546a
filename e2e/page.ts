// What the browser tests have in common: one browser for each file, and the ways in which a person looks and acts.
import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import axe, { type AxeResults, type RunOptions } from 'axe-core';
import { By, Key, type WebElement } from 'selenium-webdriver';
import type { Role } from '@/core/people';
import { openBrowser, type Browser } from './browser';
import { doneIn, PIN, seenIn, sessionOf, wholeCrew, type Session } from './session';

/** Where the demo is; or, for the test of one's own job, an application that nobody has signed in to yet. */
export const address =
  process.env[/own-job/.test(expect.getState().testPath ?? '') ? 'E2E_OWN_ADDRESS' : 'E2E_ADDRESS'] ?? '';
export const downloads = mkdtempSync(join(tmpdir(), 'amber-collar-downloads-'));
/** A slow machine is no failure: what is there at once costs no waiting. */
export const WAIT = 30_000;
const LOOK_AGAIN = 50;

let way = address;
/** Goes to the application by another way from now on. */
export const goBy = (to: string): void => {
  way = to;
};

let current: Browser | null = null;

/** The browser of this test file. */
export function browser(): Browser {
  if (current === null) throw new Error('startBrowser first');
  return current;
}
export const d = () => browser().driver;

const isStale = (error: unknown): boolean =>
  error instanceof Error && error.name === 'StaleElementReferenceError';

/**
 * Waits, and says what the page said instead: a test that fails elsewhere is all that is left of that page. Where the page puts another part in the place of the
 * one that is looked at, it is not so yet, and is looked at anew.
 */
export async function wait<T>(until: () => Promise<T>, forWhat: string): Promise<T> {
  const now = async (): Promise<T | null> => {
    try {
      return await until();
    } catch (error) {
      if (isStale(error)) return null;
      throw error;
    }
  };
  try {
    // What is waited for is there when the wait is over.
    return (await d().wait(now, WAIT, forWhat, LOOK_AGAIN)) as T;
  } catch (error) {
    if (!(error instanceof Error) || error.name !== 'TimeoutError') throw error;
    const path = await d().executeScript<string>('return location.pathname + location.search');
    const text = await d().executeScript<string>(
      'return (document.querySelector("main") ?? document.body).innerText',
    );
    throw new Error(`${forWhat}: not in ${String(WAIT / 1000)} s. ${path} says:\n${text.slice(0, 1200)}`, {
      cause: error,
    });
  }
}

/** Opens the browser for a test file, closes it after, and fails each test that leaves an error on the console. The planner is signed in, or nobody; or nobody can sign in yet. */
export function withBrowser(
  start: string,
  who: 'planner' | 'nobody' | 'nobody at all' = 'planner',
  /** What a test itself brings about is no error of the page. */
  brought: RegExp | null = null,
): void {
  beforeAll(async () => {
    if (who !== 'nobody at all') await wholeCrew(address);
    current = await openBrowser(downloads);
    // A cookie belongs to an address that is open.
    await open('/sign-in');
    // The first steps lie over the page; they have a test of their own.
    await d().executeScript(`localStorage.setItem('ac_guide', 'over')`);
    if (who === 'planner')
      await d()
        .manage()
        .addCookie({ ...(await sessionOf(address, who)), httpOnly: true });
    await open(start);
  });
  afterAll(async () => {
    await browser().close();
    rmSync(downloads, { recursive: true, force: true });
  });
  afterEach(async () => {
    const errors = await browser().consoleErrors();
    expect(errors.filter((e) => brought?.test(e) !== true)).toEqual([]);
  });
}

/** Opens a page and waits until its script has taken it over: what is clicked or typed before that is lost. */
export const open = async (path: string) => {
  await d().get(`${way}${path}`);
  const taken = () =>
    d().executeScript<boolean>(
      'return Object.keys(document.querySelector("main") ?? {}).some((key) => key.startsWith("__react"))',
    );
  await wait(taken, `${path} taken over by its script`);
};

const QUERIES = readFileSync(
  join(dirname(require.resolve('@testing-library/dom')), '@testing-library', 'dom.umd.min.js'),
  'utf8',
);

interface Among {
  /** Within this part of the page. */
  readonly within?: WebElement;
  readonly level?: number;
  readonly checked?: boolean;
}

/** A name as it stands, or a part of it. */
type Name = string | RegExp;

/** Asks the page as assistive technology is told of it: nothing hidden, by the name that it is given. */
async function queried(query: 'role' | 'label', what: Name, name: Name | undefined, among: Among) {
  const sent = (n: Name | undefined) => (n instanceof RegExp ? [n.source, n.flags] : (n ?? null));
  const { within = null, ...options } = among;
  const ask = () =>
    d().executeScript<WebElement[] | null>(
      `const [query, what, name, within, options] = arguments;
       if (window.TestingLibraryDom === undefined) return null;
       const plain = (text) => text.replace(/\\s+/g, ' ').trim();
       const matcher = (sent) => Array.isArray(sent) ? new RegExp(...sent) : (text) => plain(text).includes(sent);
       const root = within ?? document.body;
       if (query === 'label') return TestingLibraryDom.queryAllByLabelText(root, matcher(what));
       if (name !== null) options.name = matcher(name);
       return TestingLibraryDom.queryAllByRole(root, what, options);`,
      query,
      sent(what),
      sent(name),
      within,
      options,
    );
  const found = await ask();
  if (found !== null) return found;
  await d().executeScript(QUERIES);
  return (await ask()) ?? [];
}

/** All of a role that are there now. */
export const allByRole = (role: string, name?: Name, among: Among = {}): Promise<WebElement[]> =>
  queried('role', role, name, among);

const first = async (said: string, all: () => Promise<WebElement[]>): Promise<WebElement> => {
  let found: WebElement | undefined;
  await wait(async () => {
    [found] = await all();
    return found !== undefined;
  }, said);
  if (found === undefined) throw new Error(said);
  return found;
};

/** The first of a role, as soon as it is there. */
export const byRole = (role: string, name?: Name, among: Among = {}): Promise<WebElement> =>
  first(`${role} ${String(name ?? '')}`, () => allByRole(role, name, among));
/** A field by its label, within the group of that name where there is one. A file's field has no role. */
export async function byLabel(label: Name, group?: string): Promise<WebElement> {
  return first(`field ${String(label)}`, async () => {
    if (group === undefined) return queried('label', label, undefined, {});
    // Looked for anew each time: the page may have put another one in its place.
    const [within] = await allByRole('group', group);
    return within === undefined ? [] : queried('label', label, undefined, { within });
  });
}
/** What a place, or a step at the bench, is headed by. */
export async function title(): Promise<string> {
  for (let attempt = 0; ; attempt += 1)
    try {
      return await (await byRole('heading', undefined, { level: 1 })).getText();
    } catch (error) {
      // The next step may have come in the place of this one between finding and reading.
      if (!isStale(error) || attempt >= 5) throw error;
    }
}
/** Waits until there is none of a role any more. */
export const gone = (role: string, name?: Name) =>
  wait(async () => (await allByRole(role, name)).length === 0, `${role} ${String(name)} gone`);
/** The cell of a grid in the row that holds this, under the column of that name. */
export async function gridCell(row: Name, column: Name): Promise<WebElement> {
  const at = await (await byRole('columnheader', column)).getAttribute('aria-colindex');
  for (const cell of await allByRole('gridcell', undefined, { within: await byRole('row', row) }))
    if ((await cell.getAttribute('aria-colindex')) === at) return cell;
  throw new Error(`no cell ${String(column)} of ${String(row)}`);
}
/** What is headed by these words and unfolds: of no role that a name belongs to. */
export const summary = (text: string) =>
  wait(async () => {
    const [found] = await d().findElements(
      By.xpath(`//summary[contains(normalize-space(.), ${JSON.stringify(text)})]`),
    );
    return found ?? null;
  }, text) as Promise<WebElement>;
/** Hands the device over to somebody of the demo by their PIN, as the one who works here does. */
export async function handOverTo(name: string): Promise<void> {
  await click(() => byRole('button', 'works here'));
  await click(() => byRole('menuitem', 'Hand this device over'));
  await click(async () => byRole('button', name, { within: await byRole('group', 'Colleagues') }));
  await (await byLabel('PIN')).sendKeys(PIN);
  await click(() => byRole('button', 'Take over'));
  await byRole('button', `${name} works here`);
}
export const valueOf = async (label: Name): Promise<string | null> =>
  (await byRole('textbox', label)).getAttribute('value');
/** Clicks what is there now: the page may put a fresh element in its place between finding and clicking. */
export async function click(locate: () => PromiseLike<WebElement>): Promise<void> {
  for (let attempt = 0; ; attempt += 1) {
    try {
      await (await locate()).click();
      return;
    } catch (error) {
      // What has been waited for in vain is not there. A message that lies over it goes away by itself.
      const covered = error instanceof Error && error.name === 'ElementClickInterceptedError';
      if (attempt >= (covered ? 50 : 5) || (error instanceof Error && error.message.includes('not in ')))
        throw error;
      await d().sleep(200);
    }
  }
}
/** Selects what is there and types over it, as a person does. */
export const retype = (field: WebElement, ...keys: string[]) =>
  field.sendKeys(Key.chord(Key.CONTROL, 'a'), ...keys);
/** Waits until the text of the page's main part says so. */
export async function says(text: string | RegExp): Promise<void> {
  const found = async () => {
    const body = await d().executeScript<string>('return document.body.innerText');
    return typeof text === 'string' ? body.includes(text) : text.test(body);
  };
  await wait(found, `page says ${String(text)}`);
}
/** The page is alive: its rack has been fetched by its own script. */
export const alive = async () =>
  byRole('link', '/', { within: await byRole('complementary', 'Terminations') });
export async function holdButton(text: string): Promise<void> {
  const button = await byRole('button', text);
  await wait(() => button.isEnabled(), `${text} enabled`);
  await d().executeScript('arguments[0].scrollIntoView({ block: "center" })', button);
  await d().actions().move({ origin: button }).press().pause(1000).release().perform();
}
/** Nothing of the page scrolls sideways on a phone. */
export async function fitsOnPhone(): Promise<void> {
  await browser().resize(390, 844);
  expect(await d().executeScript<number>('return document.documentElement.scrollWidth')).toBeLessThanOrEqual(
    390,
  );
  await browser().resize(1280, 800);
}
/** Ticks all that has to be seen at a hold point, and holds. */
export async function seeAndHold(text: string): Promise<void> {
  await byRole('checkbox', undefined, { checked: false });
  for (const box of await allByRole('checkbox', undefined, { checked: false })) {
    await d().executeScript('arguments[0].scrollIntoView({ block: "center" })', box);
    await box.click();
  }
  await holdButton(text);
}
/** Says at the gate of an area that the device stays outside. */
export async function passGate(): Promise<void> {
  const way = () => byRole('button', 'It stays outside of any zone');
  await d().executeScript('arguments[0].scrollIntoView({ block: "center" })', await way());
  await click(way);
  await holdButton('Hold: it stays outside');
}
/** Types what a step cannot pass without, as planned or in the middle of what its field asks for. */
export async function measureWhatIsNeeded(): Promise<void> {
  for (const field of await allByRole('textbox', '(needed)')) {
    const help = await d().findElement(By.id((await field.getAttribute('aria-describedby')) ?? ''));
    const [, min, max, planned] =
      /([\d.]+)–([\d.]+) (?:mm|V|Hz|W) asked for(?:, ([\d.]+) planned)?/.exec(await help.getText()) ?? [];
    // What is asked for in another unit is read by whoever knows it.
    if (min === undefined) continue;
    await field.sendKeys(planned ?? ((Number(min) + Number(max)) / 2).toFixed(2));
  }
  // Where a span is so narrow that its middle is near to a limit.
  for (const field of await allByRole('textbox', /read a second time/)) {
    const help = await d().findElement(By.id((await field.getAttribute('aria-describedby')) ?? ''));
    const [, min, max] = /([\d.]+)–([\d.]+) mm/.exec(await help.getText()) ?? [];
    await field.sendKeys(((Number(min) + Number(max)) / 2).toFixed(2));
  }
}
const LEVELS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'];

/** Serious and critical findings of axe on the page as it is; of these rules only, where some are named. */
export async function seriousFindings(rules?: readonly string[]): Promise<string[]> {
  const known = await d().executeScript<boolean>('return window.axe !== undefined');
  if (!known) await d().executeScript(axe.source);
  // Colours on their way to others are not those that anybody reads.
  await d().executeAsyncScript(
    `const done = arguments[0];
     const until = Date.now() + 10000;
     const moving = () =>
       document.getAnimations().filter((a) => Number.isFinite(a.effect.getComputedTiming().endTime));
     // Two frames on, whatever a change of colours begins has begun; then all of it comes to its end, on a slow machine too.
     const look = () => (moving().length === 0 || Date.now() > until ? done() : setTimeout(look, 50));
     requestAnimationFrame(() => requestAnimationFrame(look));`,
  );
  const options: RunOptions = {
    runOnly: rules === undefined ? { type: 'tag', values: LEVELS } : { type: 'rule', values: [...rules] },
    resultTypes: ['violations'],
  };
  const { violations } = await d().executeAsyncScript<AxeResults>(
    'axe.run(document, arguments[0]).then(arguments[1])',
    options,
  );
  return violations
    .filter((v) => v.impact === 'serious' || v.impact === 'critical')
    .map(
      (v) =>
        `${v.id}: ${v.nodes
          .map((n) => n.target.join(' '))
          .slice(0, 3)
          .join(', ')}`,
    );
}
export async function download(pattern: RegExp): Promise<string> {
  let name = '';
  await d().wait(
    () => {
      name =
        readdirSync(downloads).find(
          (f) => pattern.test(f) && !f.endsWith('.crdownload') && statSync(join(downloads, f)).size > 0,
        ) ?? '';
      return name !== '';
    },
    WAIT,
    String(pattern),
    LOOK_AGAIN,
  );
  return join(downloads, name);
}

const devices = new Map<Role, Promise<Session>>();
/** The other device of somebody, which stays signed in as long as the test file runs. */
function deviceOf(who: Role): Promise<Session> {
  const device = devices.get(who) ?? sessionOf(address, who);
  devices.set(who, device);
  return device;
}

/** What a page of somebody else, on another device, would be shown. */
export const seenElsewhere = async (name: string, ...args: unknown[]): Promise<unknown> =>
  seenIn(address, await deviceOf('inspector'), name, ...args);

/** Somebody else does something, on another device. */
export async function doneElsewhere(who: Role, name: string, ...args: unknown[]): Promise<void> {
  expect(await doneIn(address, await deviceOf(who), name, ...args)).toMatchObject({ ok: true });
}
