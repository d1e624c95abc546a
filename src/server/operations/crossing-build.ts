import type { CrossingConfirm, CrossingRef } from '@/core/crossing';
import { eventHash, GENESIS } from '@/core/inspection';
import { ok, refuse, type Result } from '@/core/kernel';
import { mayConfirm } from '@/core/procedure';
import { appendCrossingEvent, findCrossingEvent, lockCrossing } from '@/data';
import { actorName, type Actor } from '../actor';
import { operation } from '../transaction';
import { assessed, requireCrossing } from './crossing';
import { deviceTime, latest } from './device-time';

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
    const already = await findCrossingEvent(tx, input.id);
    if (already)
      return already.crossingId === named.value.row.id && already.stepId === input.stepId
        ? ok({ repeated: true })
        : refuse('id', 'this event id belongs to something else', input.id);
    const found = await assessed(tx, ref);
    if (!found.ok) return found;
    const { job, row, steps, acts, events, plans, state, asked } = found.value;
    const [plan] = plans;
    if (!plan || steps.length === 0) return refuse('plan', 'this crossing is not planned yet');
    const timely = deviceTime(
      input.at,
      now,
      latest(
        plan.madeAt.getTime(),
        ...events.slice(-1).map((e) => Math.min(Date.parse(e.at), e.receivedAt.getTime())),
      ),
    );
    if (!timely.ok) return timely;
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
        at: input.at,
        measuredMm,
      },
    );
    if (!may.ok) return may;
    const last = events[events.length - 1];
    const content = {
      id: input.id,
      termination: `crossing ${row.name}`,
      seq: (last?.seq ?? 0) + 1,
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
      prevHash: last?.hash ?? GENESIS,
    };
    await appendCrossingEvent(tx, row.id, { ...content, hash: eventHash(content) }, now);
    return ok({ repeated: false });
  });
}
