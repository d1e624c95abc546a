import { and, desc, eq, inArray, isNull, sql } from 'drizzle-orm';
import { hashOf } from '@/core/kernel';
import { decodeArcs, type TerminationPlan } from '@/core/procedure';
import { PLAN } from '../stored-kinds';
import type { Tx } from '../connection';
import { among, prepared } from '../prepared';
import { cable, familyRevision, job, plan, stationSummary, termination } from '../schema';

export interface StoredPlan {
  readonly id: number;
  readonly terminationId: number;
  readonly familyRevisionId: number;
  readonly planHash: string;
  readonly plan: TerminationPlan;
  readonly actor: string;
  readonly madeAt: Date;
  /** Is what is stored still what was hashed when it was made? Works the hash out: asked where work stands on the plan. */
  readonly intact: () => boolean;
}

const MOST_KNOWN = 2000;
const hashes = new Map<string, string>();

/** The hash of what is stored; of the same text it is worked out once. */
function hashOfStored(body: string): string {
  const before = hashes.get(body);
  if (before !== undefined) return before;
  if (hashes.size >= MOST_KNOWN) hashes.clear();
  const hash = hashOf(JSON.parse(body) as unknown);
  hashes.set(body, hash);
  return hash;
}

const storedPlan = (row: typeof plan.$inferSelect): StoredPlan => ({
  id: row.id,
  terminationId: row.terminationId,
  familyRevisionId: row.familyRevisionId,
  planHash: row.planHash,
  plan: PLAN.parse(row.body, row.id),
  actor: row.actor,
  madeAt: row.madeAt,
  intact: () => hashOfStored(row.body) === row.planHash,
});

const inForceOf = prepared((tx) =>
  tx
    .select()
    .from(plan)
    .where(and(among(plan.terminationId, sql.placeholder('ids')), isNull(plan.supersededAt))),
);

/** The plans in force, at most one for each termination. */
export async function currentPlans(tx: Tx, terminationIds: readonly number[]): Promise<StoredPlan[]> {
  if (terminationIds.length === 0) return [];
  return (await inForceOf(tx, { ids: terminationIds })).map(storedPlan);
}

export async function insertPlan(
  tx: Tx,
  row: {
    terminationId: number;
    familyRevisionId: number;
    plan: TerminationPlan;
    planHash: string;
    actor: string;
    person: string | null;
    madeAt: Date;
  },
): Promise<number> {
  const [result] = await tx.insert(plan).values({
    terminationId: row.terminationId,
    familyRevisionId: row.familyRevisionId,
    size: row.plan.size,
    planHash: row.planHash,
    inputHash: row.plan.inputHash,
    provisional: row.plan.provisional.length > 0 ? 1 : 0,
    body: JSON.stringify(row.plan),
    actor: row.actor,
    person: row.person,
    madeAt: row.madeAt,
  });
  return result.insertId;
}

/** Ids of the job's terminations whose plan in force fills a chamber, in the order of their tags. */
export async function sealedTerminationIds(tx: Tx, jobId: number): Promise<number[]> {
  const rows = await tx
    .select({ id: termination.id })
    .from(plan)
    .innerJoin(termination, eq(plan.terminationId, termination.id))
    .innerJoin(cable, eq(termination.cableId, cable.id))
    .where(
      and(eq(cable.jobId, jobId), isNull(plan.supersededAt), isNull(cable.retiredAt), eq(plan.sealed, 1)),
    )
    .orderBy(cable.tag, termination.end);
  return rows.map((r) => r.id);
}

/** Plans in force that stand on a family, whichever revision and job: their termination and its job. */
export async function plansOfFamily(tx: Tx, code: string): Promise<{ terminationId: number; job: string }[]> {
  return tx
    .select({ terminationId: plan.terminationId, job: job.slug })
    .from(plan)
    .innerJoin(familyRevision, eq(plan.familyRevisionId, familyRevision.id))
    .innerJoin(termination, eq(plan.terminationId, termination.id))
    .innerJoin(cable, eq(termination.cableId, cable.id))
    .innerJoin(job, eq(cable.jobId, job.id))
    .where(and(eq(familyRevision.code, code), isNull(plan.supersededAt), isNull(cable.retiredAt)))
    .orderBy(job.slug, cable.tag, termination.end);
}

/** Plans of several terminations as they are stored, the newest first; those in force only, or all. */
export async function plansOfTerminations(tx: Tx, terminationIds: readonly number[], inForce: boolean) {
  if (terminationIds.length === 0) return [];
  const rows = await tx
    .select()
    .from(plan)
    .where(
      and(inArray(plan.terminationId, [...terminationIds]), ...(inForce ? [isNull(plan.supersededAt)] : [])),
    )
    .orderBy(desc(plan.id));
  return rows.map((row) => ({
    subjectId: row.terminationId,
    planHash: row.planHash,
    body: JSON.parse(row.body) as unknown,
    intact: () => hashOfStored(row.body) === row.planHash,
  }));
}

/** The plans in force of a job's living ends, in the order of their tags: on which revision each stands, and whether the last change left it stale. */
export async function plansInForce(
  tx: Tx,
  jobId: number,
): Promise<{ terminationId: number; familyRevisionId: number; family: string; stale: boolean }[]> {
  const rows = await tx
    .select({
      terminationId: plan.terminationId,
      familyRevisionId: plan.familyRevisionId,
      family: familyRevision.code,
      arcs: stationSummary.arcs,
    })
    .from(plan)
    .innerJoin(familyRevision, eq(plan.familyRevisionId, familyRevision.id))
    .innerJoin(termination, eq(plan.terminationId, termination.id))
    .innerJoin(cable, eq(termination.cableId, cable.id))
    .leftJoin(stationSummary, eq(stationSummary.terminationId, termination.id))
    .where(and(eq(cable.jobId, jobId), isNull(plan.supersededAt), isNull(cable.retiredAt)))
    .orderBy(sql`NATURAL_SORT_KEY(${cable.tag})`, termination.end);
  return rows.map(({ arcs, ...row }) => ({
    ...row,
    stale: arcs !== null && decodeArcs(arcs).some((a) => a.station === 'choose' && a.state === 'stale'),
  }));
}
