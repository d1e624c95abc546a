import { and, asc, desc, eq, inArray, isNull, sql } from 'drizzle-orm';
import { canonicalJson, hashOf } from '@/core/kernel';
import { isCrossingKind, type CrossingKindId, type CrossingSetup, type Made } from '@/core/crossing';
import type { CableType } from '@/core/schedule';
import type { Tx } from '../connection';
import { UnreadableRow } from '../stored';
import { CABLE_TYPE, CROSSING_SETUP, CROSSING_MADE } from '../stored-kinds';
import { cable, cableType, crossing, crossingPlan } from '../schema';

export interface CrossingRow {
  readonly id: number;
  readonly name: string;
  readonly setup: CrossingSetup;
  readonly version: number;
}

export type StoredCrossingPlan<K extends CrossingKindId = CrossingKindId> = Made<K> & {
  readonly id: number;
  readonly crossingId: number;
  readonly kind: 'planned' | 'asBuilt';
  readonly planHash: string;
  readonly requestHash: string;
  readonly note: string;
  readonly actor: string;
  readonly madeAt: Date;
  /** Is what is stored still what was hashed when it was made? Works the hash out again. */
  readonly intact: () => boolean;
};

const crossingRow = (row: typeof crossing.$inferSelect): CrossingRow => ({
  id: row.id,
  name: row.name,
  setup: CROSSING_SETUP.parse(row.setup, row.name),
  version: row.version,
});

export async function listCrossings(tx: Tx, jobId: number): Promise<CrossingRow[]> {
  return (await tx.select().from(crossing).where(eq(crossing.jobId, jobId)).orderBy(asc(crossing.id))).map(
    crossingRow,
  );
}

export async function findCrossing(tx: Tx, jobId: number, name: string): Promise<CrossingRow | null> {
  const [row] = await tx
    .select()
    .from(crossing)
    .where(and(eq(crossing.jobId, jobId), eq(crossing.name, name)));
  return row ? crossingRow(row) : null;
}

/** Holds the row until the transaction ends, so that plans and events of one crossing come one after the other. */
export async function lockCrossing(tx: Tx, id: number): Promise<void> {
  await tx.select({ id: crossing.id }).from(crossing).where(eq(crossing.id, id)).for('update');
}

export async function insertCrossing(
  tx: Tx,
  jobId: number,
  name: string,
  setup: CrossingSetup,
): Promise<number> {
  const [result] = await tx.insert(crossing).values({ jobId, name, setup: JSON.stringify(setup) });
  return result.insertId;
}

/** Writes a setup over the version that was read; false when somebody else has written since. */
export async function updateCrossing(
  tx: Tx,
  id: number,
  version: number,
  setup: CrossingSetup,
): Promise<boolean> {
  const [result] = await tx
    .update(crossing)
    .set({ setup: JSON.stringify(setup), version: sql`${crossing.version} + 1` })
    .where(and(eq(crossing.id, id), eq(crossing.version, version)));
  return result.affectedRows === 1;
}

/** In which shape plans are stored: there has been one so far, of each kind. */
const PLAN_VERSION = 1;

function ofVersion(version: number, body: string, id: number): string {
  if (version !== PLAN_VERSION) throw new UnreadableRow(`crossing plan ${id}`, `it is of version ${version}`);
  return body;
}

function madeOf(of: string, request: string, body: string, id: number): Made {
  if (!isCrossingKind(of)) throw new UnreadableRow(`crossing plan ${id}`, `its kind is ${of}`);
  return CROSSING_MADE[of](request, body, id);
}

/** Plans of several crossings, the newest first. */
export async function loadCrossingPlans(tx: Tx, ids: readonly number[]): Promise<StoredCrossingPlan[]> {
  if (ids.length === 0) return [];
  const rows = await tx
    .select()
    .from(crossingPlan)
    .where(inArray(crossingPlan.crossingId, [...ids]))
    .orderBy(desc(crossingPlan.id));
  return rows.map(({ body, request, version, crossingKind, ...row }) => ({
    ...row,
    ...madeOf(crossingKind, request, ofVersion(version, body, row.id), row.id),
    intact: () => hashOf(JSON.parse(body) as unknown) === row.planHash,
  }));
}

export async function insertCrossingPlan(
  tx: Tx,
  row: Made & Omit<StoredCrossingPlan, 'id' | 'intact' | keyof Made>,
): Promise<number> {
  const { of: crossingKind, plan, request, ...rest } = row;
  const [result] = await tx
    .insert(crossingPlan)
    .values({ ...rest, crossingKind, request: canonicalJson(request), body: canonicalJson(plan) });
  return result.insertId;
}

/** Cables of a job that are in use, with their ids. */
export async function liveCables(
  tx: Tx,
  jobId: number,
): Promise<{ id: number; tag: string; cableType: CableType }[]> {
  const rows = await tx
    .select({ id: cable.id, tag: cable.tag, typeFacts: cableType.facts })
    .from(cable)
    .innerJoin(cableType, eq(cable.typeId, cableType.id))
    .where(and(eq(cable.jobId, jobId), isNull(cable.retiredAt)))
    .orderBy(asc(cable.tag));
  return rows.map(({ typeFacts, ...row }) => ({ ...row, cableType: CABLE_TYPE.parse(typeFacts, row.tag) }));
}
