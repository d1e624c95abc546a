import { listen, type Heard } from './live-line';

// Windows of one browser, each with its own call of `listen`; the lock and the line are the browser's, and stand here as what they do.

class Line extends EventTarget {
  static readonly CLOSED = 2;
  static readonly opened: Line[] = [];
  readonly readyState = 1;
  constructor(readonly url: string) {
    super();
    Line.opened.push(this);
  }
  says(type: string, data = '[]') {
    this.dispatchEvent(new MessageEvent(type, { data }));
  }
  close() {}
}

const waiting: (() => void)[] = [];
let held = false;
const locks = {
  request: async (_: string, { signal }: { signal: AbortSignal }, work: () => Promise<void>) => {
    if (held) await new Promise<void>((turn) => waiting.push(turn));
    if (!signal.aborted) {
      held = true;
      await work();
      held = false;
    }
    waiting.shift()?.();
  },
};
const before = Object.getOwnPropertyDescriptor(globalThis, 'navigator');
beforeAll(() => {
  Object.defineProperty(globalThis, 'navigator', { value: { locks }, configurable: true });
  Object.assign(globalThis, { EventSource: Line });
});
afterAll(() => {
  if (before) Object.defineProperty(globalThis, 'navigator', before);
});

const opened: (() => void)[] = [];
afterEach(async () => {
  for (const leave of opened.splice(0).reverse()) leave();
  await passed();
});
/** Until what windows say to each other has come. */
const passed = () => new Promise((done) => setTimeout(done, 60));
async function openWindow(readAt: number): Promise<Heard[]> {
  const heard: Heard[] = [];
  opened.push(listen('quillmere', readAt, (what) => heard.push(what)));
  await passed();
  return heard;
}
const line = (): Line => {
  const last = Line.opened.at(-1);
  if (!last) throw new Error('no line was opened');
  return last;
};
/** The server's clock goes some minutes otherwise than that of the browser. */
const SERVER_MS = 7 * 60_000;
const serverNow = () => Date.now() + SERVER_MS;

it('asks with its line for what was done since the page was read, and passes on to all windows what it hears', async () => {
  const first = await openWindow(1234);
  expect(line().url).toBe('/api/live/quillmere?since=1234');
  const lines = Line.opened.length;
  line().says('open');
  line().says('now', `${serverNow()}`);
  const second = await openWindow(serverNow());
  expect(Line.opened).toHaveLength(lines);
  line().says('changed', '["a"]');
  await passed();
  expect(first.at(-1)).toEqual({ kind: 'changed', ids: ['a'] });
  expect(second.at(-1)).toEqual({ kind: 'changed', ids: ['a'] });
});

it('tells a window that comes later what was heard since its page was read, and nobody else again', async () => {
  const first = await openWindow(serverNow());
  line().says('open');
  line().says('now', `${serverNow()}`);
  line().says('changed', '["a"]');
  const readAt = serverNow();
  line().says('changed', '["b"]');
  const known = first.length;
  // Its page was read after both, by more than the clocks may differ.
  expect(await openWindow(readAt + 5000)).toEqual([{ kind: 'changed', ids: [] }]);
  expect(await openWindow(readAt)).toEqual([{ kind: 'changed', ids: ['a', 'b'] }]);
  expect(first).toHaveLength(known);
});

it('counts what it cannot know as something: an old page, a clock that was not told, a line that is away', async () => {
  await openWindow(serverNow());
  expect(await openWindow(serverNow())).toEqual([{ kind: 'behind' }]);
  line().says('open');
  line().says('now', `${serverNow()}`);
  expect(await openWindow(serverNow() - 70_000)).toEqual([{ kind: 'behind' }]);
  line().says('error');
  expect(await openWindow(serverNow())).toEqual([{ kind: 'away', since: expect.any(Number) as number }]);
});

it('takes the line over from a window that is closed, from when its own page was read', async () => {
  await openWindow(1);
  await openWindow(2);
  opened.shift()?.();
  await passed();
  expect(line().url).toBe('/api/live/quillmere?since=2');
});
