import { ok, refuse, validate, type Result } from '@/core/kernel';
import { pinsSchema, readPins, type Pin } from '@/core/pin-map';
import { farthest, readTerminals, type Terminal } from '@/core/cut-back';
import { compoundVerdicts } from '@/core/compound-cure';
import { parseLength } from '@/core/units';
import { loadCatalogue } from '@/data';
import type { Actor } from '../actor';
import { operation } from '../transaction';
import { EditLog } from './edits';
import { assessOne, refreshSummaries, requireTermination } from './load';
import type { TerminationRef } from '@/core/record';

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

/**
 * Which core goes to which position of the insert: `BN 1, BK 2`, or a table of them. Empty text goes back to the insert's own order. What the insert
 * makes of it is judged where it is planned.
 */
export function setPins(
  ref: TerminationRef,
  seen: number,
  text: string,
  actor: Actor,
  now: Date,
): Promise<Result<readonly Pin[]>> {
  return operation<readonly Pin[]>(async (tx) => {
    const found = await requireTermination(tx, ref);
    if (!found.ok) return found;
    const { job, row } = found.value;
    if (text.length > 4000) return refuse('pins', 'is longer than any pin map');
    const read = readPins(text);
    if (!read.ok) return read;
    const valid = validate(pinsSchema, read.value);
    if (!valid.ok) return valid;
    const { coreNames } = row.cableType;
    const strange =
      coreNames === undefined ? undefined : read.value.find((p) => !coreNames.some((c) => c.name === p.core));
    if (strange !== undefined) return refuse('pins', 'is no core of this cable', strange.core);
    const log = new EditLog(tx);
    const pins = read.value.length === 0 ? null : JSON.stringify(read.value);
    await log.write('termination', row.id, { pins }, seen);
    await log.save(job, `pin map of ${ref.cable}/${ref.end}`, actor, now);
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
