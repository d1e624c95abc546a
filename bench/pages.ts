import { gzipSync } from 'node:zlib';
import { By } from 'selenium-webdriver';
import { openBrowser } from '../e2e/browser';
import { cookieOf, type Session } from '../e2e/session';
import { medianAsync, type Row } from './row';

/** Where the application is, and in whose name it is asked. */
interface Asked {
  readonly address: string;
  readonly session: Session;
}

/** A browser in which that person is signed in. */
async function openSignedIn({ address, session }: Asked) {
  const browser = await openBrowser();
  await browser.driver.get(`${address}/sign-in`);
  await browser.driver.manage().addCookie({ ...session, httpOnly: true });
  await browser.driver.executeScript(`localStorage.setItem('ac_guide', 'over')`);
  return browser;
}

/** Compressed JavaScript that a page asks for before anything lazy, from its HTML. What is there for browsers without modules no browser that it runs in asks for. */
async function firstLoadKb({ address, session }: Asked, path: string): Promise<number> {
  const html = await (await fetch(`${address}${path}`, { headers: { cookie: cookieOf(session) } })).text();
  const sources = [
    ...new Set(
      [...html.matchAll(/<script[^>]+src="([^"]+\.js[^"]*)"[^>]*>/g)]
        .filter(([tag]) => !/\snomodule\b/i.test(tag))
        .map((m) => m[1] ?? ''),
    ),
  ];
  let bytes = 0;
  for (const source of sources)
    bytes += gzipSync(Buffer.from(await (await fetch(new URL(source, address))).arrayBuffer())).length;
  return bytes / 1024;
}

/** From a key stroke in the filter to the list having answered, worst of several strokes, in the page itself. */
async function typingMs(asked: Asked, path: string, filter: string, row: string): Promise<number> {
  const browser = await openSignedIn(asked);
  try {
    const { driver } = browser;
    await driver.get(`${asked.address}${path}`);
    await driver.wait(async () => (await driver.findElements(By.css(row))).length > 3, 20_000);
    // The first lines come with the page: all of them are there a moment later.
    await driver.sleep(1500);
    return await driver.executeAsyncScript<number>(
      `const [selector, done] = arguments;
       const field = document.querySelector(selector);
       const setter = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set;
       const texts = ['x', 'x-', 'x-4', 'x-42', 'x-4', 'area', 'c-1', 'c-12', ''];
       const worst = [];
       (async () => {
         for (const text of texts) {
           const from = performance.now();
           setter.call(field, text);
           field.dispatchEvent(new Event('input', { bubbles: true }));
           // React commits the deferred list in a task of its own; two frames later it is on the screen.
           await new Promise((r) => requestAnimationFrame(() => requestAnimationFrame(r)));
           worst.push(performance.now() - from);
         }
         done(Math.max(...worst));
       })();`,
      filter,
    );
  } finally {
    await browser.close();
  }
}

/** The same for the grid, whose filter is answered by the server. */
async function gridTypingMs(asked: Asked, path: string): Promise<number> {
  const browser = await openSignedIn(asked);
  try {
    const { driver } = browser;
    await driver.get(`${asked.address}${path}`);
    await driver.wait(
      async () => (await driver.findElements(By.css('[role="gridcell"][data-field="tag"]'))).length > 3,
      20_000,
    );
    return await driver.executeAsyncScript<number>(
      `const done = arguments[0];
       const field = document.querySelector('[data-filter="schedule"]');
       const setter = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set;
       const first = () => document.querySelector('[role="gridcell"][data-field="tag"]')?.textContent;
       (async () => {
         const times = [];
         for (const text of ['C-2500', 'C-1999', 'C-777', 'C-31']) {
           const from = performance.now();
           setter.call(field, text);
           field.dispatchEvent(new Event('input', { bubbles: true }));
           while (first() !== text && performance.now() - from < 5000) await new Promise((r) => setTimeout(r, 1));
           times.push(performance.now() - from);
         }
         times.sort((a, b) => a - b);
         done(times[Math.floor(times.length / 2)]);
       })();`,
    );
  } finally {
    await browser.close();
  }
}

/** Longest task of the main thread while a worker plans one of the demo's crossings. */
export async function longestTaskMs(asked: Asked, crossing: string): Promise<number> {
  const browser = await openSignedIn(asked);
  try {
    await browser.driver.get(`${asked.address}/job/quillmere/crossings/${crossing}`);
    await browser.driver.sleep(2500);
    await browser.driver.manage().setTimeouts({ script: 120_000 });
    return await browser.driver.executeAsyncScript<number>(
      `const done = arguments[0];
       const button = [...document.querySelectorAll('button')].find((b) => /^Plan (it|again)/.test(b.textContent));
       const tasks = [];
       new PerformanceObserver((list) => list.getEntries().forEach((e) => tasks.push([e.startTime, e.duration])))
         .observe({ type: 'longtask' });
       let end = Infinity;
       let begun = false;
       new MutationObserver(() => {
         const running = document.querySelector('[role="progressbar"]') !== null;
         begun = begun || running;
         if (begun && !running) end = Math.min(end, performance.now());
       }).observe(document.body, { childList: true, subtree: true });
       button.click();
       const look = () => {
         if (end === Infinity) return void setTimeout(look, 50);
         // The task that shows the plan ends after the bar is gone: it is not part of the run. How long a task was is said in whole milliseconds, the rest cut off.
         setTimeout(() => done(Math.max(0, ...tasks.filter(([at, ms]) => at + ms + 1 < end).map(([, ms]) => ms))), 500);
       };
       look();`,
    );
  } finally {
    await browser.close();
  }
}

/** When the largest thing of a page is painted, seconds; median of several visits with an empty cache. */
async function largestPaintSeconds(asked: Asked, path: string): Promise<number> {
  const times: number[] = [];
  for (let visit = 0; visit < 5; visit += 1) {
    const browser = await openSignedIn(asked);
    try {
      await browser.driver.get(`${asked.address}${path}`);
      times.push(
        await browser.driver.executeAsyncScript<number>(
          `const done = arguments[0];
           let last = 0;
           new PerformanceObserver((list) => list.getEntries().forEach((e) => (last = e.startTime)))
             .observe({ type: 'largest-contentful-paint', buffered: true });
           setTimeout(() => done(last / 1000), 1500);`,
        ),
      );
    } finally {
      await browser.close();
    }
  }
  return times.sort((a, b) => a - b)[2] ?? Infinity;
}

export async function benchPages(address: string, slug: string, session: Session): Promise<Row[]> {
  const asked: Asked = { address, session };
  const base = `/job/${slug}`;
  const get = (path: string) => async () => {
    const answer = await fetch(`${address}${path}`, { headers: { cookie: cookieOf(session) } });
    if (!answer.ok) throw new Error(`${path}: ${answer.status}`);
    await answer.arrayBuffer();
  };
  const rows: Row[] = [];
  const answers: readonly (readonly [string, string])[] = [
    ['board page', `${base}/board`],
    [
      'board data, all terminations',
      `/api/look/viewSummaries?args=${encodeURIComponent(JSON.stringify([slug]))}`,
    ],
    ['schedule page', `${base}/schedule`],
    ['schedule data, page of 50', `/api/job/${slug}/schedule?sort=tag&order=asc&offset=0&limit=50`],
    [
      'schedule data, filtered',
      `/api/job/${slug}/schedule?filter=X-123&sort=tag&order=asc&offset=0&limit=50`,
    ],
    ['one termination', `${base}/t/C-1000/A/choose`],
  ];
  for (const [what, path] of answers)
    rows.push({
      what: `server answer: ${what}`,
      value: await medianAsync(7, get(path)),
      unit: 'ms',
      bar: 400,
    });
  rows.push({
    what: 'typing in the filter of the board',
    value: await typingMs(asked, `${base}/board`, '[data-filter="board"]', 'main a[href*="/t/"]'),
    unit: 'ms',
    bar: 100,
  });
  rows.push({
    what: 'typing in the filter of the rack',
    value: await typingMs(asked, `${base}/t/C-1/A/measure`, '[data-filter="rack"]', 'aside a'),
    unit: 'ms',
    bar: 100,
  });
  rows.push({
    what: 'typing in the filter of the schedule',
    value: await gridTypingMs(asked, `${base}/schedule`),
    unit: 'ms',
    bar: 100,
  });
  for (const [crossing, what] of [
    ['X-3', '120 cables'],
    ['X-4', 'a packed sleeve'],
    ['X-6', 'a fire wrap'],
  ] as const)
    rows.push({
      what: `longest task of the page while ${crossing}, ${what}, is planned`,
      value: await longestTaskMs(asked, crossing),
      unit: 'ms',
      bar: 50,
    });
  for (const path of [`${base}/board`, `${base}/t/C-1000/A/choose`])
    rows.push({
      what: `largest contentful paint: ${path.replace(base, '')}`,
      value: await largestPaintSeconds(asked, path),
      unit: 's',
      bar: 1,
    });
  for (const path of [
    `${base}/board`,
    `${base}/schedule`,
    `${base}/schedule/import`,
    `${base}/t/C-1000/A/choose`,
    `${base}/bench/C-1000/A`,
    '/catalogue',
    '/job/quillmere/crossings/X-2',
  ]) {
    rows.push({
      what: `first load JavaScript, compressed: ${path.replace(base, '')}`,
      value: await firstLoadKb(asked, path),
      unit: 'kB',
      bar: 350,
    });
  }
  return rows;
}
