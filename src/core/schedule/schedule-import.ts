import { canonicalJson, type Problem } from '@/core/kernel';
import type { Quantity, Reading } from '@/core/cable-measurement';
import { parseLength, trimNumber, type LengthUnit } from '@/core/units';
import { parseReadingCell, writeReadingCell } from './reading-cell';
import { tagSchema, type End } from './tag';

/** Columns of a cable schedule file. Only `cable` and `type` must be there; a column that is not there is left as it is. */
export const SCHEDULE_COLUMNS = [
  'cable',
  'type',
  'route',
  'note',
  'unit',
  'outer',
  'inner',
  'wire',
  'over_armour',
  'cores',
  'core',
  'a_enclosure',
  'a_entry',
  'a_tail',
  'a_spare',
  'a_outer',
  'a_inner',
  'a_wire',
  'a_over_armour',
  'a_cores',
  'a_core',
  'b_enclosure',
  'b_entry',
  'b_tail',
  'b_spare',
  'b_outer',
  'b_inner',
  'b_wire',
  'b_over_armour',
  'b_cores',
  'b_core',
] as const;
export type ScheduleColumn = (typeof SCHEDULE_COLUMNS)[number];

export const READING_COLUMNS: readonly { column: ScheduleColumn; quantity: Quantity; end: End | null }[] = (
  [
    ['outer', 'outerSheath'],
    ['inner', 'innerSheath'],
    ['wire', 'armourWire'],
    ['over_armour', 'overArmour'],
    ['cores', 'laidUpCores'],
    ['core', 'core'],
  ] as const
).flatMap(([name, quantity]) => [
  { column: name, quantity, end: null },
  { column: `a_${name}` as const, quantity, end: 'A' as const },
  { column: `b_${name}` as const, quantity, end: 'B' as const },
]);

export interface ScheduleEndValues {
  readonly place: string | null;
  readonly tailMm: number | null;
  readonly spareMm: number;
}

/** One cable of a schedule with both ends. `place` is `enclosure/entry`. */
export interface ScheduleCable {
  readonly tag: string;
  readonly type: string;
  readonly routeMm: number | null;
  readonly note: string;
  readonly A: ScheduleEndValues;
  readonly B: ScheduleEndValues;
  readonly readings: readonly { readonly end: End | null; readonly reading: Reading }[];
}

export interface ImportContext {
  readonly types: ReadonlySet<string>;
  /** `enclosure/entry` of every hole, with the cable end that sits in it. */
  readonly entries: ReadonlyMap<string, string | null>;
  readonly enclosures: ReadonlySet<string>;
  readonly current: ReadonlyMap<string, ScheduleCable>;
  readonly tapeThicknessMm: number;
}

export interface CellChange {
  readonly column: string;
  readonly before: string;
  readonly after: string;
}

export interface ImportRow {
  /** Line in the file, the header being line 1. */
  readonly line: number;
  readonly tag: string;
  readonly status: 'new' | 'changed' | 'same' | 'refused';
  /** `path` is the column. */
  readonly problems: readonly Problem[];
  readonly changes: readonly CellChange[];
  readonly cable: ScheduleCable | null;
}

type Cells = Readonly<Record<string, string>>;

/** Tags are one tag whatever their case, as in the database. */
const fold = (tag: string): string => tag.normalize('NFC').toLowerCase();

/** Judges every row of a file against the job as it is. Nothing is written here; a refused row says why, cell by cell. */
export const previewImport = (
  rows: readonly Cells[],
  columns: ReadonlySet<string>,
  context: ImportContext,
): ImportRow[] => rows.map(rowJudge(rows, columns, context));

/** Judges the rows of a file one by one, in their order: what a row takes, a later one cannot have. `lineOf` says where a row stands in its file. */
export function rowJudge(
  rows: readonly Cells[],
  columns: ReadonlySet<string>,
  context: ImportContext,
  lineOf: (i: number) => number = (i) => i + 2,
): (cells: Cells, i: number) => ImportRow {
  const current = new Map([...context.current].map(([tag, cable]) => [fold(tag), cable]));
  const seenTags = new Map<string, number>();
  const taken = new Map<string, string>();
  for (const [place, by] of context.entries) if (by !== null) taken.set(place, by);
  // A cable that is in the file gives up its entries first, so that two rows may swap.
  for (const row of rows) {
    const was = current.get(fold((row.cable ?? '').trim()));
    if (!was) continue;
    for (const end of ['A', 'B'] as const) {
      const key = end === 'A' ? 'a_enclosure' : 'b_enclosure';
      if (columns.has(key) && was[end].place !== null) taken.delete(was[end].place);
    }
  }
  return (cells, i) => {
    const line = lineOf(i);
    const read = readRow(
      cells,
      columns,
      current.get(fold((cells.cable ?? '').trim())) ?? null,
      context,
      taken,
    );
    const problems = [...read.problems];
    const key = fold(read.cable.tag);
    const first = seenTags.get(key);
    if (first !== undefined)
      problems.push({ path: 'cable', message: `stands already in line ${first}`, value: read.cable.tag });
    else seenTags.set(key, line);
    if (problems.length > 0)
      return { line, tag: read.cable.tag, status: 'refused', problems, changes: [], cable: null };
    for (const end of ['A', 'B'] as const) {
      const { place } = read.cable[end];
      if (place !== null) taken.set(place, `${read.cable.tag}/${end}`);
    }
    const was = current.get(key) ?? null;
    const changes = changesOf(was, read.cable);
    const status = was === null ? 'new' : changes.length > 0 ? 'changed' : 'same';
    return { line, tag: read.cable.tag, status, problems: [], changes, cable: read.cable };
  };
}

function readRow(
  cells: Cells,
  columns: ReadonlySet<string>,
  was: ScheduleCable | null,
  context: ImportContext,
  taken: ReadonlyMap<string, string>,
) {
  const problems: Problem[] = [];
  const problem = (path: string, message: string, value?: string) =>
    problems.push(value === undefined ? { path, message } : { path, message, value });
  const cell = (column: string) => (cells[column] ?? '').trim();
  const tag = cell('cable');
  try {
    tagSchema.validateSync(tag);
  } catch (error) {
    problem('cable', (error as Error).message, tag);
  }
  const type = cell('type');
  if (!columns.has('type') && was === null) problem('type', 'a new cable needs its type');
  else if (columns.has('type') && !context.types.has(type))
    problem('type', type === '' ? 'a type is needed' : 'is not a cable type of this job', type);
  const unit = unitOf(cell('unit'), problem);
  const length = (column: string, assumed: 'mm' | 'm', maxMm: number): number | null => {
    const text = cell(column);
    if (text === '') return null;
    const read = parseLength(/^[\d.,\s]+$/.test(text) ? `${text} ${assumed}` : text);
    if (!read.ok) problem(column, read.problems[0]?.message ?? 'is not a length', text);
    else if (read.value.mm > maxMm) problem(column, `is longer than ${trimNumber(maxMm / 1000)} m`, text);
    else return read.value.mm;
    return null;
  };
  const end = (letter: 'a' | 'b', before: ScheduleEndValues | undefined): ScheduleEndValues => ({
    place: columns.has(`${letter}_enclosure`) ? placeOf(letter) : (before?.place ?? null),
    tailMm: columns.has(`${letter}_tail`) ? length(`${letter}_tail`, 'mm', 20_000) : (before?.tailMm ?? null),
    spareMm: columns.has(`${letter}_spare`)
      ? (length(`${letter}_spare`, 'mm', 20_000) ?? 0)
      : (before?.spareMm ?? 0),
  });
  const placeOf = (letter: 'a' | 'b'): string | null => {
    const [box, hole] = [cell(`${letter}_enclosure`), cell(`${letter}_entry`)];
    if (box === '' && hole === '') return null;
    if (!context.enclosures.has(box)) problem(`${letter}_enclosure`, 'is not an enclosure of this job', box);
    else if (!context.entries.has(`${box}/${hole}`))
      problem(`${letter}_entry`, `is not an entry of ${box}`, hole);
    else {
      const by = taken.get(`${box}/${hole}`);
      const own = `${tag}/${letter.toUpperCase()}`;
      if (by !== undefined && fold(by) !== fold(own))
        problem(`${letter}_entry`, `is taken by ${by}`, `${box}/${hole}`);
      return `${box}/${hole}`;
    }
    return null;
  };
  const A = end('a', was?.A);
  const B = end('b', was?.B);
  if (A.place !== null && A.place === B.place) problem('b_entry', 'both ends are in the same entry', A.place);
  const readings: { end: End | null; reading: Reading }[] = [];
  for (const { column, quantity, end: at } of READING_COLUMNS) {
    if (!columns.has(column)) {
      readings.push(...(was?.readings ?? []).filter((r) => r.end === at && r.reading.quantity === quantity));
      continue;
    }
    const parsed = parseReadingCell(cells[column] ?? '', quantity, unit, context.tapeThicknessMm);
    if (parsed.ok) readings.push(...parsed.value.map((reading) => ({ end: at, reading })));
    else problems.push(...parsed.problems.map((p) => ({ ...p, path: column })));
  }
  const note = columns.has('note') ? cell('note') : (was?.note ?? '');
  if (note.length > 200) problem('note', 'is longer than 200 characters');
  const routeMm = columns.has('route') ? length('route', 'm', 20_000_000) : (was?.routeMm ?? null);
  const cable: ScheduleCable = {
    tag: was?.tag ?? tag,
    type: columns.has('type') ? type : (was?.type ?? ''),
    routeMm,
    note,
    A,
    B,
    readings,
  };
  return { cable, problems };
}

function unitOf(
  text: string,
  problem: (path: string, message: string, value?: string) => void,
): LengthUnit | undefined {
  if (text === '') return undefined;
  const unit = text.toLowerCase();
  if (unit === 'mm' || unit === 'in') return unit;
  problem('unit', 'unknown unit; use mm or in', text);
  return undefined;
}

/** A cable as the cells of our own file: what export writes and what a preview compares. */
export function scheduleCells(cable: ScheduleCable): Record<ScheduleColumn, string> {
  const readings = (end: End | null, quantity: Quantity) =>
    writeReadingCell(
      cable.readings.filter((r) => r.end === end && r.reading.quantity === quantity).map((r) => r.reading),
    );
  const end = (letter: 'a' | 'b', values: ScheduleEndValues) => {
    const at = values.place?.lastIndexOf('/') ?? -1;
    return {
      [`${letter}_enclosure`]: values.place?.slice(0, at) ?? '',
      [`${letter}_entry`]: values.place?.slice(at + 1) ?? '',
      [`${letter}_tail`]: values.tailMm === null ? '' : `${trimNumber(values.tailMm, 3)} mm`,
      [`${letter}_spare`]: `${trimNumber(values.spareMm, 3)} mm`,
    };
  };
  const cells: Record<string, string> = {
    cable: cable.tag,
    type: cable.type,
    route: cable.routeMm === null ? '' : `${trimNumber(cable.routeMm / 1000, 6)} m`,
    note: cable.note,
    unit: '',
    ...end('a', cable.A),
    ...end('b', cable.B),
  };
  for (const { column, quantity, end: at } of READING_COLUMNS) cells[column] = readings(at, quantity);
  return cells;
}

function changesOf(was: ScheduleCable | null, is: ScheduleCable): CellChange[] {
  const after = scheduleCells(is);
  const before = was === null ? null : scheduleCells(was);
  return SCHEDULE_COLUMNS.filter((column) => (before?.[column] ?? '') !== after[column]).map((column) => ({
    column,
    before: before?.[column] ?? '',
    after: after[column],
  }));
}

/** Same readings in the same order, whatever object they sit in. */
export const sameReadings = (a: ScheduleCable['readings'], b: ScheduleCable['readings']): boolean =>
  canonicalJson(a) === canonicalJson(b);
