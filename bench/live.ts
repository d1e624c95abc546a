import { doneIn, sessionOf, cookieOf } from '../e2e/session';
import { memoryMb } from './heavy';
import type { Row } from './row';

const FOLLOWERS = 200;
const CHANGES = 20;

/** Two hundred pages that follow one job: what they cost, and how long after something was done they hear of it. */
export async function benchLive(address: string, pid: number): Promise<Row[]> {
  const session = await sessionOf(address, 'planner');
  const before = memoryMb(pid) ?? 0;
  const late: number[] = [];
  let from = 0;
  const stops = await Promise.all(
    Array.from({ length: FOLLOWERS }, async () => {
      const stop = new AbortController();
      const answer = await fetch(`${address}/api/live/quillmere`, {
        headers: { cookie: cookieOf(session) },
        signal: stop.signal,
      });
      if (!answer.ok || answer.body === null) throw new Error(`a page cannot follow: ${answer.status}`);
      void listen(answer.body.getReader(), () => late.push(performance.now() - from));
      return stop;
    }),
  );
  for (let k = 0; k < CHANGES; k += 1) {
    from = performance.now();
    await doneIn(address, session, 'addCable', 'quillmere', { tag: `LV-${process.pid}-${k}`, type: 'W4-10' });
    await new Promise((done) => setTimeout(done, 800));
  }
  const after = memoryMb(pid) ?? 0;
  for (const stop of stops) stop.abort();
  if (late.length !== FOLLOWERS * CHANGES)
    throw new Error(`${late.length} of ${FOLLOWERS * CHANGES} changes were heard`);
  late.sort((a, b) => a - b);
  return [
    {
      what: `${FOLLOWERS} pages follow a job: told after, 95 of 100`,
      value: late[Math.floor(late.length * 0.95)] ?? Infinity,
      unit: 'ms',
      bar: 2000,
    },
    { what: '  memory that they take', value: after - before, unit: 'MB', bar: 300 },
  ];
}

/** Reads until the line is closed; each change that is told is heard once. */
async function listen(reader: ReadableStreamDefaultReader<Uint8Array>, heard: () => void): Promise<void> {
  const text = new TextDecoder();
  try {
    for (let step = await reader.read(); !step.done; step = await reader.read())
      if (text.decode(step.value).includes('event: changed')) heard();
  } catch (error) {
    // Broken off by us.
    if (!(error instanceof Error && error.name === 'AbortError')) throw error;
  }
}
