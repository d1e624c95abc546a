import type { QueryClient } from '@tanstack/react-query';
import {
  baseOf,
  deedId,
  deedPhotos,
  MOST_KEPT,
  type Conflict,
  type KeptBatch,
  type KeptOutcome,
  type Settle,
} from '@/core/kept-work';
import type { Problem, Result } from '@/core/kernel';
import type { SubjectRef } from '@/core/record';
import type { LookKey, Looks } from '../data/contract';
import { inReach, lostContact } from '../data/contact';
import { inTime, noAnswer } from '../data/in-time';
import { command } from '../data/send';
import { dropPhotos, putSent, rebase, sentOf, type StoredDeed } from './kept-db';
import { sendPhotos } from './send-photos';
import { drop, readKept } from './kept-store';

/** Why what is kept for a subject does not go in by itself: somebody has to see it. */
export type Held =
  | { readonly kind: 'conflict'; readonly conflict: Conflict; readonly seen: string }
  /** The first of them may not be done. */
  | { readonly kind: 'stopped'; readonly message: string; readonly seen: string }
  | { readonly kind: 'other'; readonly by: string }
  | { readonly kind: 'refused'; readonly message: string };

export type AllHeld = ReadonlyMap<string, Held>;

let allHeld: AllHeld = new Map();
const listeners = new Set<() => void>();

export const subscribeHeld = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};
export const heldNow = (): AllHeld => allHeld;

function hold(key: string, held: Held | null): void {
  if (held === null && !allHeld.has(key)) return;
  const all = new Map(allHeld);
  if (held === null) all.delete(key);
  else all.set(key, held);
  allHeld = all;
  for (const listener of listeners) listener();
}

/** What is held is tried again: somebody has settled it elsewhere, or asks for it. */
export const release = (key: string): void => hold(key, null);

const lookOf = (subject: SubjectRef): LookKey =>
  subject.kind === 'termination'
    ? ['viewTermination', { job: subject.job, cable: subject.cable, end: subject.end }]
    : ['viewCrossing', { job: subject.job, crossing: subject.crossing }];

type Shown = Looks['viewTermination' | 'viewCrossing']['value'];

const baseNow = (view: Shown): KeptBatch['base'] =>
  baseOf(view.events, 'plan' in view ? (view.plan?.hash ?? '') : (view.plans[0]?.planHash ?? ''));

const lastHash = (view: Shown | null): string => view?.events[view.events.length - 1]?.hash ?? NOTHING_YET;
/** The hash before the first event of a record. */
const NOTHING_YET = '0'.repeat(64);

const unreached = (problems: readonly Problem[]): boolean => problems.some((p) => p.path === '');

/** As much of a subject's deeds, from the first, as goes in one send: a reading by itself, or work of one person. */
function firstRun(deeds: readonly StoredDeed[]): readonly StoredDeed[] {
  const [first] = deeds;
  if (first === undefined || first.deed.kind === 'reading') return deeds.slice(0, 1);
  const end = deeds.findIndex((d) => d.deed.kind === 'reading' || d.person.id !== first.person.id);
  return deeds.slice(0, Math.min(end < 0 ? deeds.length : end, MOST_KEPT));
}

/** Photos that these deeds name. */
const photosOf = (deeds: readonly StoredDeed[]): readonly string[] =>
  deeds.flatMap((d) => deedPhotos(d.deed));

interface Sent {
  readonly result: Result<KeptOutcome>;
  readonly view: Shown | null;
}

async function sendRun(run: readonly StoredDeed[], settle: Settle | null): Promise<Sent> {
  const [first] = run;
  if (first === undefined) throw new Error('there is nothing to send');
  const { subject } = first;
  const key = lookOf(subject);
  const as = (shown: Result<unknown> | null) => (shown?.ok === true ? (shown.value as Shown) : null);
  if (first.deed.kind === 'reading' && subject.kind === 'termination') {
    const { reading, at, id } = first.deed;
    const { kind: _, ...ref } = subject;
    const { result, shown } = await command('addReading', [ref, { ...reading, at }], key, id);
    return {
      result: result.ok
        ? { ok: true, value: { recorded: 1, waste: null, stopped: null, conflict: null } }
        : result,
      view: as(shown),
    };
  }
  // What is left out goes nowhere, its photos neither.
  const photos = settle?.stands === 'record' ? [] : photosOf(run);
  const arrived = await sendPhotos(subject.job, photos);
  if (!arrived.ok) return { result: arrived, view: null };
  const batch: KeptBatch = {
    base: first.base,
    sentAt: new Date().toISOString(),
    person: first.person.id,
    mine: await sentOf(first.key),
    items: run.flatMap(({ deed, contact }) => (deed.kind === 'work' ? { input: deed.input, contact } : [])),
    settle,
  };
  const { result, shown } = await command('workKept', [subject, batch], key);
  return { result, view: as(shown) };
}

/** What became of a run; true when the next one may be sent. */
async function settleRun(
  client: QueryClient,
  run: readonly StoredDeed[],
  rest: readonly StoredDeed[],
  { result, view }: Sent,
): Promise<boolean> {
  const [first] = run;
  if (first === undefined) return false;
  const { key, subject } = first;
  if (!result.ok) {
    if (unreached(result.problems)) {
      lostContact();
      return false;
    }
    const [problem] = result.problems;
    const message = problem?.message ?? 'refused';
    hold(
      key,
      problem?.path === 'person' && view === null
        ? { kind: 'other', by: first.person.name }
        : first.deed.kind === 'reading'
          ? { kind: 'refused', message }
          : { kind: 'stopped', message, seen: lastHash(view) },
    );
    return false;
  }
  const { recorded, stopped, conflict } = result.value;
  // Seen first, dropped after: between the two nothing may look undone.
  if (view !== null) client.setQueryData(lookOf(subject), view);
  if (recorded > 0) {
    await putSent(
      key,
      run.slice(0, recorded).map(({ deed }) => deedId(deed)),
    );
    if (view !== null)
      await rebase(
        [...run.slice(recorded), ...rest].map((d) => d.n),
        baseNow(view),
      );
    await drop(run.slice(0, recorded).map((d) => d.n));
    await dropPhotos(photosOf(run.slice(0, recorded)));
  }
  if (conflict !== null) hold(key, { kind: 'conflict', conflict, seen: lastHash(view) });
  else if (stopped !== null) hold(key, { kind: 'stopped', message: stopped.message, seen: lastHash(view) });
  else hold(key, null);
  return conflict === null && stopped === null;
}

function bySubject(deeds: readonly StoredDeed[]): Map<string, StoredDeed[]> {
  const groups = new Map<string, StoredDeed[]>();
  for (const deed of deeds) groups.set(deed.key, [...(groups.get(deed.key) ?? []), deed]);
  return groups;
}

/** A run with its photos that is not answered by then is tried again. */
const SEND_MS = 30_000;

/** One window of a browser sends at a time. */
async function alone(work: () => Promise<void>): Promise<void> {
  const locks = (navigator as { readonly locks?: LockManager }).locks;
  if (locks === undefined) return work();
  await locks.request('ac_kept_send', { ifAvailable: true }, async (lock) => {
    if (lock !== null) await work();
  });
}

/**
 * Sends what is kept, subject by subject, in the order in which it was done, until all is in, the server is away, or somebody has to decide.
 * What another person did is not sent: it waits for that person.
 */
export const sendKept = (client: QueryClient, me: string | null): Promise<void> =>
  alone(async () => {
    for (const [key, all] of bySubject(await readKept())) {
      // Whoever did it may be signed in by now.
      if (allHeld.has(key) && allHeld.get(key)?.kind !== 'other') continue;
      let left: readonly StoredDeed[] = all;
      while (left.length > 0) {
        const [first] = left;
        if (first !== undefined && first.person.id !== me) {
          hold(key, { kind: 'other', by: first.person.name });
          break;
        }
        const run = firstRun(left);
        const rest = left.slice(run.length);
        const sent = await inTime(sendRun(run, null), SEND_MS, () => ({ result: noAnswer(), view: null }));
        if (!(await settleRun(client, run, rest, sent))) break;
        // Read anew: what is left goes on from what is in the record now.
        const now = (await readKept()).filter((d) => d.key === key);
        left = now.some((d) => d.n === first?.n) ? [] : now;
      }
      if (!inReach()) return;
    }
  });

/** Carries out what somebody has decided about what is held. Returns what stands against it, if anything does. */
export async function settleHeld(
  client: QueryClient,
  key: string,
  settle: Settle,
): Promise<readonly Problem[]> {
  const mine = (await readKept()).filter((d) => d.key === key);
  const run = firstRun(mine);
  if (run.length === 0) {
    hold(key, null);
    return [];
  }
  const sent = await sendRun(run, settle);
  if (!sent.result.ok) {
    const { problems } = sent.result;
    const current = allHeld.get(key);
    // Whoever decides next decides on what is there now.
    if (sent.view !== null && current !== undefined && 'seen' in current)
      hold(key, { ...current, seen: lastHash(sent.view) });
    return problems;
  }
  await settleRun(client, run, mine.slice(run.length), sent);
  return [];
}

/** Forgets a kept reading that the server refuses. */
export async function forget(key: string, n: number): Promise<void> {
  await drop([n]);
  hold(key, null);
}
