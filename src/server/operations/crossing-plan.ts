import { hashOf, ok, refuse, type Result } from '@/core/kernel';
import {
  KINDS,
  type CrossingKind,
  type CrossingKindId,
  type Made,
  type PlanDraft,
  type Requests,
  type Setups,
} from '@/core/crossing';
import { actOf, replay, stepsToRedo, type CrossingRef, type Step } from '@/core/record';
import {
  insertCrossingPlan,
  loadCrossingPlans,
  loadCrossingSheets,
  lockCrossing,
  type CrossingRow,
  type JobRow,
  type StoredCrossingPlan,
  type StoredEvent,
  type Tx,
} from '@/data';
import { madeBy, type Actor } from '../actor';
import { append } from '../record/append';
import { brokenRecord } from '../record/may-record';
import { auditedRecords } from '../record/faults';
import { operation } from '../transaction';
import { assessed, crossingSubject, plannedSteps } from './crossing-assess';

/**
 * Stores a plan, whoever made it, when every rule of its kind holds for today's request. A frame as built may have used its spares. What can be worked
 * out from an arrangement is worked out here and not taken from whoever sends it.
 */
export function takeCrossingPlan(
  ref: CrossingRef,
  draft: PlanDraft,
  actor: Actor,
  now: Date,
): Promise<Result<{ planHash: string }>> {
  return operation(async (tx) => {
    const found = await assessed(tx, ref);
    if (!found.ok) return found;
    const { job, row, assessed: is } = found.value;
    await lockCrossing(tx, row.id);
    if (is.request === null) {
      const { missing } = is.asked;
      const [cable] = missing;
      return refuse(
        'plan',
        cable === undefined
          ? 'something is not said yet: nothing is planned'
          : `${cable.tag}: ${cable.reason}`,
      );
    }
    const { kind, setup, request, hash } = is;
    return storePlan<CrossingKindId>(tx, { job, row, kind, setup, request, hash }, draft, actor, now);
  });
}

/** What a plan is stored for: a request that was just read of a crossing whose row is held. */
interface Planned<K extends CrossingKindId> {
  readonly job: JobRow;
  readonly row: CrossingRow;
  readonly kind: K;
  readonly setup: Setups[K];
  readonly request: Requests[K];
  readonly hash: string;
}

/**
 * Stores a plan for a request that was just read, when every rule holds. The crossing's row must be held. Once building has begun, its record
 * says that the plan under it has changed.
 */
export async function storePlan<K extends CrossingKindId>(
  tx: Tx,
  crossing: Planned<K>,
  draft: PlanDraft,
  actor: Actor,
  now: Date,
): Promise<Result<{ planHash: string }>> {
  if (draft.kind !== 'planned' && draft.kind !== 'asBuilt')
    return refuse('kind', 'must be planned or asBuilt', draft.kind);
  if (draft.requestHash !== crossing.hash)
    return refuse('requestHash', 'cables or measurements have changed since this was planned: plan again');
  const { job, row, setup, request } = crossing;
  const kind: CrossingKind<K> = KINDS[crossing.kind];
  const accepted = kind.accept(request, draft.plan, draft.kind);
  if (!accepted.ok) return accepted;
  const plan = accepted.value;
  const refusal = kind.refusal(plan);
  if (refusal !== null) return { ok: false, problems: [refusal] };
  const made = { of: crossing.kind, request, plan } as Made<K>;
  const record = (await auditedRecords(tx, job, 'crossing', [row]))(row.id);
  const broken = record.events.length === 0 ? null : brokenRecord(record.faults);
  if (broken) return broken;
  const planHash = hashOf(plan);
  const [before] = await loadCrossingPlans(tx, [row.id]);
  // The very same plan is in force: it came twice, or nothing was changed.
  if (
    before?.of === crossing.kind &&
    before.planHash === planHash &&
    before.requestHash === crossing.hash &&
    before.kind === draft.kind
  )
    return ok({ planHash });
  const redo = before
    ? await redoneBy(
        tx,
        row,
        before,
        plannedSteps<K>(crossing.kind, setup, made, await loadCrossingSheets(tx)),
        record.events,
      )
    : null;
  if (redo !== null && redo.count > 0 && !draft.knowing) return refuse('knowing', redo.words);
  const kept: Made = made as unknown as Made;
  await insertCrossingPlan(tx, {
    crossingId: row.id,
    kind: draft.kind,
    planHash,
    requestHash: crossing.hash,
    note: draft.note.slice(0, 200),
    ...kept,
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
  before: StoredCrossingPlan,
  is: readonly Step[],
  events: readonly StoredEvent[],
): Promise<{ count: number; steps: string[]; words: string }> {
  // One of another kind was never built: a kind is only changed while nothing is on record.
  const was =
    before.of === setup.kind
      ? plannedSteps<CrossingKindId>(before.of, setup, before, await loadCrossingSheets(tx))
      : [];
  const acts = events.map(actOf);
  const redo = stepsToRedo(was, is, acts);
  const gone = was.filter((s) => replay(was, acts).done.has(s.id) && !is.some((t) => t.id === s.id));
  const { signedBy } = replay(was, acts);
  const signature =
    signedBy !== null && redo.some((s) => s.kind === 'sign') ? `the signature of ${signedBy} goes, and ` : '';
  const first = redo[0]?.title ?? gone[0]?.title ?? '';
  const n = redo.length + gone.length;
  const peeled =
    before.of === 'frames'
      ? '; a module that was peeled and gets no cable is replaced, its core is gone'
      : '';
  return {
    count: n,
    steps: redo.map((s) => s.id),
    words: `${signature}${n} building ${n === 1 ? 'step that was' : 'steps that were'} done must be done again or taken apart, from “${first}” on${peeled}`,
  };
}
