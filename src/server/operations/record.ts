import { ok, refuse, type Result } from '@/core/kernel';
import { eventHash, GENESIS, type EventContent } from '@/core/inspection';
import { LOOK_DECISIONS, mayConfirm, type LookDecision, type MixRecord } from '@/core/procedure';
import { appendEvent, findEvent, lockTermination, type Tx } from '@/data';
import { actorName, type Actor } from '../actor';
import { operation } from '../transaction';
import type { Assessment } from './assess';
import { deviceTime, latest } from './device-time';
import { assessOne, refreshSummaries, requireTermination, type TerminationRef } from './load';

type Draft = Omit<EventContent, 'termination' | 'seq' | 'prevHash'>;

/** Chains an event to the last one of its termination and stores it. The caller holds the termination's lock. */
export async function append(tx: Tx, assessment: Assessment, draft: Draft, now: Date): Promise<void> {
  const last = assessment.events[assessment.events.length - 1];
  const content: EventContent = {
    ...draft,
    termination: assessment.tag,
    seq: (last?.seq ?? 0) + 1,
    prevHash: last?.hash ?? GENESIS,
  };
  await appendEvent(tx, assessment.row.id, { ...content, hash: eventHash(content) }, now);
}

/** The instant that a new event of this end must not lie before: its plan, or the last event by the device that sent it. */
const lastInstant = ({ events, plan }: Assessment): number | null =>
  latest(
    plan === null ? null : plan.madeAt.getTime(),
    ...events.slice(-1).map((e) => Math.min(Date.parse(e.at), e.receivedAt.getTime())),
  );

/**
 * May work at the bench be added to this record now? Nothing is added to a record that does not hold, nor with a time of the device (`at`)
 * that cannot be.
 */
export function mayRecord(assessment: Assessment, at: string, now: Date): Result<null> {
  const [fault] = assessment.chainFaults;
  if (fault)
    return refuse(
      'record',
      `the record of this end does not hold (${fault.seq === 0 ? fault.fault : `event ${fault.seq} ${fault.fault}`}): nothing is added to it or signed`,
    );
  return deviceTime(at, now, lastInstant(assessment));
}

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
      return already.terminationId === named.value.row.id && already.stepId === input.stepId
        ? ok({ repeated: true, waste: null })
        : refuse('id', 'this event id belongs to something else', input.id);
    }
    const found = await assessOne(tx, ref);
    if (!found.ok) return found;
    const { job, assessment } = found.value;
    if (!assessment.plan) return refuse('plan', 'no gland has been chosen yet');
    if (assessment.steps.length === 0)
      return refuse('plan', assessment.collar.blockedBy ?? 'this plan has no steps');
    const open = mayRecord(assessment, input.at, now);
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
        assessment,
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
      assessment,
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
