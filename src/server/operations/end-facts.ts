import { ok, refuse, type Result } from '@/core/kernel';
import { farthest, readTerminals, recut, type Terminal } from '@/core/cut-back';
import { compoundVerdicts } from '@/core/compound-cure';
import { compoundClock } from '@/core/procedure';
import { parseLength } from '@/core/units';
import { findEvent, loadCatalogue, lockTermination, type StoredEvent } from '@/data';
import { actorName, type Actor } from '../actor';
import { append } from '../record/append';
import { mayRecord } from '../record/may-record';
import { operation } from '../transaction';
import { EditLog } from './edits';
import { assessOne, refreshSummaries, requireTermination, type TerminationRef } from './load';
import { recordState, subjectOf } from './record';

/**
 * Where the terminals of an end differ: `L1 220, L2 240; PE 300` in the job's unit. Empty text goes back to one length for all. `seen`: the
 * version of the end that was read.
 */
export function setTerminals(
  ref: TerminationRef,
  seen: number,
  text: string,
  actor: Actor,
  now: Date,
): Promise<Result<readonly Terminal[]>> {
  return operation<readonly Terminal[]>(async (tx) => {
    const found = await requireTermination(tx, ref);
    if (!found.ok) return found;
    const { job, row } = found.value;
    if (text.length > 4000) return refuse('terminals', 'is longer than any terminal strip');
    const read = readTerminals(text, (length) => {
      const parsed = parseLength(length, job.unit);
      return parsed.ok ? parsed.value.mm : null;
    });
    if (!read.ok) return read;
    const far = farthest(row.tailMm, read.value, row.cableType.cores);
    if (read.value.length > 0 && !far.ok) return far;
    const log = new EditLog(tx);
    const terminals = read.value.length === 0 ? null : JSON.stringify(read.value);
    await log.write('termination', row.id, { terminals }, seen);
    await log.save(job, `terminals of ${ref.cable}/${ref.end}`, actor, now);
    await refreshSummaries(tx, job, [row.id]);
    return ok(read.value);
  });
}

/** Asks for a compound of the chosen fitting's approval list; null leaves the choice to the list. */
export function setCompound(
  ref: TerminationRef,
  seen: number,
  product: string | null,
  actor: Actor,
  now: Date,
): Promise<Result<null>> {
  return operation(async (tx) => {
    const found = await assessOne(tx, ref);
    if (!found.ok) return found;
    const { job, assessment } = found.value;
    const { plan, row } = assessment;
    if (product !== null) {
      if (plan === null)
        return refuse('compound', 'choose a gland first: its approval list says what may go in');
      const { families } = await loadCatalogue(tx);
      const size = families
        .find((f) => f.family.code === plan.plan.family.code)
        ?.family.sizes.find((s) => s.code === plan.plan.size);
      const verdict = size
        ? compoundVerdicts(size, row.cableType.cores).find((v) => v.product === product)
        : undefined;
      if (!verdict)
        return refuse(
          'compound',
          `is not on the approval list of ${plan.plan.size}: another one voids the certificate`,
          product,
        );
      if (!verdict.allowed) return refuse('compound', `${product} is ${verdict.reason}`, product);
    }
    const log = new EditLog(tx);
    await log.write('termination', row.id, { compound: product }, seen);
    await log.save(job, `compound of ${assessment.tag}`, actor, now);
    await refreshSummaries(tx, job, [row.id]);
    return ok(null);
  });
}

/** Is an event that was sent before the same kind of event of the same end? */
const isThis = (sent: StoredEvent, kind: string, terminationId: number): boolean =>
  sent.subjectKind === 'termination' && sent.subjectId === terminationId && sent.kind === kind;

const somethingElse = (id: string) => refuse('id', 'this event id belongs to something else', id);

export interface TemperatureInput {
  readonly id: string;
  readonly tempC: number;
  /** By the clock of the device that read it. */
  readonly at: string;
}

/** Adds a temperature of the work to the record of a cure that is running. */
export function logTemperature(
  ref: TerminationRef,
  input: TemperatureInput,
  actor: Actor,
  now: Date,
): Promise<Result<null>> {
  return operation(async (tx) => {
    const named = await requireTermination(tx, ref);
    if (!named.ok) return named;
    await lockTermination(tx, named.value.row.id);
    const sent = await findEvent(tx, input.id);
    if (sent) return isThis(sent, 'temperature', named.value.row.id) ? ok(null) : somethingElse(input.id);
    const found = await assessOne(tx, ref);
    if (!found.ok) return found;
    const { job, assessment } = found.value;
    const { plan } = assessment;
    const open = mayRecord(recordState(assessment), input.at, now);
    if (!open.ok) return open;
    if (!Number.isFinite(input.tempC) || input.tempC < -50 || input.tempC > 120)
      return refuse('tempC', 'is not a temperature of the work', input.tempC);
    const clock = compoundClock(plan?.plan.seal ?? null, assessment.acts, now.getTime());
    if (plan === null || clock.filledMs === null)
      return refuse('tempC', 'nothing is curing here: the compound is not in yet');
    const last = clock.readings[clock.readings.length - 1];
    if (last && now.getTime() <= last.at * 60_000)
      return refuse('at', 'a later temperature is in the record already', input.at);
    await append(
      tx,
      subjectOf(job, assessment),
      assessment.events,
      {
        id: input.id,
        stepId: 'cure',
        kind: 'temperature',
        actor: actorName(actor),
        at: input.at,
        body: { title: 'Temperature of the work', tempC: input.tempC },
        planHash: plan.planHash,
      },
      now,
    );
    await refreshSummaries(tx, job, [assessment.row.id]);
    return ok(null);
  });
}

export interface RecutInput {
  readonly id: string;
  /** How far from the cable end the damage lies, in the job's unit. */
  readonly text: string;
  readonly at: string;
}

/**
 * A damaged end is cut back: its spare is used up, the marks follow, and everything from the first cut on is done again. Refused with
 * the numbers when a terminal would end out of reach, and after the signature.
 */
export function recutEnd(
  ref: TerminationRef,
  input: RecutInput,
  actor: Actor,
  now: Date,
): Promise<Result<{ spareMm: number }>> {
  return operation<{ spareMm: number }>(async (tx) => {
    const named = await requireTermination(tx, ref);
    if (!named.ok) return named;
    await lockTermination(tx, named.value.row.id);
    const found = await assessOne(tx, ref);
    if (!found.ok) return found;
    const { job, assessment } = found.value;
    const { plan, row, progress } = assessment;
    const sent = await findEvent(tx, input.id);
    if (sent) return isThis(sent, 'recut', row.id) ? ok({ spareMm: row.spareMm }) : somethingElse(input.id);
    if (plan === null) return refuse('plan', 'nothing is planned here, so nothing was cut');
    const open = mayRecord(recordState(assessment), input.at, now);
    if (!open.ok) return open;
    if (progress?.signedBy)
      return refuse('plan', 'this end is signed; a new make-off begins with a new plan');
    const length = parseLength(input.text, job.unit);
    if (!length.ok) return refuse('cutOffMm', length.problems[0]?.message ?? 'is not a length', input.text);
    const left = recut(row.spareMm, length.value.mm);
    if (!left.ok) return left;
    const log = new EditLog(tx);
    // Not saved as an edit: cable that has been cut off does not come back by undo.
    await log.write('termination', row.id, { spareMm: left.value });
    await append(
      tx,
      subjectOf(job, assessment),
      assessment.events,
      {
        id: input.id,
        stepId: 'recut',
        kind: 'recut',
        actor: actorName(actor),
        at: input.at,
        body: { title: 'Cut back and begun again', cutOffMm: length.value.mm, spareMm: left.value },
        planHash: plan.planHash,
      },
      now,
    );
    await refreshSummaries(tx, job, [row.id]);
    return ok({ spareMm: left.value });
  });
}
