import { group } from 'd3';
import { ok, refuse, type Result } from '@/core/kernel';
import { ENDS, type End } from '@/core/schedule';
import {
  currentPlans,
  findFamilyRevision,
  findJob,
  findTermination,
  loadCatalogue,
  loadEvents,
  loadReadings,
  loadTerminations,
  writeSummaries,
  type JobRow,
  type StoredPlan,
  type TerminationRow,
  type Tx,
} from '@/data';
import { assess, type Assessment } from './assess';

/** How a termination is named in an address: job, cable tag, end. */
export interface TerminationRef {
  readonly job: string;
  readonly cable: string;
  readonly end: string;
}

export async function requireJob(tx: Tx, slug: string): Promise<Result<JobRow>> {
  const job = await findJob(tx, slug);
  return job ? ok(job) : refuse('job', 'there is no such job', slug);
}

/** The catalogue in force, and every revision that plans in force stand on, by its id. */
async function catalogueFor(tx: Tx, plans: readonly StoredPlan[]) {
  const newest = await loadCatalogue(tx);
  const byId = new Map(newest.families.map((f) => [f.id, f]));
  for (const id of new Set(plans.map((p) => p.familyRevisionId))) {
    if (byId.has(id)) continue;
    const family = await findFamilyRevision(tx, id);
    if (family) byId.set(id, family);
  }
  return { newest, byId };
}

/** Assesses several terminations of a job with a fixed number of queries. */
export async function assessMany(
  tx: Tx,
  job: JobRow,
  rows: readonly TerminationRow[],
): Promise<Assessment[]> {
  const ids = rows.map((r) => r.id);
  const plans = await currentPlans(tx, ids);
  const { newest, byId } = await catalogueFor(tx, plans);
  const readings = await loadReadings(tx, [...new Set(rows.map((r) => r.cable.id))]);
  const events = await loadEvents(tx, ids);
  const planOf = new Map(plans.map((p) => [p.terminationId, p]));
  const readingsOf = group(readings, (r) => r.cableId);
  const eventsOf = group(events, (e) => e.terminationId);
  return rows.map((row) => {
    const plan = planOf.get(row.id) ?? null;
    return assess({
      job,
      row,
      readings: readingsOf.get(row.cable.id) ?? [],
      plan,
      events: eventsOf.get(row.id) ?? [],
      catalogue: newest,
      planFamily: plan ? (byId.get(plan.familyRevisionId) ?? null) : null,
    });
  });
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

export async function assessOne(
  tx: Tx,
  ref: TerminationRef,
): Promise<Result<{ job: JobRow; assessment: Assessment }>> {
  const found = await requireTermination(tx, ref);
  if (!found.ok) return found;
  const { job, row } = found.value;
  const [assessment] = await assessMany(tx, job, [row]);
  if (!assessment) throw new Error('one termination in, one assessment out');
  return ok({ job, assessment });
}

const BATCH = 1000;

/** Brings the stored collars of terminations up to date, in the transaction that changed what they hang on. */
export async function refreshSummaries(
  tx: Tx,
  job: JobRow,
  terminationIds: readonly number[],
): Promise<void> {
  for (let i = 0; i < terminationIds.length; i += BATCH) {
    const rows = await loadTerminations(tx, terminationIds.slice(i, i + BATCH));
    const assessments = await assessMany(tx, job, rows);
    await writeSummaries(
      tx,
      assessments.map((a) => ({
        terminationId: a.row.id,
        collar: a.collar,
        size: a.plan?.plan.size ?? null,
      })),
    );
  }
}
