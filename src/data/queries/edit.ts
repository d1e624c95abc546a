import { array, mixed, number, object, string } from 'yup';
import { and, asc, desc, eq, gt, inArray, isNotNull, isNull, sql } from 'drizzle-orm';
import type { Tx } from '../connection';
import { bySchema, storedJson } from '../stored';
import { cable, cableType, edit, enclosure, entry, job, plan, reading, termination } from '../schema';

/** Tables whose rows people change and may undo. */
export type EditTable =
  'cable' | 'termination' | 'reading' | 'plan' | 'job' | 'cableType' | 'enclosure' | 'entry';

/** What a field may hold; instants travel as ISO text. */
export type FieldValue = string | number | null;

/** One row's fields before and after. A new row is born alive: undoing it retires, withdraws or supersedes it. */
export interface RowChange {
  readonly table: EditTable;
  readonly id: number;
  readonly before: Readonly<Record<string, FieldValue>>;
  readonly after: Readonly<Record<string, FieldValue>>;
}

export interface EditRow {
  readonly id: number;
  readonly label: string;
  readonly actor: string;
  readonly at: Date;
  readonly changes: readonly RowChange[];
}

const TABLES = { cable, termination, reading, plan, job, cableType, enclosure, entry } as const;
const INSTANTS = new Set(['retiredAt', 'withdrawnAt', 'supersededAt', 'archivedAt']);
const FIELDS: Readonly<Record<EditTable, readonly string[]>> = {
  cable: ['tag', 'typeId', 'routeMm', 'note', 'retiredAt'],
  termination: ['entryId', 'tailMm', 'spareMm', 'sizeLocked', 'compound', 'terminals', 'pins'],
  reading: ['withdrawnAt'],
  plan: ['supersededAt'],
  job: ['profile', 'name', 'place', 'unit', 'secondPerson', 'families', 'archivedAt'],
  cableType: ['facts', 'retiredAt'],
  enclosure: ['area', 'facts', 'retiredAt'],
  entry: ['facts', 'retiredAt'],
};

const toColumn = (field: string, value: FieldValue): FieldValue | Date =>
  INSTANTS.has(field) && typeof value === 'string' ? new Date(value) : value;

/** Tables whose rows carry a version that every write raises. */
const VERSIONED = { cable, termination, job, cableType, enclosure, entry } as const;
export type VersionedTable = keyof typeof VERSIONED;
const isVersioned = (table: EditTable): table is VersionedTable => table in VERSIONED;

/**
 * Writes the fields of one row, raising its version where it has one. With `seen` the version is compared by the very statement that writes:
 * false when somebody else has written since it was read, and then nothing is. Unknown fields are a bug.
 */
export async function writeRow(
  tx: Tx,
  table: EditTable,
  id: number,
  fields: RowChange['after'],
  seen?: number,
): Promise<boolean> {
  const set: Record<string, unknown> = {};
  for (const [field, value] of Object.entries(fields)) {
    if (!FIELDS[table].includes(field)) throw new Error(`${table}.${field} cannot be edited`);
    set[field] = toColumn(field, value);
  }
  if (!isVersioned(table)) {
    const target = TABLES[table];
    await tx.update(target).set(set).where(eq(target.id, id));
    return true;
  }
  const target = VERSIONED[table];
  set.version = sql`version + 1`;
  const mine = seen === undefined ? eq(target.id, id) : and(eq(target.id, id), eq(target.version, seen));
  const [result] = await tx.update(target).set(set).where(mine);
  return result.affectedRows > 0;
}

/** The named fields of a row as they are now, or null when there is no such row. */
export async function readRow(
  tx: Tx,
  table: EditTable,
  id: number,
  fields: readonly string[],
): Promise<Record<string, FieldValue> | null> {
  const target = TABLES[table];
  const [row] = await tx.select().from(target).where(eq(target.id, id)).for('update');
  if (!row) return null;
  const record = row as Record<string, unknown>;
  return Object.fromEntries(
    fields.map((f) => {
      const value = record[f];
      return [f, value instanceof Date ? value.toISOString() : (value as FieldValue)];
    }),
  );
}

export async function insertEdit(
  tx: Tx,
  jobId: number,
  label: string,
  by: { readonly actor: string; readonly person: string | null },
  at: Date,
  changes: readonly RowChange[],
): Promise<number> {
  const [result] = await tx
    .insert(edit)
    .values({ jobId, label, ...by, at, changes: JSON.stringify(changes) });
  return result.insertId;
}

const fields = mixed<Readonly<Record<string, FieldValue>>>()
  .test(
    'fields',
    'are not fields of a row',
    (v: unknown) =>
      typeof v === 'object' &&
      v !== null &&
      Object.values(v).every((f) => f === null || typeof f === 'string' || typeof f === 'number'),
  )
  .required();

const CHANGES = storedJson(
  'edit',
  bySchema(
    array()
      .of(
        object({
          table: string()
            .oneOf(Object.keys(TABLES) as EditTable[])
            .required(),
          id: number().integer().required(),
          before: fields,
          after: fields,
        }).required(),
      )
      .required(),
  ),
  50,
);

const editRow = (row: typeof edit.$inferSelect): EditRow => ({
  id: row.id,
  label: row.label,
  actor: row.actor,
  at: row.at,
  changes: CHANGES.parse(row.changes, row.id),
});

const madeOf = (by: { readonly actor: string; readonly person: string | null }) =>
  by.person === null ? and(isNull(edit.person), eq(edit.actor, by.actor)) : eq(edit.person, by.person);

/** The newest edit of a job by this person that still stands. */
export async function lastEdit(
  tx: Tx,
  jobId: number,
  by: { readonly actor: string; readonly person: string | null },
): Promise<EditRow | null> {
  const [row] = await tx
    .select()
    .from(edit)
    .where(and(eq(edit.jobId, jobId), madeOf(by), isNull(edit.undoneAt)))
    .orderBy(desc(edit.id))
    .limit(1);
  return row ? editRow(row) : null;
}

/**
 * What this person took back last and may have again: of the edits that are undone the oldest one that is newer than all that stand. Whatever
 * was done since an undo ends the way forward.
 */
export async function nextUndone(
  tx: Tx,
  jobId: number,
  by: { readonly actor: string; readonly person: string | null },
): Promise<EditRow | null> {
  const standing = await lastEdit(tx, jobId, by);
  const [row] = await tx
    .select()
    .from(edit)
    .where(
      and(
        eq(edit.jobId, jobId),
        madeOf(by),
        isNotNull(edit.undoneAt),
        ...(standing === null ? [] : [gt(edit.id, standing.id)]),
      ),
    )
    .orderBy(asc(edit.id))
    .limit(1);
  return row ? editRow(row) : null;
}

/** Who last wrote to a row, to name them when two people meet on it. */
export async function lastEditorOf(
  tx: Tx,
  jobId: number,
  table: EditTable,
  id: number,
): Promise<string | null> {
  const rows = await tx.select().from(edit).where(eq(edit.jobId, jobId)).orderBy(desc(edit.id)).limit(200);
  const found = rows.map(editRow).find((e) => e.changes.some((c) => c.table === table && c.id === id));
  return found?.actor ?? null;
}

/** Marks edits as undone, or, with null, as standing again. */
export async function markUndone(tx: Tx, ids: readonly number[], at: Date | null): Promise<void> {
  if (ids.length === 0) return;
  await tx
    .update(edit)
    .set({ undoneAt: at })
    .where(inArray(edit.id, [...ids]));
}
