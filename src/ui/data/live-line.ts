/** What is heard of a job: something was done, more was done than can be told, the line is open (again), or it is away. */
export type Heard =
  | { readonly kind: 'changed'; readonly ids: readonly string[] }
  | { readonly kind: 'behind' }
  | { readonly kind: 'open' }
  | { readonly kind: 'away'; readonly since: number };

/** What windows of one browser say to each other: what one has heard for all, and what one that comes later asks for. */
type Said =
  | { readonly heard: Heard }
  /** It was read at this time of the server. */
  | { readonly joined: string; readonly readAt: number }
  | { readonly to: string; readonly heard: Heard };

const idsIn = (text: string): string[] => {
  const found: unknown = JSON.parse(text);
  return Array.isArray(found) ? found.filter((id) => typeof id === 'string') : [];
};

/** After a refusal, as by a server that is being restarted, the browser does not try again by itself. */
const AGAIN_MS = 3000;

/** The line itself: tells what it hears until it is closed, first what was done since `readAt`. `clock` is told what the server's clock says. */
function lineTo(
  job: string,
  readAt: number,
  heard: (what: Heard) => void,
  clock: (serverMs: number) => void = () => undefined,
): () => void {
  let source: EventSource | null = null;
  let again: ReturnType<typeof setTimeout> | null = null;
  const begin = () => {
    const line = new EventSource(`/api/live/${encodeURIComponent(job)}?since=${readAt}`);
    source = line;
    line.addEventListener('open', () => heard({ kind: 'open' }));
    line.addEventListener('error', () => {
      heard({ kind: 'away', since: Date.now() });
      if (line.readyState === EventSource.CLOSED) again = setTimeout(begin, AGAIN_MS);
    });
    line.addEventListener('now', (event: MessageEvent<string>) => clock(Number(event.data)));
    line.addEventListener('behind', () => heard({ kind: 'behind' }));
    line.addEventListener('changed', (event: MessageEvent<string>) =>
      heard({ kind: 'changed', ids: idsIn(event.data) }),
    );
  };
  begin();
  return () => {
    source?.close();
    if (again !== null) clearTimeout(again);
  };
}

/** So long what was heard is remembered for windows that come later; one whose page is older looks again at all of it. */
const LATELY_MS = 60_000;
/** Until the other windows have heard that one came, and the clocks of two machines. */
const ROUND_MS = 2000;

/** What one that holds the line has heard lately, by the server's clock. */
function memory() {
  let changes: readonly { readonly ids: readonly string[]; readonly at: number }[] = [];
  let last: Heard | null = null;
  /** What the server's clock is ahead of this one; null while it has not said so. */
  let ahead: number | null = null;
  return {
    clock: (serverMs: number) => {
      ahead = serverMs - Date.now();
    },
    note: (what: Heard) => {
      if (what.kind === 'changed') {
        const since = Date.now() - LATELY_MS;
        changes = [...changes.filter((c) => c.at > since), { ids: what.ids, at: Date.now() }];
      } else if (what.kind !== 'behind') last = what;
    },
    /** What a page that was read then has not heard. */
    since: (readAt: number): Heard => {
      if (last?.kind === 'away') return last;
      const from = ahead === null ? null : readAt - ahead - ROUND_MS;
      if (from === null || from < Date.now() - LATELY_MS) return { kind: 'behind' };
      return { kind: 'changed', ids: changes.filter((c) => c.at >= from).flatMap((c) => c.ids) };
    },
  };
}

/**
 * Listens to a job until what is returned is called; `readAt` is when the server read the page, by its clock. All windows of a browser share one line, where
 * the browser can: it keeps no more than a few connections to one server, and windows that follow would take them from those that work. One window holds it
 * and passes on what it hears, also to one that comes later; when it is closed, another one takes over.
 */
export function listen(job: string, readAt: number, heard: (what: Heard) => void): () => void {
  // Of another name than before windows asked each other what they had missed.
  const name = `ac_live/2/${job}`;
  // Left out where a page does not come by a secure way, whatever its type says.
  const locks = (navigator as { readonly locks?: LockManager }).locks;
  if (locks === undefined) return lineTo(job, readAt, heard);
  const me = crypto.randomUUID();
  const channel = new BroadcastChannel(name);
  const say = (what: Said) => channel.postMessage(what);
  let holds: ReturnType<typeof memory> | null = null;
  channel.addEventListener('message', ({ data }: MessageEvent<Said>) => {
    if ('joined' in data) {
      if (holds !== null) say({ to: data.joined, heard: holds.since(data.readAt) });
    } else if (!('to' in data) || data.to === me) heard(data.heard);
  });
  const left = new AbortController();
  const held = locks.request(name, { signal: left.signal }, async () => {
    const mine = memory();
    holds = mine;
    const close = lineTo(
      job,
      readAt,
      (what) => {
        mine.note(what);
        heard(what);
        say({ heard: what });
      },
      mine.clock,
    );
    await new Promise<void>((done) => {
      if (left.signal.aborted) done();
      else left.signal.addEventListener('abort', () => done());
    });
    close();
  });
  // Left before its turn: there is nothing to end.
  held.catch(() => undefined);
  say({ joined: me, readAt });
  return () => {
    left.abort();
    channel.close();
  };
}
