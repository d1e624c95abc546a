import { randomBytes, randomUUID } from 'node:crypto';
import { asHeld, type WorkCommand } from '@/core/record';
import type { SummaryView, TerminationView } from '@/core/termination-view';
import { tinyJpeg } from '@/server/testing/jpeg';
import { cookieOf, doneIn, seenIn, sessionOf, type Session } from '../e2e/session';
import { verifyRecord } from '../cli/verify';
import type { Row } from './row';

export const BENCHES = 40;
const WITH_PHOTOS = 5;
export const EVERY_MS = 2000;
const EVENTS = 30;
export const JOB = 'quillmere';

interface Done {
  readonly result: { readonly ok: boolean; readonly problems?: readonly { readonly message: string }[] };
  readonly shown: { readonly ok: boolean; readonly value: unknown } | null;
}

async function command(
  address: string,
  session: Session,
  name: string,
  args: readonly unknown[],
  show: readonly unknown[] | null,
): Promise<{ readonly done: Done; readonly ms: number }> {
  const from = performance.now();
  const answer = await fetch(`${address}/api/do`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: address, cookie: cookieOf(session) },
    body: JSON.stringify({ id: randomUUID(), name, args, ...(show === null ? {} : { show }) }),
  });
  const done = (await answer.json()) as Done;
  return { done, ms: performance.now() - from };
}

/** As many bytes as a tablet's photo has, another one each time. */
const photo = (): string => {
  const scan = Array.from(randomBytes(300_000), (byte) => (byte === 0xff ? 0xfe : byte));
  return Buffer.from(tinyJpeg({ width: 1600, height: 1200, scan })).toString('base64');
};

/** Ends of the demo that can be worked at, planned where they are not. */
export async function endsToWorkAt(address: string, session: Session): Promise<TerminationView[]> {
  const found: TerminationView[] = [];
  const rows = (await seenIn(address, session, 'viewSummaries', JOB)) as readonly SummaryView[];
  for (const { cable, end } of rows) {
    if (found.length === BENCHES) break;
    const ref = { job: JOB, cable, end };
    let view = (await seenIn(address, session, 'viewTermination', ref)) as TerminationView;
    const fits = view.choice?.candidates.find((c) => c.verdict === 'fits' && c.refusal === null);
    if (view.plan === null && fits !== undefined) {
      const taken = await doneIn(address, session, 'takeSize', ref, fits.code, false);
      if (taken.ok) view = (await seenIn(address, session, 'viewTermination', ref)) as TerminationView;
    }
    const ready = view.steps.length > 0 && !view.stale && view.plan?.plan.provisional.length === 0;
    if (ready && view.signedBy === null) found.push(view);
  }
  return found;
}

const RUNS_BY_A_CLOCK = new Set(['sign', 'mix', 'cure']);

/** What a bench does next: the step whose turn it is; where that waits for a clock or a signature, the one before is taken back and done again. */
export function next(view: TerminationView, photos: readonly string[]): WorkCommand {
  const step = view.steps.find((s) => s.id === view.nextStep);
  if (
    step !== undefined &&
    !RUNS_BY_A_CLOCK.has(step.kind) &&
    step.id !== 'fill' &&
    step.blockedBy === undefined
  )
    return { ...asHeld(step), photos };
  const last = view.steps.filter((s) => view.done.includes(s.id)).at(-1);
  if (last === undefined) throw new Error(`${view.tag} has nothing to go on with`);
  return { kind: 'correct', stepId: last.id, reason: 'done again by the bench' };
}

const takesPhotos = (view: TerminationView): boolean => {
  const step = view.steps.find((s) => s.id === view.nextStep);
  return step !== undefined && (step.kind === 'hold' || step.kind === 'look');
};

/** Forty benches at once, one event every two seconds for a minute, five of them with photos: how long each waits for its answer, and whether all of it is there. */
export async function benchBenches(address: string): Promise<Row[]> {
  const planner = await sessionOf(address, 'planner');
  const fitter = await sessionOf(address, 'fitter');
  const ends = await endsToWorkAt(address, planner);
  if (ends.length < BENCHES)
    throw new Error(`${ends.length} ends can be worked at, ${BENCHES} are asked for`);
  const waited: number[] = [];
  let photos = 0;
  const work = async (first: TerminationView, i: number): Promise<void> => {
    let view = first;
    const ref = { job: JOB, cable: view.cable, end: view.end };
    await new Promise((done) => setTimeout(done, (i * EVERY_MS) / BENCHES));
    const from = performance.now();
    for (let k = 0; k < EVENTS; k += 1) {
      const hashes: string[] = [];
      if (i < WITH_PHOTOS && takesPhotos(view)) {
        const { done } = await command(address, fitter, 'keepPhoto', [JOB, photo()], null);
        if (!done.result.ok) throw new Error(`a photo was refused at ${view.tag}`);
        hashes.push((done.result as unknown as { value: { hash: string } }).value.hash);
        photos += 1;
      }
      const input = { id: randomUUID(), at: new Date().toISOString(), command: next(view, hashes) };
      const { done, ms } = await command(
        address,
        fitter,
        'work',
        [{ kind: 'termination', ...ref }, input],
        // As the page asks: without the choice where it is the one that it has.
        view.choiceHash === null ? ['viewTermination', ref] : ['viewTerminationAgain', ref, view.choiceHash],
      );
      if (!done.result.ok)
        throw new Error(`refused at ${view.tag}: ${done.result.problems?.[0]?.message ?? 'without a word'}`);
      waited.push(ms);
      if (done.shown?.ok !== true) throw new Error(`${view.tag} was not shown`);
      view = done.shown.value as TerminationView;
      await new Promise((wait) =>
        setTimeout(wait, Math.max(0, from + (k + 1) * EVERY_MS - performance.now())),
      );
    }
    const after = (await seenIn(address, fitter, 'viewTermination', ref)) as TerminationView;
    if (after.events.length !== first.events.length + EVENTS || after.chainFaults.length > 0)
      throw new Error(`${view.tag} has ${after.events.length} events of ${first.events.length + EVENTS}`);
  };
  await Promise.all(ends.map(work));
  const record = await fetch(`${address}/api/job/${JOB}/record`, { headers: { cookie: cookieOf(planner) } });
  const report = verifyRecord(await record.json());
  if (!report.ok) throw new Error(`the record does not hold: ${report.problems[0]?.message ?? ''}`);
  if (report.value.photos.named !== photos)
    throw new Error(`${report.value.photos.named} photos are named, ${photos} were taken`);
  waited.sort((a, b) => a - b);
  return [
    {
      what: `${BENCHES} benches, ${waited.length} events, ${photos} photos: answer with its view, 95 of 100`,
      value: waited[Math.floor(waited.length * 0.95)] ?? Infinity,
      unit: 'ms',
      bar: 150,
    },
  ];
}
