import { refuse } from '@/core/kernel';
import { followJob } from '../../../for-programs';
import { refusedJson } from '../../../answer';

export const dynamic = 'force-dynamic';

/** What is done in one moment is told in one line. */
const GATHER_MS = 200;
/** A line that says nothing, so that a connection which is dead is found out. */
const BEAT_MS = 5000;
/** Whoever follows asks anew after this: they may have been signed out, or taken out of the job. */
const ANEW_MS = 10 * 60_000;

interface Context {
  readonly params: Promise<{ job: string }>;
}

/** When the page was read that asks, as it was told by the server; null where it does not say. */
function readAtOf(request: Request): number | null {
  const said = new URL(request.url).searchParams.get('since');
  return said !== null && /^\d{1,15}$/.test(said) ? Number(said) : null;
}

/**
 * Tells, as events of the server, what is done in a job: ids of commands, and nothing of what they did. First its own time, by which pages say when they
 * were read, and what was done `since` then.
 */
export async function GET(request: Request, { params }: Context): Promise<Response> {
  const { job } = await params;
  const text = new TextEncoder();
  // Until the stream has begun, what is to be told is put aside.
  const early: string[] = [];
  let old = false;
  let tell: (id: string) => void = (id) => early.push(id);
  let behind: () => void = () => (old = true);
  let end: () => void = () => undefined;
  const followed = await followJob(
    job,
    { heard: ({ id }) => tell(id), behind: () => behind(), ended: () => end() },
    readAtOf(request),
  );
  if (!followed.ok) return refusedJson(followed.problems);
  const leave = followed.value;
  if (leave === null)
    return refusedJson(
      refuse('busy', 'too many pages follow already: load this one anew to see more').problems,
    );
  end = leave;
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      let ids: string[] = [];
      let gathering: ReturnType<typeof setTimeout> | null = null;
      const say = (line: string) => controller.enqueue(text.encode(line));
      const beat = setInterval(() => say(': here\n\n'), BEAT_MS);
      const anew = setTimeout(() => end(), ANEW_MS);
      let over = false;
      tell = (id) => {
        // What was done before may be found after whoever asked has gone.
        if (over) return;
        ids.push(id);
        gathering ??= setTimeout(() => {
          gathering = null;
          say(`event: changed\ndata: ${JSON.stringify(ids)}\n\n`);
          ids = [];
        }, GATHER_MS);
      };
      behind = () => {
        if (!over) say('event: behind\ndata: []\n\n');
      };
      end = () => {
        if (over) return;
        over = true;
        leave();
        clearInterval(beat);
        clearTimeout(anew);
        if (gathering !== null) clearTimeout(gathering);
        controller.close();
      };
      request.signal.addEventListener('abort', () => end());
      say(`retry: 2000\nevent: now\ndata: ${Date.now()}\n\n`);
      if (old) behind();
      for (const id of early) tell(id);
    },
    cancel: () => end(),
  });
  return new Response(stream, {
    headers: {
      'content-type': 'text/event-stream; charset=utf-8',
      // Nothing on the way may keep lines back until there are more of them.
      'cache-control': 'no-store, no-transform',
      'x-accel-buffering': 'no',
    },
  });
}
