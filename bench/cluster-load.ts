// Forty benches in front of a cluster whose parts die: each sends its commands again under their ids until they are answered. Run by scripts/bench-cluster.mjs.
import { randomUUID } from 'node:crypto';
import { writeFileSync } from 'node:fs';
import type { TerminationView } from '@/core/termination-view';
import { cookieOf, seenIn, sessionOf, type Session } from '../e2e/session';
import { verifyRecord } from '../cli/verify';
import { BENCHES, endsToWorkAt, EVERY_MS, JOB, next } from './benches';

const address = process.env.BENCH_ADDRESS ?? '';
const EVENTS = Number(process.env.BENCH_EVENTS ?? 45);
const REPORT = process.env.BENCH_REPORT ?? '';
/** As long a device goes on trying. */
const GIVE_UP_MS = 60_000;
const AGAIN_MS = 250;
/** As long a device waits for one answer. */
const ANSWER_MS = 8000;

interface Answer {
  readonly result: { readonly ok: boolean; readonly problems?: readonly { path: string; message: string }[] };
  readonly shown: { readonly ok: boolean; readonly value: unknown } | null;
}
interface Waited {
  readonly at: number;
  readonly ms: number;
  readonly tries: number;
}

/** What cannot be answered just now, and will be: no answer, or one that says so. */
const isAway = ({ result }: Answer): boolean =>
  !result.ok && (result.problems ?? []).some((p) => p.path === '');

/**
 * What is asked, unless it is not answered in time. The clock keeps this process alive: one of `AbortSignal.timeout` does not, and where a connection
 * dies under the last that waits, nothing else would.
 */
async function inTime<T>(ms: number, ask: (signal: AbortSignal) => Promise<T>): Promise<T> {
  const controller = new AbortController();
  let clock: ReturnType<typeof setTimeout> | undefined;
  const over = new Promise<never>((_, late) => {
    clock = setTimeout(() => {
      late(new Error(`no answer in ${ms / 1000} s`));
      controller.abort();
    }, ms);
  });
  try {
    return await Promise.race([ask(controller.signal), over]);
  } finally {
    clearTimeout(clock);
  }
}

async function tried(session: Session, body: string): Promise<Answer | null> {
  try {
    return await inTime(ANSWER_MS, async (signal) => {
      const answer = await fetch(`${address}/api/do`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', origin: address, cookie: cookieOf(session) },
        body,
        signal,
      });
      if (answer.status >= 500) return null;
      const said = (await answer.json()) as Answer;
      return isAway(said) ? null : said;
    });
  } catch {
    return null;
  }
}

/** One command, sent under its id until it is answered. */
async function sure(
  session: Session,
  args: unknown[],
  show: unknown[],
): Promise<{ answer: Answer; waited: Waited }> {
  const body = JSON.stringify({ id: randomUUID(), name: 'work', args, show });
  const at = Date.now();
  for (let tries = 1; Date.now() - at < GIVE_UP_MS; tries += 1) {
    const answer = await tried(session, body);
    if (answer !== null) return { answer, waited: { at, ms: Date.now() - at, tries } };
    await new Promise((again) => setTimeout(again, AGAIN_MS));
  }
  throw new Error(`no answer in ${GIVE_UP_MS / 1000} s`);
}

async function looked(session: Session, ref: object): Promise<TerminationView> {
  for (let i = 0; i < 100; i += 1) {
    try {
      const view = (await inTime(ANSWER_MS, () => seenIn(address, session, 'viewTermination', ref))) as
        TerminationView | undefined;
      if (view !== undefined) return view;
    } catch {
      // not answered just now
    }
    await new Promise((again) => setTimeout(again, AGAIN_MS));
  }
  throw new Error('an end is not shown');
}

async function main(): Promise<void> {
  const planner = await sessionOf(address, 'planner');
  const ends = await endsToWorkAt(address, planner);
  if (ends.length < BENCHES)
    throw new Error(`${ends.length} ends can be worked at, ${BENCHES} are asked for`);
  // Each bench is a tablet of its own; signed in one after the other, since many at once look like somebody who guesses.
  const tablets: Session[] = [];
  for (const _ of ends) tablets.push(await sessionOf(address, 'fitter'));
  console.log('begun');
  const waited: Waited[] = [];
  const wrong: string[] = [];
  const warm = new Set<Session>();
  await Promise.all(
    ends.map(async (first, i) => {
      const fitter = tablets[i];
      if (fitter === undefined) throw new Error('a bench without a tablet');
      let view = first;
      const ref = { job: JOB, cable: view.cable, end: view.end };
      await new Promise((done) => setTimeout(done, (i * EVERY_MS) / BENCHES));
      for (let k = 0; k < EVENTS; k += 1) {
        const input = { id: randomUUID(), at: new Date().toISOString(), command: next(view, []) };
        const { answer, waited: one } = await sure(
          fitter,
          [{ kind: 'termination', ...ref }, input],
          // As the page asks: without the choice where it is the one that it has.
          view.choiceHash === null
            ? ['viewTermination', ref]
            : ['viewTerminationAgain', ref, view.choiceHash],
        );
        waited.push(one);
        if (k === 0) {
          warm.add(fitter);
          if (warm.size === ends.length) console.log('each has been answered');
        }
        if (!answer.result.ok) {
          wrong.push(`${view.tag}: ${answer.result.problems?.[0]?.message ?? 'refused'}`);
          return;
        }
        const now =
          answer.shown?.ok === true ? (answer.shown.value as TerminationView) : await looked(fitter, ref);
        view = now;
        // A hand that has waited does not hurry after it.
        await new Promise((wait) => setTimeout(wait, Math.max(0, EVERY_MS - one.ms)));
      }
      const after = await looked(fitter, ref);
      if (after.events.length !== first.events.length + EVENTS)
        wrong.push(`${view.tag}: ${after.events.length} events of ${first.events.length + EVENTS}`);
      if (after.chainFaults.length > 0) wrong.push(`${view.tag}: its chain does not hold`);
    }),
  );
  const record = await fetch(`${address}/api/job/${JOB}/record`, { headers: { cookie: cookieOf(planner) } });
  const report = verifyRecord(await record.json());
  if (!report.ok) wrong.push(`the record does not hold: ${report.problems[0]?.message ?? ''}`);
  // Whoever reads at what is left of the cluster afterwards was signed in before.
  writeFileSync(
    REPORT,
    JSON.stringify({ waited, wrong, asked: BENCHES * EVENTS, reader: cookieOf(planner) }),
  );
}

await main();
