import { ok, refuse, type Result } from '@/core/kernel';
import { LOOK_DECISIONS, mayConfirm, type LookDecision, type MixRecord } from '@/core/procedure';
import { findEvent, lockTermination, type JobRow } from '@/data';
import { actorName, type Actor } from '../actor';
import { operation } from '../transaction';
import type { Assessment } from './assess';
import { append, type Subject } from '../record/append';
import { mayRecord, type RecordState } from '../record/may-record';
import { assessOne, refreshSummaries, requireTermination, type TerminationRef } from './load';

/** Whose record the events of an end go into. */
export const subjectOf = (job: JobRow, { row, tag }: Assessment): Subject => ({
  job,
  kind: 'termination',
  id: row.id,
  name: tag,
});

/** What decides whether anything may be added to the record of an end. */
export const recordState = ({ chainFaults, events, plan }: Assessment): RecordState => ({
  faults: chainFaults,
  events,
  plannedAt: plan?.madeAt ?? null,
});

export interface ConfirmInput {
  /** Made by the client, so that a repeated send is stored once. */
  readonly id: string;
  readonly stepId: string;
  readonly fingerprint: string;
  readonly decision: LookDecision | null;
  /** When the hand confirmed it, by the bench's clock. */
  readonly at: string;
  /** Pack and temperature, at a mix step. */
  readonly mix?: MixRecord | null | undefined;
  /** The length the step asks to be measured, mm. */
  readonly measuredMm?: number | null | undefined;
}

export interface ConfirmOutcome {
  /** The very same event had arrived before. */
  readonly repeated: boolean;
  /** Set when the mix came too late: it is recorded as waste, and why. */
  readonly waste: string | null;
}

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

function checkInput(input: ConfirmInput): Result<null> {
  if (!UUID.test(input.id)) return refuse('id', 'is not an event id', input.id);
  if (input.decision !== null && !LOOK_DECISIONS.includes(input.decision))
    return refuse('decision', 'is not a decision', input.decision);
  const mm = input.measuredMm ?? null;
  if (mm !== null && !(Number.isFinite(mm) && mm > 0 && mm < 5000))
    return refuse('measuredMm', 'is not a length', mm);
  const { mix = null } = input;
  if (mix !== null && (typeof mix.batch !== 'string' || mix.batch.length > 40 || !Number.isFinite(mix.tempC)))
    return refuse('mix', 'batch, expiry date and temperature are not in order', mix);
  return ok(null);
}

/** Confirms the next step at the bench, or says why it may not be confirmed. */
export function confirmStep(
  ref: TerminationRef,
  input: ConfirmInput,
  actor: Actor,
  now: Date,
): Promise<Result<ConfirmOutcome>> {
  return operation<ConfirmOutcome>(async (tx) => {
    const valid = checkInput(input);
    if (!valid.ok) return valid;
    const named = await requireTermination(tx, ref);
    if (!named.ok) return named;
    await lockTermination(tx, named.value.row.id);
    const already = await findEvent(tx, input.id);
    if (already) {
      return already.subjectKind === 'termination' &&
        already.subjectId === named.value.row.id &&
        already.stepId === input.stepId
        ? ok({ repeated: true, waste: null })
        : refuse('id', 'this event id belongs to something else', input.id);
    }
    const found = await assessOne(tx, ref);
    if (!found.ok) return found;
    const { job, assessment } = found.value;
    if (!assessment.plan) return refuse('plan', 'no gland has been chosen yet');
    if (assessment.steps.length === 0)
      return refuse('plan', assessment.collar.blockedBy ?? 'this plan has no steps');
    const open = mayRecord(recordState(assessment), input.at, now);
    if (!open.ok) return open;
    const may = mayConfirm(
      {
        steps: assessment.steps,
        acts: assessment.acts,
        stale: assessment.stale,
        provisional: assessment.plan.plan.provisional,
        seal: assessment.plan.plan.seal,
        secondPerson: job.secondPerson,
      },
      // Pot life and cure are judged by the server's time: that of a device can be set.
      { ...input, at: now.toISOString(), actor: actor.name },
    );
    const late = may.ok ? null : (may.problems.find((p) => p.path === 'potLife')?.message ?? null);
    if (late !== null) {
      // Too late is not only refused: what was mixed is gone, and the record says so.
      await append(
        tx,
        subjectOf(job, assessment),
        assessment.events,
        {
          id: input.id,
          stepId: input.stepId,
          kind: 'waste',
          actor: actorName(actor),
          at: input.at,
          body: { title: 'Mix declared waste', reason: late },
          planHash: assessment.plan.planHash,
        },
        now,
      );
      await refreshSummaries(tx, job, [assessment.row.id]);
      return ok({ repeated: false, waste: late });
    }
    if (!may.ok) return may;
    const step = may.value;
    await append(
      tx,
      subjectOf(job, assessment),
      assessment.events,
      {
        id: input.id,
        stepId: step.id,
        kind: step.kind === 'look' || step.kind === 'sign' || step.kind === 'mix' ? step.kind : 'confirm',
        actor: actorName(actor),
        at: input.at,
        body: {
          fingerprint: step.fingerprint,
          title: step.title,
          ...(input.decision ? { decision: input.decision } : {}),
          ...(step.figure ? { figure: step.figure } : {}),
          ...(step.kind === 'mix' && input.mix ? { mix: input.mix } : {}),
          ...(step.accept ? { measuredMm: input.measuredMm ?? null } : {}),
        },
        planHash: assessment.plan.planHash,
      },
      now,
    );
    await refreshSummaries(tx, job, [assessment.row.id]);
    return ok({ repeated: false, waste: null });
  });
}
