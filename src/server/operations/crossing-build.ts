import type { CrossingConfirm, CrossingRef } from '@/core/crossing';
import { ok, refuse, type Result } from '@/core/kernel';
import { mayConfirm } from '@/core/procedure';
import { findEvent, lockCrossing } from '@/data';
import { actorName, type Actor } from '../actor';
import { append } from '../record/append';
import { mayRecord } from '../record/may-record';
import { operation } from '../transaction';
import { assessed, crossingSubject, requireCrossing } from './crossing';

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

/** Confirms the next building step, chained to the record of this crossing, or says why it may not be confirmed. */
export function confirmCrossingStep(
  ref: CrossingRef,
  input: CrossingConfirm,
  actor: Actor,
  now: Date,
): Promise<Result<{ repeated: boolean }>> {
  return operation<{ repeated: boolean }>(async (tx) => {
    if (!UUID.test(input.id)) return refuse('id', 'is not an event id', input.id);
    const measuredMm = input.measuredMm ?? null;
    if (measuredMm !== null && !Number.isFinite(measuredMm))
      return refuse('measuredMm', 'is not a length in mm', measuredMm);
    const named = await requireCrossing(tx, ref);
    if (!named.ok) return named;
    await lockCrossing(tx, named.value.row.id);
    const already = await findEvent(tx, input.id);
    if (already)
      return already.subjectKind === 'crossing' &&
        already.subjectId === named.value.row.id &&
        already.stepId === input.stepId
        ? ok({ repeated: true })
        : refuse('id', 'this event id belongs to something else', input.id);
    const found = await assessed(tx, ref);
    if (!found.ok) return found;
    const { job, row, steps, acts, events, faults, plans, state, asked } = found.value;
    const [plan] = plans;
    if (!plan || steps.length === 0) return refuse('plan', 'this crossing is not planned yet');
    const open = mayRecord({ faults, events, plannedAt: plan.madeAt }, input.at, now);
    if (!open.ok) return open;
    const may = mayConfirm(
      {
        steps,
        acts,
        stale: state === 'stale',
        provisional: asked.provisional,
        seal: null,
        secondPerson: job.secondPerson,
      },
      {
        stepId: input.stepId,
        fingerprint: input.fingerprint,
        decision: null,
        actor: actor.name,
        // What runs by a clock is judged by the server's.
        at: now.toISOString(),
        measuredMm,
      },
    );
    if (!may.ok) return may;
    await append(
      tx,
      crossingSubject(job, row),
      events,
      {
        id: input.id,
        stepId: may.value.id,
        kind: may.value.kind === 'sign' ? 'sign' : 'confirm',
        actor: actorName(actor),
        at: input.at,
        body: {
          title: may.value.title,
          fingerprint: input.fingerprint,
          ...(may.value.accept ? { measuredMm } : {}),
        },
        planHash: plan.planHash,
      },
      now,
    );
    return ok({ repeated: false });
  });
}
