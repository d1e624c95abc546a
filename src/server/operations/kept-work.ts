import { randomUUID } from 'node:crypto';
import { keptTimes, meet, ownOf, type KeptBatch, type KeptOutcome, type Settle } from '@/core/kept-work';
import { ok, refuse, type Problem, type Result } from '@/core/kernel';
import type { Role } from '@/core/people';
import { eventView, GENESIS, replay, type BenchAct, type Step, type SubjectRef } from '@/core/record';
import type { Tx } from '@/data';
import { madeBy, type Actor } from '../actor';
import { append } from '../record/append';
import { countKept } from '../running/metrics';
import { brokenRecord } from '../record/may-record';
import { operation } from '../transaction';
import { benchOf, hold, readCommand, recordWork, repeated, stillHeld, type Bench, type Held } from './work';

interface Doing {
  readonly ref: SubjectRef;
  readonly actor: Actor;
  readonly roles: readonly Role[];
  readonly now: Date;
}

/**
 * Takes in what a device kept while it had no server, in the order in which it was done, as one transaction. Where others went on with the same subject
 * meanwhile, or its plan is another one, nothing is written and both sides are shown: a person settles it. The first item that may not be done
 * ends it; what came before is kept, what comes after is not looked at. Items that are there already count as taken in.
 */
export function workKept(
  ref: SubjectRef,
  batch: KeptBatch,
  actor: Actor,
  roles: readonly Role[],
  now: Date,
): Promise<Result<KeptOutcome>> {
  const [oldest] = batch.items;
  if (oldest) countKept((now.getTime() - Date.parse(oldest.input.at)) / 1000);
  return operation<KeptOutcome>(async (tx) => {
    if (batch.person !== actor.id)
      return refuse('person', 'this was done by somebody else: whoever did it signs in and sends it');
    const held = await hold(tx, ref);
    if (!held.ok) return held;
    const bench = await benchOf(tx, ref, held.value);
    if (!bench.ok) return bench;
    const doing = { ref, actor, roles, now };
    const { settle } = batch;
    if (settle === null) {
      const { events } = bench.value.record;
      const own = ownOf(batch, events, actor.id);
      const met = meet(batch.base, events, bench.value.plan?.planHash ?? null, own);
      if (met !== null)
        return ok({
          recorded: 0,
          waste: null,
          stopped: null,
          conflict: { theirs: met.theirs.map(eventView), planChanged: met.planChanged },
        });
      return takeIn(tx, held.value, batch, doing, newest(bench.value, batch, true));
    }
    const seen = isSeen(bench.value, settle);
    if (!seen.ok) return seen;
    return settle.stands === 'record'
      ? leaveOut(tx, bench.value, batch, settle, doing)
      : putBack(tx, held.value, bench.value, batch, settle, doing);
  });
}

/** Whoever settles must have seen the record as it is now, and say why. */
function isSeen({ record }: Bench, { seen, reason }: Settle): Result<null> {
  const last = record.events[record.events.length - 1]?.hash ?? GENESIS;
  if (seen !== last) return refuse('settle.seen', 'the record has gone on since: look at it again', seen);
  return reason.trim().length < 4
    ? refuse('settle.reason', 'say why: it stands in the record', reason)
    : ok(null);
}

/** When the newest thing took place that a device says it has seen: the last event that it knows, and the plan that it follows. */
function newest({ record }: Bench, { base }: KeptBatch, withPlan: boolean): string | null {
  const last = record.events.find((e) => e.seq === base.seq)?.receivedAt;
  const times = [last, withPlan ? record.plannedAt?.toISOString() : undefined].filter((t) => t !== undefined);
  return times.sort().at(-1) ?? null;
}

async function takeIn(
  tx: Tx,
  held: Held,
  batch: KeptBatch,
  doing: Doing,
  known: string | null,
): Promise<Result<KeptOutcome>> {
  const { ref, actor, roles, now } = doing;
  const times = keptTimes(
    batch.items.map(({ input, contact }) => ({ at: input.at, contact })),
    batch.sentAt,
    now.toISOString(),
    known,
  );
  let recorded = 0;
  let waste: string | null = null;
  const stop = (problems: readonly Problem[]): Result<KeptOutcome> => {
    const [first] = problems;
    return ok({
      recorded,
      waste,
      stopped: first === undefined ? null : { path: first.path, message: first.message },
      conflict: null,
    });
  };
  for (const [i, { input }] of batch.items.entries()) {
    const command = readCommand(input.command, held.job.unit);
    if (!command.ok) return stop(command.problems);
    const there = await repeated(tx, ref, held.id, input.id, command.value);
    let done = there;
    if (done === null) {
      // Times are judged as a whole: where one is wrong, none of them is worth more than the device says.
      if (!times.ok) return stop(times.problems);
      const bench = await benchOf(tx, ref, await stillHeld(tx, held));
      if (!bench.ok) return bench;
      const kept = times.value[i];
      if (kept === undefined) return refuse(`items[${i}]`, 'has no time');
      done = await recordWork(tx, bench.value, input, command.value, { actor, roles, now, kept });
    }
    if (!done.ok) return stop(done.problems);
    recorded += 1;
    waste = done.value.waste ?? waste;
  }
  return ok({ recorded, waste, stopped: null, conflict: null });
}

const clip = (text: string, most: number): string => text.slice(0, most);

/** The record stands. What the device kept is told in it, by whom and why it counts for nothing. */
async function leaveOut(
  tx: Tx,
  bench: Bench,
  { items }: KeptBatch,
  { reason }: Settle,
  { actor, now }: Doing,
): Promise<Result<KeptOutcome>> {
  const { subject, record, plan, state } = bench;
  const broken = brokenRecord(record.faults);
  if (broken) return broken;
  const titles = new Map(state.steps.map((s) => [s.id, s.title]));
  const left = items.map(({ input: { at, command } }) => {
    const stepId = 'stepId' in command ? command.stepId : command.kind;
    return { stepId, title: clip(titles.get(stepId) ?? stepId, 200), at: clip(at, 30) };
  });
  const title = `Left out: ${left.length} ${left.length === 1 ? 'step' : 'steps'} that a device kept`;
  await append(
    tx,
    subject,
    record.events,
    {
      id: randomUUID(),
      stepId: 'leftOut',
      kind: 'leftOut',
      ...madeBy(actor),
      at: now.toISOString(),
      body: { title, reason: clip(reason.trim(), 400), left },
      planHash: plan?.planHash ?? '',
    },
    now,
  );
  return ok({ recorded: items.length, waste: null, stopped: null, conflict: null });
}

/** Steps that are done now and were not when the device was last here, the last one first. */
function doneSince(steps: readonly Step[], acts: readonly BenchAct[], known: number): Step[] {
  const was = replay(steps, acts.slice(0, known)).done;
  const is = replay(steps, acts).done;
  return steps.filter((s) => is.has(s.id) && !was.has(s.id)).reverse();
}

/** The device stands: what was recorded meanwhile is taken back with the reason, then the device's work goes in; all of it, or nothing. */
async function putBack(
  tx: Tx,
  held: Held,
  first: Bench,
  batch: KeptBatch,
  settle: Settle,
  doing: Doing,
): Promise<Result<KeptOutcome>> {
  const { ref, actor, roles, now } = doing;
  const { events } = first.record;
  const own = ownOf(batch, events, actor.id);
  const known = events.filter((e) => e.seq <= batch.base.seq || own.has(e.id)).length;
  for (const step of doneSince(first.state.steps, first.state.acts, known)) {
    const bench = await benchOf(tx, ref, await stillHeld(tx, held));
    if (!bench.ok) return bench;
    // Taking one back takes back what stands on it.
    if (!replay(bench.value.state.steps, bench.value.state.acts).done.has(step.id)) continue;
    const back = { kind: 'correct', stepId: step.id, reason: clip(settle.reason.trim(), 400) } as const;
    const input = { id: randomUUID(), at: now.toISOString() };
    const taken = await recordWork(tx, bench.value, input, back, { actor, roles, now });
    if (!taken.ok) return taken;
  }
  const done = await takeIn(tx, held, batch, doing, newest(first, batch, false));
  if (!done.ok || done.value.stopped === null) return done;
  const { path, message } = done.value.stopped;
  return refuse(path, `what the device kept does not go in either: ${message}. Nothing was changed`);
}
