import { threadName } from '@/core/catalogue';
import type { ScheduleChoices } from '@/core/termination-view';
import { fail, ok, refuse, type Problem, type Result } from '@/core/kernel';
import { compareTags, tagSchema } from '@/core/schedule';
import { parseLength } from '@/core/units';
import {
  database,
  entryHolder,
  findLivingRow,
  findSchedule,
  insertCable,
  insertTermination,
  lastEditorOf,
  listCableTypes,
  listEntries,
  listHeldEntries,
  loadEvents,
  loadTerminations,
  loadScheduleRows,
  terminationIdsOfCables,
  type FieldValue,
  type JobRow,
  type ScheduleQuery,
  type ScheduleRow,
  type Tx,
} from '@/data';
import type { Actor } from '../actor';
import { guarded } from '../guard';
import { keeperOf } from '../record/housed';
import { operation } from '../transaction';
import { EditLog } from './edits';
import { refreshSummaries, requireJob } from './load';

export { SCHEDULE_SORTS } from '@/data';

/** Largest page that the grid asks for. */
const MAX_PAGE = 100;

export function schedulePage(
  jobSlug: string,
  query: ScheduleQuery,
): Promise<Result<{ rows: ScheduleRow[]; total: number }>> {
  return guarded(async () => {
    const job = await requireJob(database(), jobSlug);
    if (!job.ok) return job;
    return ok(
      await findSchedule(database(), job.value.id, { ...query, limit: Math.min(query.limit, MAX_PAGE) }),
    );
  });
}

/** What the grid offers in its pick lists. */
export function scheduleChoices(jobSlug: string): Promise<Result<ScheduleChoices>> {
  return guarded<ScheduleChoices>(async () => {
    const job = await requireJob(database(), jobSlug);
    if (!job.ok) return job;
    const types = await listCableTypes(database(), job.value.id);
    const entries = await listHeldEntries(database(), job.value.id);
    return ok({
      types: types.map((t) => ({ code: t.code, title: t.facts.title })),
      entries: entries
        .map(({ enclosure, label, area, title, entry, holder }) => ({
          at: `${enclosure}/${label}`,
          box: `${title}, ${area}`,
          hole: entry.thread === null ? `hole ${entry.holeMm ?? '?'} mm` : threadName(entry.thread),
          holder,
        }))
        .sort((a, b) => compareTags(a.at, b.at)),
    });
  });
}

/** Fields of a schedule row as a person types them. */
export const SCHEDULE_FIELDS = [
  'tag',
  'type',
  'route',
  'note',
  'aPlace',
  'aTail',
  'aSpare',
  'bPlace',
  'bTail',
  'bSpare',
] as const;
export type ScheduleField = (typeof SCHEDULE_FIELDS)[number];
export type ScheduleEdit = Partial<Record<ScheduleField, string>>;

interface Parsed {
  readonly cable: Record<string, FieldValue>;
  readonly A: Record<string, FieldValue>;
  readonly B: Record<string, FieldValue>;
}

/** Typed text to columns, every field with its own message. */
async function parseFields(
  tx: Tx,
  job: JobRow,
  input: ScheduleEdit,
  cableId: number | null,
): Promise<Result<Parsed>> {
  const problems: Problem[] = Object.keys(input)
    .filter((key) => !SCHEDULE_FIELDS.some((f) => f === key))
    .map((path) => ({ path, message: 'is no column of the schedule' }));
  const parsed = {
    cable: {} as Record<string, FieldValue>,
    A: {} as Record<string, FieldValue>,
    B: {} as Record<string, FieldValue>,
  };
  if (input.tag !== undefined) {
    try {
      parsed.cable.tag = tagSchema.validateSync(input.tag);
    } catch (error) {
      problems.push({ path: 'tag', message: (error as Error).message, value: input.tag });
    }
  }
  if (input.type !== undefined) {
    const type = (await listCableTypes(tx, job.id)).find((t) => t.code === input.type);
    if (type) parsed.cable.typeId = type.id;
    else
      problems.push({
        path: 'type',
        message: input.type === '' ? 'a type is needed' : 'is not a cable type of this job',
        value: input.type,
      });
  }
  if (input.note !== undefined) {
    if (input.note.length > 200) problems.push({ path: 'note', message: 'is longer than 200 characters' });
    else parsed.cable.note = input.note;
  }
  const length = (field: ScheduleField, assumed: 'm' | 'job', maxMm: number): number | null | undefined => {
    const text = input[field]?.trim();
    if (text === undefined) return undefined;
    if (text === '') return null;
    const bare = /^[\d.,]+$/.test(text);
    const read =
      bare && assumed === 'm'
        ? parseLength(`${text} m`)
        : parseLength(text, assumed === 'job' ? job.unit : undefined);
    if (!read.ok)
      problems.push({ path: field, message: read.problems[0]?.message ?? 'is not a length', value: text });
    else if (read.value.mm > maxMm)
      problems.push({ path: field, message: `is longer than ${maxMm / 1000} m`, value: text });
    else return read.value.mm;
    return undefined;
  };
  const route = length('route', 'm', 20_000_000);
  if (route !== undefined) parsed.cable.routeMm = route;
  const entries =
    input.aPlace || input.bPlace
      ? new Map((await listEntries(tx, job.id)).map((e) => [`${e.enclosure}/${e.label}`, e.id]))
      : new Map<string, number>();
  for (const end of ['A', 'B'] as const) {
    const key = end.toLowerCase() as 'a' | 'b';
    const place = input[`${key}Place`]?.trim();
    if (place !== undefined) {
      const id = place === '' ? null : entries.get(place);
      if (id === undefined)
        problems.push({
          path: `${key}Place`,
          message: 'is not an entry of this job; write enclosure/entry',
          value: place,
        });
      else {
        const holder = id === null ? null : await entryHolder(tx, id);
        if (holder !== null && holder.cableId !== cableId)
          problems.push({
            path: `${key}Place`,
            message: `is taken by ${holder.tag}/${holder.end}`,
            value: place,
          });
        else parsed[end].entryId = id;
      }
    }
    const tail = length(`${key}Tail`, 'job', 20_000);
    if (tail !== undefined) parsed[end].tailMm = tail;
    const spare = length(`${key}Spare`, 'job', 20_000);
    if (spare !== undefined) parsed[end].spareMm = spare ?? 0;
  }
  return problems.length > 0 ? fail(problems) : ok(parsed);
}

/** A new cable with both its terminations. */
export function addCable(
  jobSlug: string,
  input: ScheduleEdit,
  actor: Actor,
  now: Date,
): Promise<Result<{ id: number }>> {
  return operation(async (tx) => {
    const job = await requireJob(tx, jobSlug);
    if (!job.ok) return job;
    const parsed = await parseFields(
      tx,
      job.value,
      {
        ...input,
        tag: input.tag ?? '',
        type: input.type ?? '',
      },
      null,
    );
    if (!parsed.ok) return parsed;
    const { cable, A, B } = parsed.value;
    const id = await insertCable(tx, {
      jobId: job.value.id,
      tag: String(cable.tag),
      typeId: Number(cable.typeId),
      routeMm: (cable.routeMm as number | null | undefined) ?? null,
      note: String(cable.note ?? ''),
    });
    const log = new EditLog(tx);
    log.born('cable', id, 'retiredAt', now);
    for (const [end, fields] of [
      ['A', A],
      ['B', B],
    ] as const) {
      const entryId = (fields.entryId as number | null | undefined) ?? null;
      const termination = await insertTermination(tx, {
        cableId: id,
        end,
        entryId,
        tailMm: (fields.tailMm as number | null | undefined) ?? null,
        spareMm: Number(fields.spareMm ?? 0),
      });
      log.placed(termination, entryId);
    }
    await log.save(job.value, `cable ${String(cable.tag)} added`, actor, now);
    await refreshSummaries(tx, job.value, await terminationIdsOfCables(tx, [id]));
    return ok({ id });
  });
}

export interface Versions {
  readonly cable: number;
  readonly A: number;
  readonly B: number;
}

/** Two people met on one row: who else, and what is there now. */
export interface Conflict {
  readonly by: string | null;
  readonly row: ScheduleRow;
}

export type EditOutcome = { readonly saved: ScheduleRow } | { readonly conflict: Conflict };

/** Changes fields of one cable and its ends. When somebody was faster, nothing is written and their values come back. */
export function editCable(
  jobSlug: string,
  cableId: number,
  versions: Versions,
  input: ScheduleEdit,
  actor: Actor,
  now: Date,
): Promise<Result<EditOutcome>> {
  return operation<EditOutcome>(
    async (tx) => {
      const job = await requireJob(tx, jobSlug);
      if (!job.ok) return job;
      const log = new EditLog(tx);
      const written = await writeFields(tx, job.value, log, cableId, versions, input);
      if (!written.ok) return written;
      const row = written.value;
      await log.save(job.value, `${row.tag}: ${Object.keys(input).join(', ')}`, actor, now);
      await refreshSummaries(tx, job.value, [row.a.id, row.b.id]);
      const [saved] = await loadScheduleRows(tx, [cableId]);
      if (!saved) throw new Error('the row was there a moment ago');
      return ok({ saved });
    },
    (tx) => conflictAt(tx, jobSlug, cableId, versions),
  );
}

/** Writes fields of one cable and its ends into a change that is being made. Errors: not in the job, or a field that cannot be read. */
async function writeFields(
  tx: Tx,
  job: JobRow,
  log: EditLog,
  cableId: number,
  versions: Versions,
  input: ScheduleEdit,
): Promise<Result<ScheduleRow>> {
  const row = await findLivingRow(tx, job.id, cableId);
  if (!row) return refuse('', NOT_HERE);
  const parsed = await parseFields(tx, job, input, cableId);
  if (!parsed.ok) return parsed;
  const { cable, A, B } = parsed.value;
  for (const [table, id, fields, seen] of [
    ['cable', cableId, cable, versions.cable],
    ['termination', row.a.id, A, versions.A],
    ['termination', row.b.id, B, versions.B],
  ] as const)
    if (Object.keys(fields).length > 0) await log.write(table, id, fields, seen);
  return ok(row);
}

/** One row among several that are changed together. */
export interface RowEdit {
  readonly cable: number;
  readonly versions: Versions;
  readonly fields: ScheduleEdit;
}

export type ManyOutcome = { readonly saved: number } | { readonly conflict: Conflict };

/**
 * Changes several cables as one change, which one undo takes back: all of them or none. A field that cannot be read is refused with the tag of
 * its row; where somebody was faster at one of the rows, nothing is written and that row comes back.
 */
export function editCables(
  jobSlug: string,
  rows: readonly RowEdit[],
  actor: Actor,
  now: Date,
): Promise<Result<ManyOutcome>> {
  let late = 0;
  return operation<ManyOutcome>(
    async (tx) => {
      const job = await requireJob(tx, jobSlug);
      if (!job.ok) return job;
      const log = new EditLog(tx);
      const ends: number[] = [];
      for (const [i, { cable, versions, fields }] of rows.entries()) {
        late = i;
        const written = await writeFields(tx, job.value, log, cable, versions, fields);
        if (!written.ok) {
          const tag = (await findLivingRow(tx, job.value.id, cable))?.tag;
          return fail(written.problems.map((p) => ({ ...p, path: [tag, p.path].filter(Boolean).join(' ') })));
        }
        ends.push(written.value.a.id, written.value.b.id);
      }
      const names = [...new Set(rows.flatMap(({ fields }) => Object.keys(fields)))].join(', ');
      await log.save(job.value, `${rows.length} cables: ${names}`, actor, now);
      await refreshSummaries(tx, job.value, ends);
      return ok({ saved: rows.length });
    },
    async (tx) => {
      const row = rows[late];
      if (!row) throw new Error('there was a row a moment ago');
      return conflictAt(tx, jobSlug, row.cable, row.versions);
    },
  );
}

const NOT_HERE = 'this cable is not in the schedule of this job';

/** Who was faster, and what is there now. */
async function conflictAt(
  tx: Tx,
  jobSlug: string,
  cableId: number,
  versions: Versions,
): Promise<Result<{ readonly conflict: Conflict }>> {
  const job = await requireJob(tx, jobSlug);
  if (!job.ok) return job;
  const row = await findLivingRow(tx, job.value.id, cableId);
  if (!row) return refuse('', NOT_HERE);
  const late = (
    [
      ['cable', cableId, row.version, versions.cable],
      ['termination', row.a.id, row.a.version, versions.A],
      ['termination', row.b.id, row.b.version, versions.B],
    ] as const
  ).find(([, , is, seen]) => is !== seen);
  const by = late ? await lastEditorOf(tx, job.value.id, late[0], late[1]) : null;
  return ok({ conflict: { by, row } });
}

/** Takes a cable out of the schedule. Its record stays; its entries are free again. `seen`: the version of the cable that was read. */
export function retireCable(
  jobSlug: string,
  cableId: number,
  seen: number,
  actor: Actor,
  now: Date,
): Promise<Result<{ tag: string; events: number }>> {
  return operation(async (tx) => {
    const job = await requireJob(tx, jobSlug);
    if (!job.ok) return job;
    const row = await findLivingRow(tx, job.value.id, cableId);
    if (!row) return refuse('', NOT_HERE);
    const ends = await loadTerminations(tx, [row.a.id, row.b.id]);
    // The record of a joint is with one of its halves: what goes is told of it, whichever cable is taken out.
    const keepers = await Promise.all(ends.map((end) => keeperOf(tx, end)));
    const events = await loadEvents(
      tx,
      'termination',
      keepers.map((k) => k.id),
    );
    const log = new EditLog(tx);
    await log.write('cable', cableId, { retiredAt: now.toISOString() }, seen);
    for (const end of [row.a, row.b]) await log.write('termination', end.id, { entryId: null });
    await log.save(job.value, `cable ${row.tag} retired`, actor, now);
    return ok({ tag: row.tag, events: events.length });
  });
}
