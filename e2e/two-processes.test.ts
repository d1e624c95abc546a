import { asHeld, type WorkCommand } from '@/core/record';
import type { TerminationView } from '@/core/termination-view';
import { freePort } from '../scripts/lib/mariadb.mjs';
import { startApplication } from '../scripts/lib/application.mjs';
import { cookieOf, doneIn, seenIn, sessionOf, type Session } from './session';

// One database, two processes: whichever is asked answers as the other would.
const FIRST = process.env.E2E_ADDRESS ?? '';
const END = { job: 'quillmere', cable: 'K-105', end: 'B' } as const;

let second: Awaited<ReturnType<typeof startApplication>> | null = null;
let both: readonly string[] = [];
beforeAll(async () => {
  second = await startApplication({
    port: await freePort(0),
    databaseUrl: process.env.E2E_DATABASE_URL ?? '',
    keep: process.env.E2E_KEEP ?? '',
    logName: 'test-application-other.log',
  });
  both = [FIRST, second.address];
}, 60_000);
afterAll(() => second?.stop());

let turn = 0;
/** The process whose turn it is: no request goes where the one before it went. */
const next = (): string => both[(turn += 1) % both.length] ?? FIRST;
const view = async (session: Session) =>
  (await seenIn(next(), session, 'viewTermination', END)) as TerminationView;
const send = (session: Session, command: WorkCommand) =>
  doneIn(
    next(),
    session,
    'work',
    { kind: 'termination', ...END },
    {
      id: crypto.randomUUID(),
      at: new Date().toISOString(),
      command,
    },
  );

/** Ids of changes as they are told over one open line, until it is closed. */
async function follow(address: string, session: Session) {
  const stop = new AbortController();
  const heard: string[] = [];
  const answer = await fetch(`${address}/api/live/quillmere`, {
    headers: { cookie: cookieOf(session) },
    signal: stop.signal,
  });
  const reader = answer.body?.getReader();
  const read = async () => {
    const text = new TextDecoder();
    for (;;) {
      const piece = await reader?.read();
      if (piece === undefined || piece.done) return;
      const said = /^data: (\[.*\])$/gm;
      for (const [, ids] of text.decode(piece.value).matchAll(said))
        heard.push(...(JSON.parse(ids ?? '[]') as string[]));
    }
  };
  const reading = read().catch(() => undefined);
  return { heard, close: () => (stop.abort(), reading) };
}

it('makes an end off, every request at the other process than the one before, to a record that is whole', async () => {
  const fitter = await sessionOf(next(), 'fitter');
  const { steps, nextStep } = await view(fitter);
  const from = steps.findIndex((s) => s.id === nextStep);
  const work = steps.slice(from).filter((s) => s.kind !== 'sign');
  expect(work.length).toBeGreaterThan(8);
  for (const step of work) expect(await send(fitter, asHeld(step))).toMatchObject({ ok: true });
  const inspector = await sessionOf(next(), 'inspector');
  const sign = (await view(inspector)).steps.find((s) => s.kind === 'sign');
  if (sign === undefined) throw new Error('it is signed last');
  expect(await send(inspector, asHeld(sign))).toMatchObject({ ok: true });
  for (const session of [inspector, fitter]) {
    const { signedBy, chainFaults, events } = await view(session);
    expect([signedBy, chainFaults]).toEqual(['Inspector', []]);
    expect(events.length).toBeGreaterThanOrEqual(work.length + 1);
  }
}, 120_000);

it('tells at one what was done at the other, within two seconds', async () => {
  const planner = await sessionOf(next(), 'planner');
  const [here = '', there = ''] = both;
  const lines = [await follow(here, planner), await follow(there, planner)];
  try {
    // What was done just before a line is opened, or by a process whose clock goes ahead, may be told on it too: once, and then no more.
    await new Promise((again) => setTimeout(again, 3500));
    for (const { heard } of lines) heard.splice(0);
    const done = await doneIn(here, planner, 'addCable', 'quillmere', { tag: 'T-1', type: 'W4-10' });
    expect(done.ok).toBe(true);
    const until = Date.now() + 2000;
    while (lines.some((l) => l.heard.length === 0) && Date.now() < until)
      await new Promise((again) => setTimeout(again, 50));
    expect(lines.map((l) => l.heard.length)).toEqual([1, 1]);
    expect(lines[0]?.heard).toEqual(lines[1]?.heard);
  } finally {
    for (const line of lines) await line.close();
  }
}, 30_000);

it('knows at both that somebody has signed out at one', async () => {
  const [here = '', there = ''] = both;
  const gone = await sessionOf(here, 'administrator');
  const seen = (address: string) =>
    fetch(`${address}/api/look/viewTermination?args=${encodeURIComponent(JSON.stringify([END]))}`, {
      headers: { cookie: cookieOf(gone) },
    }).then((a) => a.status);
  expect(await seen(there)).toBe(200);
  await fetch(`${here}/api/people/sign-out`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: here, cookie: cookieOf(gone) },
    body: '{}',
  });
  expect([await seen(there), await seen(here)]).toEqual([401, 401]);
}, 30_000);

it('counts wrong passwords of one name wherever they are tried', async () => {
  const tried: string[] = [];
  for (let i = 0; i < 7; i += 1) {
    const address = next();
    const answer = await fetch(`${address}/api/people/sign-in`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', origin: address },
      body: JSON.stringify({ given: { username: 'nobody-of-that-name', password: 'wrong every time' } }),
    });
    tried.push(await answer.text());
  }
  expect(tried.findIndex((t) => t.includes('Too many wrong passwords'))).toBe(5);
}, 30_000);
