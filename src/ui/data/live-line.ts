/** What is heard of a job: something was done, the line is open (again), or it is away. */
export type Heard =
  | { readonly kind: 'changed'; readonly ids: readonly string[] }
  | { readonly kind: 'open' }
  | { readonly kind: 'away'; readonly since: number };

const idsIn = (text: string): string[] => {
  const found: unknown = JSON.parse(text);
  return Array.isArray(found) ? found.filter((id) => typeof id === 'string') : [];
};

/** After a refusal, as by a server that is being restarted, the browser does not try again by itself. */
const AGAIN_MS = 3000;

/** The line itself: tells what it hears until it is closed. */
function lineTo(job: string, heard: (what: Heard) => void): () => void {
  let source: EventSource | null = null;
  let again: ReturnType<typeof setTimeout> | null = null;
  const begin = () => {
    const line = new EventSource(`/api/live/${encodeURIComponent(job)}`);
    source = line;
    line.addEventListener('open', () => heard({ kind: 'open' }));
    line.addEventListener('error', () => {
      heard({ kind: 'away', since: Date.now() });
      if (line.readyState === EventSource.CLOSED) again = setTimeout(begin, AGAIN_MS);
    });
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

/**
 * Listens to a job until what is returned is called. All windows of a browser share one line, where the browser can: it keeps no more than a few
 * connections to one server, and windows that follow would take them from those that work. One window holds it and passes on what it
 * hears; when it is closed, another one takes over.
 */
export function listen(job: string, heard: (what: Heard) => void): () => void {
  const name = `ac_live/${job}`;
  // Left out where a page does not come by a secure way, whatever its type says.
  const locks = (navigator as { readonly locks?: LockManager }).locks;
  if (locks === undefined) return lineTo(job, heard);
  const channel = new BroadcastChannel(name);
  channel.addEventListener('message', (event: MessageEvent<Heard>) => heard(event.data));
  const left = new AbortController();
  const held = locks.request(name, { signal: left.signal }, async () => {
    const close = lineTo(job, (what) => {
      heard(what);
      channel.postMessage(what);
    });
    await new Promise<void>((done) => {
      if (left.signal.aborted) done();
      else left.signal.addEventListener('abort', () => done());
    });
    close();
  });
  // Left before its turn: there is nothing to end.
  held.catch(() => undefined);
  return () => {
    left.abort();
    channel.close();
  };
}
