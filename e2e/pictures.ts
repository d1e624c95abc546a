// Pictures of the main views, made from the demo job.
import { execFileSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { By, until, type WebDriver } from 'selenium-webdriver';
import { openBrowser } from './browser';
import { cookieOf, sessionOf } from './session';

const address = process.env.E2E_ADDRESS ?? '';
const FOLDER = 'docs/screenshots';

interface Shot {
  readonly name: string;
  readonly path: string;
  readonly size?: readonly [number, number];
  readonly dark?: boolean;
  /** Words of a button that is pressed before the picture is taken. */
  readonly press?: string;
  /** A file that is given to the page before the picture is taken. */
  readonly file?: string;
}

const SHOTS: readonly Shot[] = [
  { name: 'import', path: '/job/quillmere/schedule/import', file: 'examples/cable-lists/2-deutsch.csv' },
  { name: 'board', path: '/job/quillmere/board' },
  { name: 'schedule', path: '/job/quillmere/schedule' },
  { name: 'measure', path: '/job/quillmere/t/K-118/B/measure' },
  { name: 'choose', path: '/job/quillmere/t/K-104/B/choose' },
  { name: 'whole-job', path: '/job/quillmere/whole-job', press: 'Work it out' },
  { name: 'kit', path: '/job/quillmere/kit' },
  { name: 'cut', path: '/job/quillmere/t/K-105/B/cut' },
  { name: 'seal', path: '/job/quillmere/t/K-141/B/seal', dark: true },
  { name: 'make-off', path: '/job/quillmere/t/K-117/B/makeOff' },
  { name: 'tighten', path: '/job/quillmere/t/K-117/B/tighten' },
  { name: 'compound', path: '/job/quillmere/compound' },
  { name: 'crossing', path: '/job/quillmere/crossings/X-2' },
  { name: 'soft-seal', path: '/job/quillmere/crossings/X-4' },
  { name: 'prove', path: '/job/quillmere/t/K-104/A/prove' },
  { name: 'catalogue', path: '/catalogue?family=AY3&job=quillmere' },
  { name: 'bench-cut', path: '/job/quillmere/bench/K-105/A', size: [1024, 768] },
  { name: 'bench-phone', path: '/job/quillmere/bench/K-105/A', size: [390, 844] },
];

/** So long nothing moves on a page that is finished; a clock on it moves once in a second. */
const STILL_MS = 800;
const LONGEST_MS = 25_000;

/** Waits until a page is as it stays: its parts and its letters are there, nothing is asked for and nothing moves. */
async function still(driver: WebDriver): Promise<void> {
  const good = await driver.executeAsyncScript<boolean>(
    `const [STILL, LONGEST, done] = arguments;
     const began = performance.now();
     let moved = began, asked = 0;
     const watch = new MutationObserver(() => { moved = performance.now(); });
     watch.observe(document.body, { childList: true, subtree: true, characterData: true, attributes: true });
     const end = (good) => { watch.disconnect(); done(good); };
     const look = () => {
       const now = performance.now();
       const sent = performance.getEntriesByType('resource').length;
       if (sent !== asked) [asked, moved] = [sent, now];
       const coming = document.body.innerText.includes('Loading') || document.fonts.status !== 'loaded';
       if (!coming && now - moved >= STILL) return end(true);
       if (now - began >= LONGEST) return end(false);
       setTimeout(look, 50);
     };
     look();`,
    STILL_MS,
    LONGEST_MS,
  );
  if (!good) throw new Error(`${await driver.getCurrentUrl()} does not come to rest`);
}

async function main(): Promise<void> {
  mkdirSync(FOLDER, { recursive: true });
  const browser = await openBrowser();
  const { driver } = browser;
  await driver.manage().setTimeouts({ script: LONGEST_MS + 10_000 });
  try {
    const session = await sessionOf(address, 'planner');
    await driver.get(`${address}/sign-in`);
    await driver.manage().addCookie({ ...session, httpOnly: true });
    await driver.executeScript(`localStorage.setItem('ac_guide', 'over')`);
    for (const { name, path, size = [1280, 800], dark = false, press, file } of SHOTS) {
      await browser.resize(size[0], size[1]);
      await driver.executeScript(`localStorage.setItem('mui-mode', '${dark ? 'dark' : 'light'}')`);
      await driver.get(`${address}${path}`);
      await still(driver);
      if (press !== undefined) {
        const button = By.xpath(`//button[contains(., '${press}')]`);
        await (await driver.wait(until.elementLocated(button), 15_000)).click();
        await still(driver);
      }
      if (file !== undefined) {
        await (await driver.findElement(By.css('input[type="file"]'))).sendKeys(resolve(file));
        await still(driver);
      }
      writeFileSync(join(FOLDER, `${name}.png`), await driver.takeScreenshot(), 'base64');
    }
    await card();
  } finally {
    await browser.close();
  }
}

/** The first page of a cut card, as a reader shows it. */
async function card(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'amber-collar-card-'));
  const answer = await fetch(`${address}/job/quillmere/card/K-105/B`, {
    headers: { cookie: cookieOf(await sessionOf(address, 'planner')) },
  });
  writeFileSync(join(folder, 'card.pdf'), Buffer.from(await answer.arrayBuffer()));
  execFileSync('pdftoppm', [
    '-r',
    '80',
    '-png',
    '-singlefile',
    join(folder, 'card.pdf'),
    join(folder, 'card'),
  ]);
  renameSync(join(folder, 'card.png'), join(FOLDER, 'cut-card.png'));
  rmSync(folder, { recursive: true });
}

void main();
