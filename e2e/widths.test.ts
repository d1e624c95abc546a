import { Key } from 'selenium-webdriver';
import {
  allByRole,
  browser,
  byRole,
  click,
  d,
  gone,
  open,
  retype,
  says,
  seriousFindings,
  WAIT,
  withBrowser,
  wait,
} from './page';

// Every page at every width: what does not fit scrolls in its own place, never the window.
withBrowser('/job/quillmere/board');

const JOB = '/job/quillmere';
const PAGES = [
  '/',
  '/new-job',
  '/people',
  '/me',
  `${JOB}/people`,
  `${JOB}/settings`,
  `${JOB}/boxes`,
  `${JOB}/boxes/MCC-1`,
  `${JOB}/instruments`,
  `${JOB}/types`,
  `${JOB}/cables/K-104`,
  `${JOB}/board`,
  `${JOB}/along`,
  `${JOB}/records`,
  '/on-this-device',
  `${JOB}/schedule`,
  `${JOB}/schedule/import`,
  `${JOB}/t/K-104/B/measure`,
  `${JOB}/t/K-104/B/choose`,
  `${JOB}/t/K-104/A/cut`,
  `${JOB}/t/K-104/A/makeOff`,
  `${JOB}/t/K-113/A/seal`,
  `${JOB}/t/K-104/A/tighten`,
  `${JOB}/t/K-104/A/prove`,
  `${JOB}/bench/K-104/A`,
  `${JOB}/bench/K-115/A`,
  `${JOB}/whole-job`,
  `${JOB}/kit`,
  `${JOB}/compound`,
  `${JOB}/crossings`,
  ...['places', 'cables', 'add', 'compare', 'files'].map((tab) => `${JOB}/crossings/X-1?tab=${tab}`),
  `${JOB}/crossings/X-2?tab=cables`,
  `${JOB}/crossings/X-2/build`,
  ...['X-4', 'X-5', 'X-6', 'X-7'].map((name) => `${JOB}/crossings/${name}`),
  `${JOB}/crossings/X-6/build`,
  `${JOB}/crossings/X-1/record`,
  `${JOB}/prints`,
  `${JOB}/profile`,
  `${JOB}/changes`,
  '/catalogue',
  '/catalogue?family=YB6&job=quillmere-annex',
  '/catalogue/edit/AY3',
  '/catalogue/type/frames?like=TF&job=quillmere',
  '/catalogue/type/sleeves?like=PS&job=quillmere',
  '/job/quillmere-annex/t/D-203/B/choose',
];
const WIDTHS = [390, 640, 768, 1024, 1280, 1920];

/** What is wider than it should be: the window, or a part of the page beyond its own edge. */
const tooWide = () =>
  d().executeScript<string[]>(`
    const wide = [];
    if (document.scrollingElement.scrollWidth > innerWidth) wide.push('the window');
    for (const part of ['main', 'aside'].flatMap((tag) => [...document.getElementsByTagName(tag)]))
      if (part.clientWidth > 0 && part.scrollWidth > part.clientWidth + 1)
        wide.push(part.tagName + ', ' + part.scrollWidth + ' px');
    return wide;`);

/** What a language with longer words makes of a page: German joins them, French sets more of them and spaces before marks. */
const LONGER = {
  German: "text.replace(/[a-z]{4,}/g, (word) => word + 'ungsmaß'.slice(0, Math.ceil(word.length * 0.45)))",
  French:
    "text.replace(/[a-z]{3,}/g, (word) => word + ' dé'.slice(0, Math.ceil(word.length * 0.35))).replace(/[:;!?]/g, '\\u00a0$&')",
} as const;
/** Puts every text of the page as that language would, from what it was at first. */
const lengthen = (language: keyof typeof LONGER) =>
  d().executeScript(`
    const firsts = (window.firstTexts ??= new Map());
    const walk = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    const nodes = [];
    while (walk.nextNode()) nodes.push(walk.currentNode);
    for (const node of nodes) {
      if (node.parentElement.closest('script, style, svg') !== null) continue;
      if (!firsts.has(node)) firsts.set(node, node.nodeValue);
      const text = firsts.get(node);
      node.nodeValue = ${LONGER[language]};
    }`);
const loaded = () =>
  d().wait(
    async () => !(await d().executeScript<string>('return document.body.innerText')).includes('Loading'),
    WAIT,
  );
/** The other scheme, as the switch in the bar sets it. */
const scheme = (to: 'light' | 'dark') =>
  d().executeScript(
    `const [to, from] = ['${to}', '${to === 'dark' ? 'light' : 'dark'}'];
     document.documentElement.removeAttribute('data-' + from);
     document.documentElement.setAttribute('data-' + to, '');`,
  );

// One visit for each page: what is tried of it leaves it as it was.
describe.each(PAGES)('%s', (path) => {
  beforeAll(async () => {
    await open(path);
    await loaded();
  });
  afterEach(() => browser().resize(1280, 800));

  it('scrolls nowhere sideways at any width', async () => {
    const found: string[] = [];
    for (const width of WIDTHS) {
      await browser().resize(width, 800);
      for (const what of await tooWide()) found.push(`${width}: ${what}`);
    }
    expect(found).toEqual([]);
  });

  it('has nothing serious for axe, on paper and by night, on a desk and on a phone', async () => {
    const found: string[] = [];
    for (const width of [1280, 390]) {
      await browser().resize(width, 844);
      for (const colours of ['dark', 'light'] as const) {
        await scheme(colours);
        // By night the same elements stand there in other colours: what axe looks at besides those it has seen on paper.
        const rules = colours === 'dark' ? ['color-contrast', 'link-in-text-block'] : undefined;
        for (const finding of await seriousFindings(rules)) found.push(`${colours}, ${width}: ${finding}`);
      }
    }
    expect(found).toEqual([]);
  });

  it('bears the longer words of other languages', async () => {
    const found: string[] = [];
    for (const language of ['German', 'French'] as const) {
      await lengthen(language);
      for (const width of [1280, 390]) {
        await browser().resize(width, 844);
        for (const what of await tooWide()) found.push(`${language}, ${width}: ${what}`);
      }
    }
    expect(found).toEqual([]);
  });
});

describe('on a phone', () => {
  beforeAll(() => browser().resize(390, 844));
  afterAll(() => browser().resize(1280, 800));

  it('has all places of the job in a drawer, by the job’s whole name', async () => {
    await open(`${JOB}/board`);
    await click(() => byRole('button', 'Board ▾'));
    await says('Quillmere distillery, re-cabling');
    await click(async () => byRole('link', /^Kit$/, { within: await byRole('navigation', 'All places') }));
    await wait(async () => new URL(await d().getCurrentUrl()).pathname === `${JOB}/kit`, 'the kit');
  });

  it('goes from end to end, and has all of them in a drawer with a filter', async () => {
    await open(`${JOB}/t/K-104/B/choose`);
    await click(() => byRole('button', 'next ›'));
    await wait(async () => (await d().getCurrentUrl()).includes('/K-105/A/choose'), 'K-105/A');
    await click(() => byRole('button', /^All \d+ ends/));
    await retype(await byRole('searchbox', 'Filter terminations'), 'K-113');
    await click(() => byRole('link', 'K-113/A'));
    await wait(async () => (await d().getCurrentUrl()).includes('/K-113/A/choose'), 'K-113/A');
    await gone('searchbox', 'Filter terminations');
  });
});

it('stays inside its bar where an address names nothing', async () => {
  await open('/nothing/here');
  await says('There is no such page.');
  await byRole('navigation', 'Product');
  // The browser says of an address that is not there that it is not there.
  await browser().consoleErrors();
});

describe('under a finger', () => {
  const finger = (on: boolean) => browser().finger(on);
  beforeAll(() => finger(true));
  afterAll(() => finger(false));

  it('a temperature of the work is typed on keys of its own, with its sign', async () => {
    await open(`${JOB}/t/K-141/B/seal`);
    const field = await byRole('textbox', 'Temperature of the work');
    expect(await field.getAttribute('inputmode')).toBe('none');
    await field.click();
    const press = (key: string) =>
      click(async () => {
        for (const button of await allByRole('button', key, { within: await byRole('group', 'Keypad') }))
          if ((await button.getText()) === key) return button;
        throw new Error(`no key ${key}`);
      });
    for (const key of ['−', '4', '.', '5']) await press(key);
    expect(await field.getAttribute('value')).toBe('-4.5');
    await press('Delete');
    expect(await field.getAttribute('value')).toBe('-4.');
    await field.sendKeys(Key.TAB);
    await gone('group', 'Keypad');
  });
});
