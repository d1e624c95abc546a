// npm run bench:kill:page: a fitter at a bench in a real browser goes on from step to step while the application, its database and both are ended
// with SIGKILL. Beforehand, in another terminal: npm run demo (in a folder of its own: the demo's data is written to).
import { readFileSync } from 'node:fs';
import { By, type WebElement } from 'selenium-webdriver';
import type { TerminationView } from '@/core/termination-view';
import { verifyRecord } from '../cli/verify';
import { openBrowser } from '../e2e/browser';
import { cookieOf, seenIn, sessionOf, wholeCrew } from '../e2e/session';

const END = { job: 'quillmere', cable: 'K-130', end: 'A' };
const MOST_STEPS = 10;
const WAIT_MS = 60_000;

interface Demo {
  readonly address: string;
  readonly applicationPid: number;
}
const demo = (): Demo => JSON.parse(readFileSync('.local/demo.json', 'utf8')) as Demo;
const databasePid = (): number => Number(readFileSync('.local/mariadb/db.pid', 'utf8').trim());
const kill = (...pids: readonly number[]): void => {
  for (const pid of pids) process.kill(pid, 'SIGKILL');
};
/** What is ended before which step. */
const ENDED: Readonly<Record<number, () => void>> = {
  2: () => kill(demo().applicationPid),
  4: () => kill(databasePid()),
  6: () => kill(demo().applicationPid, databasePid()),
};

async function main(): Promise<void> {
  const { address } = demo();
  await wholeCrew(address);
  const session = await sessionOf(address, 'planner');
  const browser = await openBrowser();
  const { driver } = browser;
  const until = async (what: string, good: () => Promise<boolean>): Promise<void> => {
    for (const end = Date.now() + WAIT_MS; Date.now() < end;) {
      if (await good().catch(() => false)) return;
      await driver.sleep(150);
    }
    throw new Error(`${what}: not within ${WAIT_MS / 1000} s`);
  };
  const view = async () => (await seenIn(address, session, 'viewTermination', END)) as TerminationView;
  const title = () => driver.findElement(By.css('main h1')).getText();
  const before = await view();
  await driver.get(`${address}/sign-in`);
  await driver.executeScript("localStorage.setItem('ac_guide', 'over')");
  await driver.manage().addCookie({ ...session, httpOnly: true });
  await driver.get(`${address}/job/quillmere/bench/K-130/A`);
  await until('the bench', async () => (await title()) !== '');
  // The pages must be with the device before anything is ended.
  await until('the pages', () =>
    driver.executeScript<boolean>('return navigator.serviceWorker.controller?.state === "activated"'),
  );
  const held: string[] = [];
  for (let n = 0; n < MOST_STEPS; n += 1) {
    const at = await title();
    for (const box of await driver.findElements(By.css('main [role=checkbox][aria-checked=false]'))) {
      await driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', box);
      await box.click();
    }
    let buttons: WebElement[] = [];
    await until(`something to hold at ${at}`, async () => {
      buttons = await driver.findElements(
        By.xpath("//main//button[starts-with(normalize-space(.), 'Hold: ') and not(@disabled)]"),
      );
      return buttons.length > 0;
    });
    const [button] = buttons;
    if (button === undefined) break;
    // In the middle of the hold, so that what it sends finds nobody.
    setTimeout(() => ENDED[n]?.(), 500);
    await driver.actions().move({ origin: button }).press().pause(900).release().perform();
    await until(`on from ${at}`, async () => (await title()) !== at);
    held.push(at);
    if (n === 7) await driver.navigate().refresh();
    if (n === 7) await until('the bench after a reload', async () => (await title()) !== '');
  }
  await until(
    'everything in the record',
    async () => (await view()).events.length === before.events.length + held.length,
  );
  const after = await view();
  const mine = after.events
    .slice(before.events.length)
    .map((e) => after.steps.find((s) => s.id === e.stepId)?.title);
  const record = await fetch(`${address}/api/job/quillmere/record`, {
    headers: { cookie: cookieOf(session) },
  });
  const report = verifyRecord(await record.json());
  await browser.close();
  const inOrder = JSON.stringify(mine) === JSON.stringify(held);
  const kept = after.events.filter((e) => e.kept !== null).length;
  console.log(
    JSON.stringify(
      { held: held.length, recorded: mine.length, inOrder, keptByDevice: kept, holds: report.ok },
      null,
      2,
    ),
  );
  if (!inOrder || !report.ok || after.chainFaults.length > 0 || held.length < 8) process.exit(1);
}

main().then(
  () => process.exit(0),
  (error: unknown) => {
    console.error(error);
    process.exit(1);
  },
);
