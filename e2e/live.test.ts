import { randomUUID } from 'node:crypto';
import type { Driver } from 'selenium-webdriver/chrome';
import { asHeld } from '@/core/record';
import type { TerminationView } from '@/core/termination-view';
import { byRole, click, d, doneElsewhere, open, says, seenElsewhere, wait, withBrowser } from './page';

const JOB = '/job/quillmere';
withBrowser(`${JOB}/board`);

// Ours is Chromium.
const tools = () => d() as Driver;
beforeAll(() =>
  tools().sendDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', {
    source: `
      const Plain = window.EventSource;
      const HEARD = ['open', 'error', 'now', 'behind', 'changed'];
      // Opens its line only when the test says so, where it has asked for that.
      class Late extends EventTarget {
        constructor(...args) {
          super();
          window.beginToListen = () => {
            const line = new window.EventSource.Watched(...args);
            for (const type of HEARD)
              line.addEventListener(type, (e) => this.dispatchEvent(new MessageEvent(type, { data: e.data })));
          };
        }
        close() {}
      }
      class Watched extends Plain {
        constructor(...args) {
          super(...args);
          this.addEventListener('open', () => { window.lineIsOpen = true; });
        }
      }
      window.EventSource = sessionStorage.getItem('listen late') === null ? Watched : Late;
      window.EventSource.Watched = Watched;`,
  }),
);
/** Opens a page, and goes on when it follows what others do. */
async function openAndFollow(path: string): Promise<void> {
  await open(path);
  await wait(() => d().executeScript<boolean>('return window.lineIsOpen === true'), 'the line is open');
}

/** How long it takes until the page says so, ms. */
async function within(ms: number, text: string | RegExp): Promise<void> {
  const from = Date.now();
  await says(text);
  expect(Date.now() - from).toBeLessThan(ms);
}
const reading = (end: string, text: string) =>
  doneElsewhere(
    'planner',
    'addReading',
    { job: 'quillmere', cable: 'K-107', end },
    { quantity: 'outerSheath', method: 'caliper', text, unit: 'mm' },
  );
const cable = (tag: string) => doneElsewhere('planner', 'addCable', 'quillmere', { tag, type: 'W4-10' });
/** In another window of the same browser. */
async function inOther(work: () => Promise<void>): Promise<void> {
  const own = await d().getWindowHandle();
  await d().switchTo().newWindow('tab');
  await work();
  await d().close();
  await d().switchTo().window(own);
}

describe('what somebody else does', () => {
  it('is on the board and in the rack within two seconds, in every window', async () => {
    await openAndFollow(`${JOB}/board`);
    await cable('A-1');
    await within(2000, /A-1/);
    await inOther(async () => {
      await open(`${JOB}/board`);
      // It hears through the first window.
      await d().sleep(2500);
      await cable('A-2');
      await within(2000, /A-2/);
    });
    // The window that was behind has followed as well, and goes on when the other one is closed.
    await says(/A-2/);
    await d().sleep(1000);
    await cable('A-3');
    await within(3000, /A-3/);
  });

  it('is on the Compound page and in the list of crossings within two seconds', async () => {
    await openAndFollow(`${JOB}/compound`);
    const end = { job: 'quillmere', cable: 'K-140', end: 'B' };
    const view = (await seenElsewhere('viewTermination', end)) as TerminationView;
    const mix = view.steps.find((s) => s.id === view.nextStep);
    if (mix?.kind !== 'mix') throw new Error('K-140/B is about to be mixed');
    const pack = { batch: 'LIVE-1', expiry: '2028-06-30', tempC: 20 };
    await doneElsewhere(
      'fitter',
      'work',
      { kind: 'termination', ...end },
      { id: randomUUID(), at: new Date().toISOString(), command: asHeld(mix, pack) },
    );
    await within(2000, /pot life until/);
    await openAndFollow(`${JOB}/crossings`);
    await doneElsewhere('planner', 'addCrossing', 'quillmere', 'Z-9', 'frames');
    await within(2000, /Z-9/);
  });

  it('is told where hands are at work, and shown when it is asked for', async () => {
    await openAndFollow(`${JOB}/t/K-107/A/measure`);
    await reading('A', '29.3');
    await within(2500, 'Somebody else has changed this since it was shown.');
    const body = () => d().executeScript<string>('return document.body.innerText');
    expect(await body()).not.toContain('29.3');
    await click(() => byRole('button', 'Show it as it is now'));
    await says('29.3');
    expect(await body()).not.toContain('Somebody else has changed this');
    // What changes nothing that is shown here is not told.
    await cable('A-4');
    await d().sleep(2500);
    expect(await body()).not.toContain('Somebody else has changed this');
  });

  it('is caught up with where it was done after the page was read and before it listened', async () => {
    const late = (is: boolean) =>
      d().executeScript(`sessionStorage.${is ? "setItem('listen late', '')" : "removeItem('listen late')"}`);
    await late(true);
    await open(`${JOB}/board`);
    await wait(
      () => d().executeScript<boolean>('return "beginToListen" in window'),
      'the page is about to listen',
    );
    await cable('A-6');
    await d().sleep(2000);
    expect(await d().executeScript<string>('return document.body.innerText')).not.toContain('A-6');
    await d().executeScript('window.beginToListen()');
    await within(3000, /A-6/);
    await late(false);
    // One that is old, as a tab that was laid away, is told to look at all of it again.
    const first = await d().executeAsyncScript<string>(
      `const done = arguments[0];
       const line = new EventSource.Watched('/api/live/quillmere?since=1');
       const say = (e) => { line.close(); done(e.type); };
       for (const type of ['behind', 'changed', 'error']) line.addEventListener(type, say);`,
    );
    expect(first).toBe('behind');
  });

  it('is not known while the line is away: the page says since when, and catches up', async () => {
    const lineAway = (is: boolean) =>
      tools().sendDevToolsCommand('Network.setBlockedURLs', { urls: is ? ['*/api/live/*'] : [] });
    await tools().sendDevToolsCommand('Network.enable', {});
    await lineAway(true);
    await open(`${JOB}/board`);
    await says(/Nothing is heard from the server since \d\d:\d\d:\d\d/);
    await cable('A-5');
    await lineAway(false);
    await says(/A-5/);
    await wait(
      async () =>
        !(await d().executeScript<string>('return document.body.innerText')).includes('Nothing is heard'),
      'the line is back',
    );
  });
});
