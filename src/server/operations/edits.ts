import { ok, refuse, type Result } from '@/core/kernel';
import {
  findReading,
  insertEdit,
  lastEdit,
  loadEvents,
  markUndone,
  readRow,
  terminationIdsOfCables,
  terminationIdsOfJob,
  writeRow,
  type EditTable,
  type FieldValue,
  type JobRow,
  type RowChange,
  type Tx,
} from '@/data';
import { madeBy, type Actor } from '../actor';
import { noteReading } from '../record/note-reading';
import { LateWrite, operation } from '../transaction';
import { refreshSummaries, requireJob } from './load';

/** Collects what an operation changes, so that one line undoes all of it. */
export class EditLog {
  readonly changes: RowChange[] = [];

  constructor(private readonly tx: Tx) {}

  /**
   * Writes fields of a row and remembers what was there. Fields that do not change are left out. With `seen`, the version that was read, a
   * row that somebody else has written since ends the operation with `LateWrite`.
   */
  async write(
    table: EditTable,
    id: number,
    fields: Readonly<Record<string, FieldValue>>,
    seen?: number,
  ): Promise<void> {
    const was = await readRow(this.tx, table, id, Object.keys(fields));
    if (was === null) throw new Error(`${table} ${id} is not there`);
    const after = Object.fromEntries(Object.entries(fields).filter(([k, v]) => was[k] !== v));
    if (Object.keys(after).length === 0 && seen === undefined) return;
    if (!(await writeRow(this.tx, table, id, after, seen))) throw new LateWrite();
    if (Object.keys(after).length === 0) return;
    this.changes.push({
      table,
      id,
      before: Object.fromEntries(Object.keys(after).map((k) => [k, was[k] ?? null])),
      after,
    });
  }

  /** Remembers a row that was born: undoing it puts the instant of its end into `field`. */
  born(table: EditTable, id: number, field: 'retiredAt' | 'withdrawnAt' | 'supersededAt', at: Date): void {
    this.changes.push({ table, id, before: { [field]: at.toISOString() }, after: { [field]: null } });
  }

  /** Remembers the entry that a new termination took, so that undoing frees it. */
  placed(terminationId: number, entryId: number | null): void {
    if (entryId !== null)
      this.changes.push({
        table: 'termination',
        id: terminationId,
        before: { entryId: null },
        after: { entryId },
      });
  }

  async save(job: JobRow, label: string, actor: Actor, at: Date): Promise<void> {
    if (this.changes.length > 0)
      await insertEdit(this.tx, job.id, label.slice(0, 200), madeBy(actor), at, this.changes);
  }
}

/** Ids of the terminations that a set of changes may have touched. */
async function touched(tx: Tx, changes: readonly RowChange[]): Promise<number[]> {
  const cables = changes.filter((c) => c.table === 'cable').map((c) => c.id);
  const ids = new Set([
    ...changes.filter((c) => c.table === 'termination').map((c) => c.id),
    ...(await terminationIdsOfCables(tx, cables)),
  ]);
  for (const change of changes) {
    if (change.table === 'reading') {
      const owner = await readRow(tx, 'reading', change.id, ['cableId']);
      if (owner) for (const id of await terminationIdsOfCables(tx, [Number(owner.cableId)])) ids.add(id);
    }
    if (change.table === 'plan') {
      const owner = await readRow(tx, 'plan', change.id, ['terminationId']);
      if (owner) ids.add(Number(owner.terminationId));
    }
  }
  return [...ids];
}

/**
 * Takes back the newest edit of this person in this job. Refused when somebody has changed one of its rows since, or when bench work
 * stands on a plan that would go.
 */
export function undoLast(jobSlug: string, actor: Actor, now: Date): Promise<Result<{ label: string }>> {
  return operation(async (tx) => {
    const job = await requireJob(tx, jobSlug);
    if (!job.ok) return job;
    const edit = await lastEdit(tx, job.value.id, madeBy(actor));
    if (edit === null) return refuse('', 'there is nothing of yours to undo in this job');
    for (const change of edit.changes) {
      const is = await readRow(tx, change.table, change.id, Object.keys(change.after));
      const moved = is === null || Object.entries(change.after).some(([k, v]) => is[k] !== v);
      if (moved) return refuse('', `“${edit.label}” cannot be undone: it has been changed again since`);
      if (change.table === 'plan' && change.after.supersededAt === null) {
        const plan = await readRow(tx, 'plan', change.id, ['terminationId', 'planHash']);
        const events = await loadEvents(tx, 'termination', [Number(plan?.terminationId)]);
        if (events.some((e) => e.planHash === plan?.planHash)) {
          return refuse(
            '',
            `“${edit.label}” cannot be undone: work at the bench stands on this plan. Choose again instead`,
          );
        }
      }
    }
    const noted = await noteReadings(tx, job.value, edit.changes, actor, now);
    if (!noted.ok) return noted;
    for (const change of [...edit.changes].reverse()) {
      const before = Object.entries(change.before).map(([k, v]) => [
        k,
        change.after[k] === null && isInstant(k) ? now.toISOString() : v,
      ]);
      await writeRow(tx, change.table, change.id, Object.fromEntries(before) as RowChange['before']);
    }
    await markUndone(tx, [edit.id], now);
    await refreshAfter(tx, jobSlug, edit.changes);
    return ok({ label: edit.label });
  });
}

/** Undoing brings readings back that were withdrawn, and takes back those that were added: the record of work that has begun says so. */
async function noteReadings(
  tx: Tx,
  job: JobRow,
  changes: readonly RowChange[],
  actor: Actor,
  now: Date,
): Promise<Result<null>> {
  for (const change of changes) {
    if (change.table !== 'reading' || !('withdrawnAt' in change.after)) continue;
    const reading = await findReading(tx, change.id);
    if (!reading) continue;
    const title = change.after.withdrawnAt === null ? 'Reading taken back' : 'Withdrawal of a reading undone';
    const noted = await noteReading(tx, job, reading, title, actor, now);
    if (!noted.ok) return noted;
  }
  return ok(null);
}

/** A profile, a cable type and a box touch many terminations; a profile must be read again before they are judged by it. */
async function refreshAfter(tx: Tx, jobSlug: string, changes: readonly RowChange[]): Promise<void> {
  const job = await requireJob(tx, jobSlug);
  if (!job.ok) throw new Error('the job was there a moment ago');
  const all = changes.some(
    (c) => c.table === 'job' || c.table === 'cableType' || c.table === 'enclosure' || c.table === 'entry',
  );
  const ids = all ? await terminationIdsOfJob(tx, job.value.id) : await touched(tx, changes);
  await refreshSummaries(tx, job.value, ids);
}

const isInstant = (field: string): boolean =>
  field === 'retiredAt' || field === 'withdrawnAt' || field === 'supersededAt';
