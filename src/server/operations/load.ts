import { group } from 'd3';
import { ok, refuse, type Result } from '@/core/kernel';
import type { TerminationRef } from '@/core/record';
import { ENDS, type End } from '@/core/schedule';
import {
  currentPlans,
  findFamilyRevision,
  findJob,
  findTermination,
  loadCatalogue,
  loadReadings,
  loadTerminations,
  terminationIdsOfJob,
  writeSummaries,
  type JobRow,
  type StoredCatalogue,
  type StoredEvent,
  type StoredPlan,
  type TerminationRow,
  type Tx,
} from '@/data';
import { auditedRecords } from '../record/faults';
import { housedWith, type Housed } from '../record/housed';
import { inBatches, pauses } from '../heavy';
import { assess, assessEach, type AssessInput, type Assessment } from './assess';

export async function requireJob(tx: Tx, slug: string): Promise<Result<JobRow>> {
  const job = await findJob(tx, slug);
  return job ? ok(job) : refuse('job', 'there is no such job', slug);
}

/** Of the catalogue in force what the job uses, and every revision that plans in force stand on, by its id. */
async function catalogueFor(
  tx: Tx,
  { families }: JobRow,
  plans: readonly StoredPlan[],
  known: StoredCatalogue | null,
) {
  const newest = known ?? (await loadCatalogue(tx, families));
  const byId = new Map(newest.families.map((f) => [f.id, f]));
  for (const id of new Set(plans.map((p) => p.familyRevisionId))) {
    if (byId.has(id)) continue;
    const family = await findFamilyRevision(tx, id);
    if (family) byId.set(id, family);
  }
  return { newest, byId };
}

/** What several terminations of a job are assessed from, with a fixed number of queries; `known` spares the catalogue's where it was read already. */
export async function assessInputs(
  tx: Tx,
  job: JobRow,
  rows: readonly TerminationRow[],
  known: StoredCatalogue | null = null,
): Promise<{ inputs: AssessInput[]; catalogue: StoredCatalogue }> {
  const joints = await housedWith(tx, rows);
  const all = [...new Map([...rows, ...bothOf(joints)].map((r) => [r.id, r])).values()];
  const ids = all.map((r) => r.id);
  const plans = await currentPlans(tx, ids);
  const { newest, byId } = await catalogueFor(tx, job, plans, known);
  const readings = await loadReadings(tx, [...new Set(all.map((r) => r.cable.id))]);
  const recordOf = await auditedRecords(tx, job, 'termination', all);
  const planOf = new Map(plans.map((p) => [p.terminationId, p]));
  const readingsOf = group(readings, (r) => r.cableId);
  const inputOf = (row: TerminationRow): AssessInput => {
    const plan = planOf.get(row.id) ?? null;
    return {
      job,
      row,
      readings: readingsOf.get(row.cable.id) ?? [],
      plan,
      record: recordOf(row.id),
      catalogue: newest,
      planFamily: plan ? (byId.get(plan.familyRevisionId) ?? null) : null,
    };
  };
  const inputs = rows.map((row) => withJoint(inputOf(row), joints.get(row.id), inputOf));
  return { inputs, catalogue: newest };
}

const bothOf = (joints: ReadonlyMap<number, Housed>): TerminationRow[] =>
  [...joints.values()].flatMap((j) => ('lack' in j ? [] : [j.keeper, j.mate]));

/** An end as one half of its joint: both as they are for themselves, or why they are no joint. */
function withJoint(
  input: AssessInput,
  housed: Housed | undefined,
  inputOf: (row: TerminationRow) => AssessInput,
): AssessInput {
  if (housed === undefined) return input;
  return {
    ...input,
    joint: 'lack' in housed ? housed : { keeper: inputOf(housed.keeper), mate: inputOf(housed.mate) },
  };
}

/** Assesses several terminations of a job. Their choices hold what comes into question: see `assessEach`. */
export async function assessMany(
  tx: Tx,
  job: JobRow,
  rows: readonly TerminationRow[],
  known: StoredCatalogue | null = null,
): Promise<Assessment[]> {
  const { inputs, catalogue } = await assessInputs(tx, job, rows, known);
  return explained(inputs, catalogue);
}

async function explained(inputs: readonly AssessInput[], catalogue: StoredCatalogue): Promise<Assessment[]> {
  const all: Assessment[] = [];
  const pause = pauses();
  for (const one of assessEach(inputs, catalogue, 'explained')) {
    all.push(one);
    await pause();
  }
  return all;
}

/** What all terminations of a job are assessed from, in the order of their tags, batch by batch: while one is judged the next is read. */
export async function* inputsOfJob(
  tx: Tx,
  job: JobRow,
  catalogue: StoredCatalogue,
): AsyncGenerator<AssessInput[]> {
  const all = await terminationIdsOfJob(tx, job.id);
  const read = async (from: number): Promise<AssessInput[]> => {
    const ids = all.slice(from, from + BATCH);
    if (ids.length === 0) return [];
    return (await assessInputs(tx, job, await inOrder(tx, ids), catalogue)).inputs;
  };
  let coming = read(0);
  let from = 0;
  try {
    for await (const ids of inBatches(all, BATCH)) {
      const inputs = await coming;
      from += ids.length;
      coming = read(from);
      // A failure is said when the batch is asked for, not before.
      coming.catch(() => undefined);
      yield inputs;
    }
  } finally {
    // Where the work ends early nothing may go on reading in a transaction that is over.
    await coming.catch(() => undefined);
  }
}

/** Up to so many ends are judged each by itself: whoever looks at one of them next finds its answer there. */
const FEW = 2;

async function assessFew(
  tx: Tx,
  job: JobRow,
  rows: readonly TerminationRow[],
  known: StoredCatalogue | null,
): Promise<Assessment[]> {
  return (await assessInputs(tx, job, rows, known)).inputs.map(assess);
}

/** Finds one termination. Errors: no such job, cable or end; a retired one says so. */
export async function requireTermination(
  tx: Tx,
  ref: TerminationRef,
): Promise<Result<{ job: JobRow; row: TerminationRow }>> {
  const job = await requireJob(tx, ref.job);
  if (!job.ok) return job;
  if (!ENDS.some((e) => e === ref.end)) return refuse('end', 'a cable has the ends A and B', ref.end);
  const row = await findTermination(tx, job.value.id, ref.cable, ref.end as End);
  if (!row) return refuse('cable', 'there is no such cable in this job', ref.cable);
  if (row.cable.retiredAt !== null) {
    return refuse(
      'cable',
      `${ref.cable}/${ref.end} was taken out of the schedule on ${row.cable.retiredAt.toISOString().slice(0, 16).replace('T', ' ')} UTC; its record is kept`,
      ref.cable,
    );
  }
  return ok({ job: job.value, row });
}

/** One end, with what it was assessed from. */
export interface AssessedOne {
  readonly job: JobRow;
  readonly input: AssessInput;
  readonly catalogue: StoredCatalogue;
  readonly assessment: Assessment;
}

export async function assessOne(tx: Tx, ref: TerminationRef): Promise<Result<AssessedOne>> {
  const found = await requireTermination(tx, ref);
  return found.ok ? ok(await assessRow(tx, found.value)) : found;
}

/** An end that is read already, and held where it is to be written. */
export async function assessRow(
  tx: Tx,
  { job, row }: { readonly job: JobRow; readonly row: TerminationRow },
): Promise<AssessedOne> {
  const { inputs, catalogue } = await assessInputs(tx, job, [row]);
  const [input] = inputs;
  if (!input) throw new Error('one termination in, one assessment out');
  return { job, input, catalogue, assessment: assess(input) };
}

/** Ends that are read together from the database: enough that its answers, and not the questions, are what takes time. */
export const BATCH = 160;

/** All terminations of a job, assessed batch by batch, in the order of their tags. Long work: see `inBatches`. */
export async function* assessJob(tx: Tx, job: JobRow): AsyncGenerator<Assessment[]> {
  const catalogue = await loadCatalogue(tx, job.families);
  for await (const inputs of inputsOfJob(tx, job, catalogue)) yield await explained(inputs, catalogue);
}

/** The rows of these ids, in their order. */
export async function inOrder(tx: Tx, ids: readonly number[]): Promise<TerminationRow[]> {
  const rows = new Map((await loadTerminations(tx, ids)).map((r) => [r.id, r]));
  return ids.flatMap((id) => rows.get(id) ?? []);
}

/** An end in one line, as it is stored for lists. */
const lineOf = (a: Assessment) => ({
  terminationId: a.row.id,
  collar: a.collar,
  size: a.plan?.plan.size ?? null,
});

/**
 * Brings the stored collar of an end up to date with an event that was added to its record just now, without reading anything again. Returns the
 * end as it is with it.
 */
export async function refreshAfter(tx: Tx, before: AssessedOne, event: StoredEvent): Promise<AssessedOne> {
  const { events, faults } = before.input.record;
  const record = { events: [...events, event], faults };
  const { joint } = before.input;
  const input: AssessInput = { ...before.input, record };
  const assessment = assess(input);
  const lines = [lineOf(assessment)];
  if (joint !== undefined && 'mate' in joint)
    // The other half of a joint has no record of its own: it is as far as this one.
    lines.push(lineOf(assess({ ...joint.mate, joint: { ...joint, keeper: { ...joint.keeper, record } } })));
  await writeSummaries(tx, lines);
  return { ...before, input, assessment };
}

/** Brings the stored collars of terminations up to date, in the transaction that changed what they hang on. */
export async function refreshSummaries(
  tx: Tx,
  job: JobRow,
  terminationIds: readonly number[],
): Promise<void> {
  const catalogue = terminationIds.length > BATCH ? await loadCatalogue(tx, job.families) : null;
  for await (const ids of inBatches(terminationIds, BATCH)) {
    const asked = await loadTerminations(tx, ids);
    const rows = [
      ...new Map([...asked, ...bothOf(await housedWith(tx, asked))].map((r) => [r.id, r])).values(),
    ];
    const assessments = await (rows.length > FEW ? assessMany : assessFew)(tx, job, rows, catalogue);
    await writeSummaries(tx, assessments.map(lineOf));
  }
}
