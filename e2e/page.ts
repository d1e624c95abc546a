import { randomUUID } from 'node:crypto';
// What the browser tests have in common: one browser for each file, and the ways in which a person looks and acts.
import { mkdtempSync, readdirSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { AxeBuilder } from '@axe-core/webdriverjs';
import { By, Key, until, type WebElement } from 'selenium-webdriver';
import { openBrowser, type Browser } from './browser';

export const address = process.env.E2E_ADDRESS ?? '';
export const downloads = mkdtempSync(join(tmpdir(), 'amber-collar-downloads-'));
/** A slow machine is no failure: what is there at once costs no waiting. */
export const WAIT = 30_000;

let current: Browser | null = null;

/** The browser of this test file. */
export function browser(): Browser {
  if (current === null) throw new Error('startBrowser first');
  return current;
}
export const d = () => browser().driver;

/** Opens the browser for a test file, closes it after, and fails each test that leaves an error on the console. */
export function withBrowser(start: string): void {
  beforeAll(async () => {
    current = await openBrowser(downloads);
    await open(start);
  });
  afterAll(async () => {
    await browser().close();
    rmSync(downloads, { recursive: true, force: true });
  });
  afterEach(async () => {
    expect(await browser().consoleErrors()).toEqual([]);
  });
}

/** Opens a page and waits until its script has taken it over: what is clicked or typed before that is lost. */
export const open = async (path: string) => {
  await d().get(`${address}${path}`);
  const taken = () =>
    d().executeScript<boolean>(
      'return Object.keys(document.querySelector("main") ?? {}).some((key) => key.startsWith("__react"))',
    );
  await d().wait(taken, WAIT, `${path} taken over by its script`);
};
export const find = (css: string) => d().wait(until.elementLocated(By.css(css)), WAIT, css);
export const byText = (tag: string, text: string) =>
  d().wait(
    until.elementLocated(By.xpath(`//${tag}[contains(normalize-space(.), ${JSON.stringify(text)})]`)),
    WAIT,
    text,
  );
/** Clicks what is there now: the page may put a fresh element in its place between finding and clicking. */
export async function click(locate: () => PromiseLike<WebElement>): Promise<void> {
  for (let attempt = 0; ; attempt += 1) {
    try {
      await (await locate()).click();
      return;
    } catch (error) {
      if (attempt >= 5) throw error;
      await d().sleep(200);
    }
  }
}
/** Selects what is there and types over it, as a person does. */
export const retype = (field: WebElement, ...keys: string[]) =>
  field.sendKeys(Key.chord(Key.CONTROL, 'a'), ...keys);
/** A field by what it is called, within the group of that name where there is one. */
export const fieldOf = (label: string, group?: string) => {
  const within = group === undefined ? '' : `//*[@aria-label=${JSON.stringify(group)}]`;
  const named = JSON.stringify(label);
  const xpath = ['input', 'select', 'textarea']
    .map((tag) => `${within}//${tag}[@aria-label=${named} or @id=//label[normalize-space(.)=${named}]/@for]`)
    .join(' | ');
  return d().wait(until.elementLocated(By.xpath(xpath)), WAIT, label);
};
export const textOf = async (css: string) => (await find(css)).getText();
/** Waits until the text of the page's main part says so. */
export async function says(text: string | RegExp): Promise<void> {
  const found = async () => {
    const body = await d().executeScript<string>('return document.body.innerText');
    return typeof text === 'string' ? body.includes(text) : text.test(body);
  };
  await d().wait(found, WAIT, `page says ${String(text)}`);
}
/** The page is alive: its rack has been fetched by its own script. */
export const alive = () => find('aside[aria-label="Terminations"] a');
export async function holdButton(text: string): Promise<void> {
  const button = await d().wait(
    until.elementLocated(By.xpath(`//button[contains(., ${JSON.stringify(text)})]`)),
    WAIT,
    text,
  );
  await d().wait(until.elementIsEnabled(button), WAIT);
  await d().executeScript('arguments[0].scrollIntoView({ block: "center" })', button);
  await d().actions().move({ origin: button }).press().pause(1000).release().perform();
}
/** Ticks all that has to be seen at a hold point, and holds. */
export async function seeAndHold(text: string): Promise<void> {
  const open = By.css('[role="checkbox"][aria-checked="false"]');
  await d().wait(until.elementLocated(open), WAIT, 'something to tick');
  for (const box of await d().findElements(open)) {
    await d().executeScript('arguments[0].scrollIntoView({ block: "center" })', box);
    await box.click();
  }
  await holdButton(text);
}
/** Types what a step cannot pass without, in the middle of what its field asks for. */
export async function measureWhatIsNeeded(): Promise<void> {
  for (const label of await d().findElements(By.xpath('//label[contains(., "(needed)")]'))) {
    const field = await d().findElement(By.id((await label.getAttribute('for')) ?? ''));
    const help = await d().findElement(By.id((await field.getAttribute('aria-describedby')) ?? ''));
    const [, min, max] = /([\d.]+)–([\d.]+) mm asked for/.exec(await help.getText()) ?? [];
    await field.sendKeys(((Number(min) + Number(max)) / 2).toFixed(2));
  }
}
/** Serious and critical findings of axe on the page as it is. */
export async function seriousFindings(): Promise<string[]> {
  const { violations } = await new AxeBuilder(d())
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
    .analyze();
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
  );
  return join(downloads, name);
}

const json = async (answer: Response) =>
  (await answer.json()) as { readonly value: unknown; readonly result: unknown };

/** What a page of somebody else, on another device, would be shown. */
export const seenElsewhere = async (name: string, ...args: unknown[]): Promise<unknown> =>
  (await json(await fetch(`${address}/api/look/${name}?args=${encodeURIComponent(JSON.stringify(args))}`)))
    .value;

/** Somebody else does something, on another device. */
export async function doneElsewhere(who: string, name: string, ...args: unknown[]): Promise<void> {
  const answer = await fetch(`${address}/api/do`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: address, cookie: `ac_actor=${who}` },
    body: JSON.stringify({ id: randomUUID(), name, args }),
  });
  const { result } = await json(answer);
  expect(result).toMatchObject({ ok: true });
}
