import { hashOf, fail, ok, refuse, type Result } from '@/core/kernel';
import type { PlanDraft } from '@/core/crossing';
import { checkBuiltFrames, checkFramePlan, readFramePlan, type FrameRequest } from '@/core/frame-packing';
import { actOf, replay, stepsToRedo, type CrossingRef } from '@/core/record';
import {
  insertCrossingPlan,
  loadCrossingPlans,
  loadFrameSheets,
  lockCrossing,
  type CrossingRow,
  type JobRow,
  type StoredEvent,
  type Tx,
} from '@/data';
import { madeBy, type Actor } from '../actor';
import { append } from '../record/append';
import { brokenRecord } from '../record/may-record';
import { auditedRecords } from '../record/faults';
import { operation } from '../transaction';
import { assessed, crossingSubject, stepsOf } from './crossing';

/** Stores a plan, whoever made it, when every rule holds for today's request. A frame as built may have used its spares. */
export function takeCrossingPlan(
  ref: CrossingRef,
  draft: PlanDraft,
  actor: Actor,
  now: Date,
): Promise<Result<{ planHash: string }>> {
  return operation(async (tx) => {
    const found = await assessed(tx, ref);
    if (!found.ok) return found;
    const { job, row, asked, hash } = found.value;
    await lockCrossing(tx, row.id);
    return storePlan(tx, { job, row, request: asked.request, hash }, draft, actor, now);
  });
}

/**
 * Stores a plan for a request that was just read, when every rule holds. The crossing's row must be held. Once building has begun, its record
 * says that the plan under it has changed.
 */
export async function storePlan(
  tx: Tx,
  crossing: {
    readonly job: JobRow;
    readonly row: CrossingRow;
    readonly request: FrameRequest;
    readonly hash: string;
  },
  draft: PlanDraft,
  actor: Actor,
  now: Date,
): Promise<Result<{ planHash: string }>> {
  if (draft.kind !== 'planned' && draft.kind !== 'asBuilt')
    return refuse('kind', 'must be planned or asBuilt', draft.kind);
  if (draft.requestHash !== crossing.hash)
    return refuse('requestHash', 'cables or measurements have changed since this was planned: plan again');
  const read = readFramePlan(draft.plan);
  if (!read.ok) return read;
  const plan = read.value;
  if (plan.cost === null) return refuse('plan', 'there is no plan to take');
  const check = draft.kind === 'asBuilt' ? checkBuiltFrames : checkFramePlan;
  const audit = check(crossing.request, plan);
  if (!audit.ok) return fail(audit.problems.slice(0, 20).map((p) => ({ ...p, path: `plan.${p.path}` })));
  const { job, row } = crossing;
  const record = (await auditedRecords(tx, job, 'crossing', [row.id]))(row.id);
  const broken = record.events.length === 0 ? null : brokenRecord(record.faults);
  if (broken) return broken;
  const planHash = hashOf(plan);
  const [before] = await loadCrossingPlans(tx, [row.id]);
  // The very same plan is in force: it came twice, or nothing was changed.
  if (before?.planHash === planHash && before.requestHash === crossing.hash && before.kind === draft.kind)
    return ok({ planHash });
  const redo = before
    ? await redoneBy(tx, row, before, { request: crossing.request, plan }, record.events)
    : null;
  if (redo !== null && redo.count > 0 && !draft.knowing) return refuse('knowing', redo.words);
  await insertCrossingPlan(tx, {
    crossingId: row.id,
    kind: draft.kind,
    planHash,
    requestHash: crossing.hash,
    note: draft.note.slice(0, 200),
    request: crossing.request,
    plan,
    ...madeBy(actor),
    madeAt: now,
  });
  if (record.events.length > 0)
    await append(
      tx,
      crossingSubject(job, row),
      record.events,
      {
        id: draft.id,
        stepId: 'plan',
        kind: 'replan',
        ...madeBy(actor),
        at: now.toISOString(),
        body: {
          title: draft.kind === 'asBuilt' ? 'Entered as built' : 'Planned again',
          note: draft.note.slice(0, 200),
          redo: redo?.steps ?? [],
        },
        planHash,
      },
      now,
    );
  return ok({ planHash });
}

/** Which building steps that are done a new plan sends back, and the same in a sentence without its full stop. */
async function redoneBy(
  tx: Tx,
  { setup }: CrossingRow,
  before: Parameters<typeof stepsOf>[1],
  after: Parameters<typeof stepsOf>[1],
  events: readonly StoredEvent[],
): Promise<{ count: number; steps: string[]; words: string }> {
  const sheets = await loadFrameSheets(tx);
  const [was, is] = [stepsOf(setup, before, sheets), stepsOf(setup, after, sheets)];
  const acts = events.map(actOf);
  const redo = stepsToRedo(was, is, acts);
  const gone = was.filter((s) => replay(was, acts).done.has(s.id) && !is.some((t) => t.id === s.id));
  const { signedBy } = replay(was, acts);
  const signature =
    signedBy !== null && redo.some((s) => s.kind === 'sign') ? `the signature of ${signedBy} goes, and ` : '';
  const first = redo[0]?.title ?? gone[0]?.title ?? '';
  const n = redo.length + gone.length;
  return {
    count: n,
    steps: redo.map((s) => s.id),
    words: `${signature}${n} building ${n === 1 ? 'step that was' : 'steps that were'} done must be done again or taken apart, from “${first}” on; a module that was peeled and gets no cable is replaced, its core is gone`,
  };
}
