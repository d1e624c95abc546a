import { group } from 'd3';
import { array, boolean, number, object, string, type InferType } from 'yup';
import { hashOf, ok, refuse, validate, type Result } from '@/core/kernel';
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
  insertCable,
  insertReading,
  insertTermination,
  listCableTypes,
  findMapping,
  keepMapping,
  listEntries,
  loadEvents,
  type JobRow,
  type StoredReading,
  type Tx,
} from '@/data';
import { sheetMappingSchema, type SheetMapping } from '@/core/spreadsheet';
import { readCsvGrid } from '@/formats/csv/read';
import { writeXlsx } from '@/formats/xlsx/write';
import { writeCsv } from '@/formats/csv/write';
import type { Actor } from '../actor';
import { guarded } from '../guard';
import { inBatches } from '../heavy';
import { EditLog } from './edits';
import { doIn, lookIn } from './in-job';
import { makeSetup, setupSchema, type Making, type Setup } from './make-setup';
import { endValues, loadJobSchedule, type JobSchedule } from './job-schedule';
import { refreshSummaries } from './load';

export interface ImportPreview {
  readonly columns: readonly string[];
  readonly unknownColumns: readonly string[];
  readonly rows: readonly ImportRow[];
  /** Stands for what was shown; accepting is refused when the job has changed since. */
  readonly hash: string;
  /** The refused lines as they were, with the reasons, ready to be saved. */
  readonly refusedCsv: string;
  /** Cables of the job that the file does not name; they stay, unless somebody says otherwise. */
  readonly gone: readonly GoneCable[];
}

export interface GoneCable {
  readonly tag: string;
  /** Work is recorded at an end of it: it is never taken out with a list. */
  readonly begun: boolean;
}

const BATCH = 100;

/** The job as rows are judged against it, with what would be made on the way. */
async function contextOf(tx: Tx, job: JobRow, schedule: JobSchedule, made: Setup): Promise<ImportContext> {
  const entries = await listEntries(tx, job.id);
  const taken = new Map<string, string>();
  for (const cable of schedule.cables.values()) {
    for (const end of ['A', 'B'] as const) {
      const { place } = cable[end];
      if (place !== null) taken.set(place, `${cable.tag}/${end}`);
    }
  }
  const places = [
    ...entries.map((e) => `${e.enclosure}/${e.label}`),
    ...made.boxes.flatMap((b) => b.entries.map((e) => `${b.box.tag}/${e.label}`)),
  ];
  return {
    types: new Set([
      ...(await listCableTypes(tx, job.id)).map((t) => t.code),
      ...made.types.map((t) => t.code),
    ]),
    entries: new Map(places.map((place) => [place, taken.get(place) ?? null])),
    enclosures: new Set([...entries.map((e) => e.enclosure), ...made.boxes.map((b) => b.box.tag)]),
    current: schedule.cables,
    tapeThicknessMm: job.profile.measurement.tapeThicknessMm,
  };
}

/** Rows in our own columns, from our own file or from somebody's sheet. */
interface Table {
  readonly columns: readonly string[];
  readonly rows: readonly Readonly<Record<string, string>>[];
  readonly lineOf: (i: number) => number;
}

async function preview(
  tx: Tx,
  job: JobRow,
  { columns, rows, lineOf }: Table,
  made: Setup,
): Promise<Result<{ preview: ImportPreview; schedule: JobSchedule }>> {
  if (!columns.includes('cable'))
    return refuse('file', `has no column “cable”; it has: ${columns.slice(0, 12).join(', ')}`);
  const schedule = await loadJobSchedule(tx, job);
  const judge = rowJudge(rows, new Set(columns), await contextOf(tx, job, schedule, made), lineOf);
  const judged: ImportRow[] = [];
  for await (const batch of inBatches(rows, BATCH))
    for (const row of batch) judged.push(judge(row, judged.length));
  const refusedCsv = writeCsv(
    [...columns, 'line', 'reason'],
    judged.flatMap((r, i) =>
      r.status === 'refused'
        ? [
            {
              ...rows[i],
              line: String(r.line),
              reason: r.problems.map((p) => `${p.path}: ${p.message}`).join('; '),
            },
          ]
        : [],
    ),
  );
  return ok({
    schedule,
    preview: {
      columns,
      unknownColumns: columns.filter(
        (c) => !SCHEDULE_COLUMNS.some((k) => k === c) && c !== 'line' && c !== 'reason',
      ),
      rows: judged,
      hash: hashOf([judged.map((r) => [r.line, r.status, r.changes]), made]),
      refusedCsv,
      gone: await goneFrom(tx, schedule, judged),
    },
  });
}

/** Cables of the job that a list does not name any more, and whether work at them has begun. */
async function goneFrom(
  tx: Tx,
  schedule: JobSchedule,
  judged: readonly ImportRow[],
): Promise<readonly GoneCable[]> {
  const named = new Set(judged.map((r) => r.tag.toLowerCase()));
  const gone = schedule.rows.filter((r) => !named.has(r.tag.toLowerCase()));
  const begun = new Set(
    (
      await loadEvents(
        tx,
        'termination',
        gone.flatMap((r) => [r.a.id, r.b.id]),
      )
    ).map((e) => e.subjectId),
  );
  return gone.map((r) => ({ tag: r.tag, begun: begun.has(r.a.id) || begun.has(r.b.id) }));
}

const sheetSchema = object({
  columns: array().of(string().max(40).required()).max(40).required(),
  rows: array()
    .of(array().of(string().max(4000).defined()).max(40).required())
    .max(20_000)
    .required(),
  lines: array().of(number().integer().min(1).required()).max(20_000).required(),
  setup: setupSchema,
  /** Cables that the list does not name any more are taken out, where no work at them has begun. */
  takeOutGone: boolean().required(),
  /** Kept for the next list with these headings. */
  mapping: sheetMappingSchema.nullable().optional().default(undefined),
  headings: string().length(64).nullable().optional(),
})
  .noUnknown()
  .required();
type SheetInput = InferType<typeof sheetSchema>;

function sheetTable({ columns, rows, lines }: SheetInput): Result<Table> {
  if (lines.length !== rows.length) return refuse('lines', 'there is one for each row');
  return ok({
    columns,
    rows: rows.map((row) => Object.fromEntries(columns.map((c, i) => [c, row[i] ?? '']))),
    lineOf: (i) => lines[i] ?? 0,
  });
}

/** Judges somebody's sheet, in our own columns, with the types and boxes that would be made on the way. */
export function previewSheet(jobSlug: string, given: unknown): Promise<Result<ImportPreview>> {
  return lookIn<ImportPreview>(jobSlug, async ({ tx, job }) => {
    const read = validate(sheetSchema, given, true);
    if (!read.ok) return read;
    const table = sheetTable(read.value);
    if (!table.ok) return table;
    const made = await preview(tx, job, table.value, read.value.setup);
    return made.ok ? ok(made.value.preview) : made;
  });
}

/** Takes in the good rows of a sheet with the types and boxes that they speak of, as one undoable edit. */
export function importSheet(
  jobSlug: string,
  given: unknown,
  hash: string,
  actor: Actor,
  now: Date,
): Promise<Result<ImportOutcome>> {
  return doIn<ImportOutcome>(jobSlug, async ({ tx, job }) => {
    const read = validate(sheetSchema, given, true);
    if (!read.ok) return read;
    const table = sheetTable(read.value);
    if (!table.ok) return table;
    const { setup, takeOutGone, mapping = null, headings = null } = read.value;
    const log = new EditLog(tx);
    const made = await preview(tx, job, table.value, setup);
    if (!made.ok) return made;
    if (made.value.preview.hash !== hash) return CHANGED;
    await makeSetup({ tx, job, log, now }, setup);
    if (takeOutGone)
      for (const { tag } of made.value.preview.gone.filter((g) => !g.begun)) {
        const row = made.value.schedule.rows.find((r) => r.tag === tag);
        if (!row) continue;
        for (const end of [row.a, row.b]) await log.write('termination', end.id, { entryId: null });
        await log.write('cable', row.id, { retiredAt: now.toISOString() });
      }
    if (mapping !== null && headings !== null) await keepMapping(tx, job.id, headings, mapping);
    return takeIn({ tx, job, log, actor, now }, made.value);
  });
}

/** How a list with these headings was mapped the last time; null when none was. */
export function viewMapping(jobSlug: string, headings: string): Promise<Result<SheetMapping | null>> {
  return lookIn<SheetMapping | null>(jobSlug, async ({ tx, job }) =>
    ok(await findMapping(tx, job.id, headings)),
  );
}

export interface ImportOutcome {
  readonly added: number;
  readonly changed: number;
  readonly refused: number;
}

const CHANGED = refuse('file', 'the job has changed since this preview: look at it again before accepting');

interface Taking extends Making {
  readonly actor: Actor;
}

async function takeIn(
  { tx, job, log, actor, now }: Taking,
  { preview: seen, schedule }: { readonly preview: ImportPreview; readonly schedule: JobSchedule },
): Promise<Result<ImportOutcome>> {
  const good = seen.rows.filter((r) => r.cable !== null && (r.status === 'new' || r.status === 'changed'));
  const touched = await writeCables(tx, job, schedule, good, log, now);
  await log.save(job, `import of ${good.length} cables`, actor, now);
  await refreshSummaries(tx, job, touched);
  return ok({
    added: good.filter((r) => r.status === 'new').length,
    changed: good.filter((r) => r.status === 'changed').length,
    refused: seen.rows.filter((r) => r.status === 'refused').length,
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
      for (const { end, reading } of cable.readings) await insertReading(tx, id, end, reading, null, null);
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
      log.born('reading', await insertReading(tx, cableId, end, reading, null, null), 'withdrawnAt', now);
  }
}

/** The same as a workbook. */
export function exportScheduleBook(jobSlug: string): Promise<Result<Uint8Array>> {
  return guarded<Uint8Array>(async () => {
    const text = await exportSchedule(jobSlug);
    if (!text.ok) return text;
    const grid = readCsvGrid(new TextEncoder().encode(text.value));
    if (!grid.ok) return grid;
    return ok(
      await writeXlsx(
        'Schedule',
        grid.value.filter((row) => row.some((c) => c !== '')),
      ),
    );
  });
}

/** The whole schedule as a file that reads back without loss. */
export function exportSchedule(jobSlug: string): Promise<Result<string>> {
  return lookIn<string>(jobSlug, async ({ tx, job }) => {
    const schedule = await loadJobSchedule(tx, job);
    return ok(writeCsv(SCHEDULE_COLUMNS, [...schedule.cables.values()].map(scheduleCells)));
  });
}
