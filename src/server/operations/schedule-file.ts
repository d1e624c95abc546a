import { group } from 'd3';
import { hashOf, ok, refuse, type Result } from '@/core/kernel';
import {
  rowJudge,
  sameReadings,
  scheduleCells,
  SCHEDULE_COLUMNS,
  type ImportContext,
  type ImportRow,
  type ScheduleCable,
} from '@/core/schedule';
import {
  database,
  insertCable,
  insertReading,
  insertTermination,
  listCableTypes,
  listEntries,
  loadReadings,
  loadSchedule,
  type JobRow,
  type ScheduleEnd,
  type ScheduleRow,
  type StoredReading,
  type Tx,
} from '@/data';
import { readCsv } from '@/formats/csv/read';
import { writeCsv } from '@/formats/csv/write';
import type { Actor } from '../actor';
import { guarded } from '../guard';
import { inBatches } from '../heavy';
import { operation } from '../transaction';
import { EditLog } from './edits';
import { refreshSummaries, requireJob } from './load';

export interface ImportPreview {
  readonly columns: readonly string[];
  readonly unknownColumns: readonly string[];
  readonly rows: readonly ImportRow[];
  readonly delimiter: string;
  /** Stands for what was shown; accepting is refused when the job has changed since. */
  readonly hash: string;
  /** The refused lines as they were, with the reasons, ready to be saved. */
  readonly refusedCsv: string;
}

const endValues = (end: ScheduleEnd): ScheduleCable['A'] => ({
  place: end.enclosure === null || end.entry === null ? null : `${end.enclosure}/${end.entry}`,
  tailMm: end.tailMm,
  spareMm: end.spareMm,
});

function scheduleCable(row: ScheduleRow, readings: readonly StoredReading[]): ScheduleCable {
  return {
    tag: row.tag,
    type: row.type,
    routeMm: row.routeMm,
    note: row.note,
    A: endValues(row.a),
    B: endValues(row.b),
    readings: readings.map(({ end, reading }) => ({ end, reading })),
  };
}

const BATCH = 100;

interface JobSchedule {
  readonly rows: readonly ScheduleRow[];
  readonly cables: ReadonlyMap<string, ScheduleCable>;
  readonly readings: ReadonlyMap<number, StoredReading[]>;
}

async function loadJobSchedule(tx: Tx, job: JobRow): Promise<JobSchedule> {
  const rows = await loadSchedule(tx, job.id);
  const readings = group(
    await loadReadings(
      tx,
      rows.map((r) => r.id),
    ),
    (r) => r.cableId,
  );
  return {
    rows,
    readings,
    cables: new Map(rows.map((r) => [r.tag, scheduleCable(r, readings.get(r.id) ?? [])])),
  };
}

async function contextOf(tx: Tx, job: JobRow, schedule: JobSchedule): Promise<ImportContext> {
  const entries = await listEntries(tx, job.id);
  const taken = new Map<string, string>();
  for (const cable of schedule.cables.values()) {
    for (const end of ['A', 'B'] as const) {
      const { place } = cable[end];
      if (place !== null) taken.set(place, `${cable.tag}/${end}`);
    }
  }
  return {
    types: new Set((await listCableTypes(tx, job.id)).map((t) => t.code)),
    entries: new Map(
      entries.map((e) => [`${e.enclosure}/${e.label}`, taken.get(`${e.enclosure}/${e.label}`) ?? null]),
    ),
    enclosures: new Set(entries.map((e) => e.enclosure)),
    current: schedule.cables,
    tapeThicknessMm: job.profile.measurement.tapeThicknessMm,
  };
}

async function preview(
  tx: Tx,
  job: JobRow,
  bytes: Uint8Array,
): Promise<Result<{ preview: ImportPreview; schedule: JobSchedule }>> {
  const table = readCsv(bytes);
  if (!table.ok) return table;
  const { columns, rows, delimiter } = table.value;
  if (!columns.includes('cable'))
    return refuse('file', `has no column “cable”; it has: ${columns.slice(0, 12).join(', ')}`);
  const schedule = await loadJobSchedule(tx, job);
  const judge = rowJudge(rows, new Set(columns), await contextOf(tx, job, schedule));
  const judged: ImportRow[] = [];
  for await (const batch of inBatches(rows, BATCH))
    for (const row of batch) judged.push(judge(row, judged.length));
  const refused = judged.filter((r) => r.status === 'refused');
  const refusedCsv = writeCsv(
    [...columns, 'line', 'reason'],
    refused.map((r) => ({
      ...rows[r.line - 2],
      line: String(r.line),
      reason: r.problems.map((p) => `${p.path}: ${p.message}`).join('; '),
    })),
  );
  return ok({
    schedule,
    preview: {
      columns,
      unknownColumns: columns.filter(
        (c) => !SCHEDULE_COLUMNS.some((k) => k === c) && c !== 'line' && c !== 'reason',
      ),
      rows: judged,
      delimiter,
      hash: hashOf(judged.map((r) => [r.line, r.status, r.changes])),
      refusedCsv,
    },
  });
}

/** Judges a file against the job without writing anything. */
export function previewSchedule(jobSlug: string, bytes: Uint8Array): Promise<Result<ImportPreview>> {
  return guarded<ImportPreview>(async () => {
    const job = await requireJob(database(), jobSlug);
    if (!job.ok) return job;
    const made = await preview(database(), job.value, bytes);
    return made.ok ? ok(made.value.preview) : made;
  });
}

export interface ImportOutcome {
  readonly added: number;
  readonly changed: number;
  readonly refused: number;
}

/** Takes in the good rows of a file as one undoable edit. `hash` is that of the preview that was accepted. */
export function importSchedule(
  jobSlug: string,
  bytes: Uint8Array,
  hash: string,
  actor: Actor,
  now: Date,
): Promise<Result<ImportOutcome>> {
  return operation<ImportOutcome>(async (tx) => {
    const job = await requireJob(tx, jobSlug);
    if (!job.ok) return job;
    const made = await preview(tx, job.value, bytes);
    if (!made.ok) return made;
    const { preview: seen, schedule } = made.value;
    if (seen.hash !== hash)
      return refuse('file', 'the job has changed since this preview: look at it again before accepting');
    const good = seen.rows.filter((r) => r.cable !== null && (r.status === 'new' || r.status === 'changed'));
    const log = new EditLog(tx);
    const touched = await writeCables(tx, job.value, schedule, good, log, now);
    await log.save(job.value, `import of ${good.length} cables`, actor, now);
    await refreshSummaries(tx, job.value, touched);
    return ok({
      added: good.filter((r) => r.status === 'new').length,
      changed: good.filter((r) => r.status === 'changed').length,
      refused: seen.rows.filter((r) => r.status === 'refused').length,
    });
  });
}

async function writeCables(
  tx: Tx,
  job: JobRow,
  schedule: JobSchedule,
  rows: readonly ImportRow[],
  log: EditLog,
  now: Date,
): Promise<number[]> {
  const types = new Map((await listCableTypes(tx, job.id)).map((t) => [t.code, t.id]));
  const entries = new Map((await listEntries(tx, job.id)).map((e) => [`${e.enclosure}/${e.label}`, e.id]));
  const known = new Map(schedule.rows.map((r) => [r.tag, r]));
  const touched: number[] = [];
  // Entries are given up before they are taken again, so that two cables may swap.
  for (const { cable } of rows) {
    const was = cable === null ? undefined : known.get(cable.tag);
    if (!cable || !was) continue;
    for (const end of ['A', 'B'] as const) {
      const before = endValues(end === 'A' ? was.a : was.b).place;
      if (before !== null && before !== cable[end].place)
        await log.write('termination', end === 'A' ? was.a.id : was.b.id, { entryId: null });
    }
  }
  for (const { cable } of rows) {
    if (!cable) continue;
    const typeId = types.get(cable.type);
    if (typeId === undefined) throw new Error('the preview has checked the type');
    const entryOf = (end: 'A' | 'B') => {
      const { place } = cable[end];
      return place === null ? null : (entries.get(place) ?? null);
    };
    const was = known.get(cable.tag);
    if (was) {
      await log.write('cable', was.id, { typeId, routeMm: cable.routeMm, note: cable.note });
      for (const end of ['A', 'B'] as const) {
        const id = end === 'A' ? was.a.id : was.b.id;
        await log.write('termination', id, {
          entryId: entryOf(end),
          tailMm: cable[end].tailMm,
          spareMm: cable[end].spareMm,
        });
        touched.push(id);
      }
      await replaceReadings(tx, was.id, schedule.readings.get(was.id) ?? [], cable, log, now);
    } else {
      const id = await insertCable(tx, {
        jobId: job.id,
        tag: cable.tag,
        typeId,
        routeMm: cable.routeMm,
        note: cable.note,
      });
      log.born('cable', id, 'retiredAt', now);
      for (const end of ['A', 'B'] as const) {
        const entryId = entryOf(end);
        const termination = await insertTermination(tx, {
          cableId: id,
          end,
          entryId,
          tailMm: cable[end].tailMm,
          spareMm: cable[end].spareMm,
        });
        log.placed(termination, entryId);
        touched.push(termination);
      }
      for (const { end, reading } of cable.readings) await insertReading(tx, id, end, reading, null);
    }
  }
  return touched;
}

async function replaceReadings(
  tx: Tx,
  cableId: number,
  before: readonly StoredReading[],
  cable: ScheduleCable,
  log: EditLog,
  now: Date,
): Promise<void> {
  const key = (r: ScheduleCable['readings'][number]) => `${r.end ?? ''} ${r.reading.quantity}`;
  const was = group(before, key);
  const is = group(cable.readings, key);
  for (const k of new Set([...was.keys(), ...is.keys()])) {
    const [old, fresh] = [was.get(k) ?? [], is.get(k) ?? []];
    if (
      sameReadings(
        old.map(({ end, reading }) => ({ end, reading })),
        fresh,
      )
    )
      continue;
    for (const { id } of old) await log.write('reading', id, { withdrawnAt: now.toISOString() });
    for (const { end, reading } of fresh)
      log.born('reading', await insertReading(tx, cableId, end, reading, null), 'withdrawnAt', now);
  }
}

/** The whole schedule as a file that reads back without loss. */
export function exportSchedule(jobSlug: string): Promise<Result<string>> {
  return guarded<string>(async () => {
    const job = await requireJob(database(), jobSlug);
    if (!job.ok) return job;
    const schedule = await loadJobSchedule(database(), job.value);
    return ok(writeCsv(SCHEDULE_COLUMNS, [...schedule.cables.values()].map(scheduleCells)));
  });
}
