import { ok, refuse, type Result } from '@/core/kernel';
import {
  findReading,
  halvesBeside,
  insertEdit,
  lastEdit,
  loadEvents,
  markUndone,
  nextUndone,
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
    if (this.changes.length === 0) return;
    await insertEdit(this.tx, job.id, label.slice(0, 200), madeBy(actor), at, this.changes);
    // What they were joined with is joined no more, and is not among what whoever changes them knows of.
    const left = await halvesBeside(this.tx, entriesOf(this.changes));
    if (left.length > 0) await refreshSummaries(this.tx, job, left);
  }
}

/** Entries that something was changed of, or that an end has come into or gone out of. */
const entriesOf = (changes: readonly RowChange[]): number[] =>
  changes.flatMap(({ table, id, before, after }) =>
    table === 'entry'
      ? [id]
      : table === 'termination'
        ? [before.entryId, after.entryId].filter((e) => typeof e === 'number')
        : [],
  );

/** Ids of the terminations that a set of changes may have touched. */
async function touched(tx: Tx, changes: readonly RowChange[]): Promise<number[]> {
  const cables = changes.filter((c) => c.table === 'cable').map((c) => c.id);
  const ids = new Set([
    ...changes.filter((c) => c.table === 'termination').map((c) => c.id),
    ...(await terminationIdsOfCables(tx, cables)),
    ...(await halvesBeside(tx, entriesOf(changes))),
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
export const undoLast = (jobSlug: string, actor: Actor, now: Date): Promise<Result<{ label: string }>> =>
  turned(jobSlug, actor, now, BACK);

/** Does again what this person took back last, as long as nothing else was done since. Refused for the same reasons as taking back. */
export const redoNext = (jobSlug: string, actor: Actor, now: Date): Promise<Result<{ label: string }>> =>
  turned(jobSlug, actor, now, FORWARD);

/** Taking back or doing again: which edit, from which state to which. */
interface Direction {
  readonly find: typeof lastEdit;
  readonly nothing: string;
  readonly refused: string;
  readonly from: 'before' | 'after';
  readonly to: 'before' | 'after';
  readonly readingTitle: { readonly added: string; readonly withdrawn: string };
}

const BACK: Direction = {
  find: lastEdit,
  nothing: 'there is nothing of yours to undo in this job',
  refused: 'cannot be undone',
  from: 'after',
  to: 'before',
  readingTitle: { added: 'Reading taken back', withdrawn: 'Withdrawal of a reading undone' },
};
const FORWARD: Direction = {
  find: nextUndone,
  nothing: 'there is nothing that you took back and could have again in this job',
  refused: 'cannot be done again',
  from: 'before',
  to: 'after',
  readingTitle: { added: 'Reading put back', withdrawn: 'Reading withdrawn again' },
};

function turned(
  jobSlug: string,
  actor: Actor,
  now: Date,
  way: Direction,
): Promise<Result<{ label: string }>> {
  return operation(async (tx) => {
    const job = await requireJob(tx, jobSlug);
    if (!job.ok) return job;
    const edit = await way.find(tx, job.value.id, madeBy(actor));
    if (edit === null) return refuse('', way.nothing);
    for (const change of edit.changes) {
      const why = await notTurned(tx, change, way);
      if (why !== null) return refuse('', `“${edit.label}” ${way.refused}: ${why}`);
    }
    const noted = await noteReadings(tx, job.value, edit.changes, way.readingTitle, actor, now);
    if (!noted.ok) return noted;
    const changes = way === BACK ? [...edit.changes].reverse() : edit.changes;
    for (const change of changes) {
      const then = Object.entries(change[way.to]).map(([k, v]) => [
        k,
        // What comes to its end by this comes to it now.
        isInstant(k) && v !== null ? now.toISOString() : v,
      ]);
      await writeRow(tx, change.table, change.id, Object.fromEntries(then) as RowChange['before']);
    }
    await markUndone(tx, [edit.id], way === BACK ? now : null);
    await refreshAfter(tx, jobSlug, edit.changes);
    return ok({ label: edit.label });
  });
}

/** Why a row cannot be brought to its other state, or null. */
async function notTurned(tx: Tx, change: RowChange, { from, to }: Direction): Promise<string | null> {
  const is = await readRow(tx, change.table, change.id, Object.keys(change[from]));
  const same = (field: string, value: FieldValue) =>
    // When something ended is written anew by each turn; that it has ended is what counts.
    isInstant(field) ? (is?.[field] === null) === (value === null) : is?.[field] === value;
  if (is === null || !Object.entries(change[from]).every(([k, v]) => same(k, v)))
    return 'it has been changed again since';
  if (change.table !== 'plan' || change[from].supersededAt !== null || change[to].supersededAt === null)
    return null;
  const plan = await readRow(tx, 'plan', change.id, ['terminationId', 'planHash']);
  const events = await loadEvents(tx, 'termination', [Number(plan?.terminationId)]);
  return events.some((e) => e.planHash === plan?.planHash)
    ? 'work at the bench stands on this plan. Choose again instead'
    : null;
}

/** Undoing brings readings back that were withdrawn, and takes back those that were added; doing it again, the reverse: the record of work that has begun says so. */
async function noteReadings(
  tx: Tx,
  job: JobRow,
  changes: readonly RowChange[],
  titles: Direction['readingTitle'],
  actor: Actor,
  now: Date,
): Promise<Result<null>> {
  for (const change of changes) {
    if (change.table !== 'reading' || !('withdrawnAt' in change.after)) continue;
    const reading = await findReading(tx, change.id);
    if (!reading) continue;
    const title = change.after.withdrawnAt === null ? titles.added : titles.withdrawn;
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
