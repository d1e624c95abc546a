import type { BoxWithEntries } from '@/core/job';
import { refuse, ok, validate, type Problem, type Result } from '@/core/kernel';
import { enclosureSchema, newEntrySchema, type Entry } from '@/core/schedule';
import { headed, type Grid } from '@/core/spreadsheet';
import { BOX_COLUMNS, ENTRY_COLUMNS } from './box-columns';
import { placed, withoutGaps, type FactColumn, type ReadRow } from './columns';

/**
 * Boxes as rows of text, headings first: a row for each entry, what the box is in the first of them. It reads back identical.
 */
export function boxTable(boxes: readonly BoxWithEntries[]): string[][] {
  const rows: string[][] = [[...BOX_COLUMNS, ...ENTRY_COLUMNS].map((c) => c.column)];
  for (const { area, box, entries } of boxes) {
    const facts = BOX_COLUMNS.map((c) => c.write({ ...box, area }));
    const again = BOX_COLUMNS.map((c) => (c.column === 'box' ? box.tag : ''));
    const holes = entries.map((e) => ENTRY_COLUMNS.map((c) => c.write(e)));
    if (holes.length === 0) rows.push([...facts, ...ENTRY_COLUMNS.map(() => '')]);
    holes.forEach((hole, i) => rows.push([...(i === 0 ? facts : again), ...hole]));
  }
  return rows;
}

/** Headings that are columns of ours, and those that are not. Refused when none says which box. */
function columnsIn(
  grid: Grid,
): Result<{ at: ReadonlyMap<string, number>; unknown: string[]; headerRow: number }> {
  const headerRow = grid.findIndex((row) => row.some((c) => headed(c) === 'box'));
  if (headerRow < 0)
    return refuse(
      'box',
      'no column is headed “box”. Save the table of boxes first: its headings are what is read',
    );
  const known = new Set([...BOX_COLUMNS, ...ENTRY_COLUMNS].map((c) => c.column));
  const at = new Map<string, number>();
  const unknown: string[] = [];
  (grid[headerRow] ?? []).forEach((heading, i) => {
    const name = headed(heading);
    if (known.has(name) && !at.has(name)) at.set(name, i);
    else if (name !== '') unknown.push(heading.trim());
  });
  return ok({ at, unknown, headerRow });
}

export interface BoxTable {
  readonly rows: readonly ReadRow<{ readonly box: string; readonly entry: Entry | null }>[];
  readonly boxes: readonly BoxWithEntries[];
  readonly unknownColumns: readonly string[];
}

/** Does a row say anything in these columns? */
const says = <T>(columns: readonly FactColumn<T>[], cell: (name: string) => string): boolean =>
  columns.some((c) => c.column !== 'box' && cell(c.column).trim() !== '');

/**
 * The boxes of a table. A box is what its first row says; the others give entries, and may say nothing else of the box. A column that is not there
 * leaves what the job has. A box with a row that cannot be read stays out as a whole. `current` is the job's boxes by tag.
 */
export function readBoxes(grid: Grid, current: ReadonlyMap<string, BoxWithEntries>): Result<BoxTable> {
  const head = columnsIn(grid);
  if (!head.ok) return head;
  const { at, unknown, headerRow } = head.value;
  const boxes = new Map<string, { box: BoxWithEntries | null; entries: Entry[]; whole: boolean }>();
  const rows: ReadRow<{ box: string; entry: Entry | null }>[] = [];
  grid.slice(headerRow + 1).forEach((cells, i) => {
    if (cells.every((c) => c.trim() === '')) return;
    const cell = (name: string): string => cells[at.get(name) ?? -1] ?? '';
    const tag = cell('box').trim();
    const was = current.get(tag);
    const problems: Problem[] = [];
    let known = boxes.get(tag);
    if (known === undefined) {
      const read = readBox(tag, was, at, cell);
      problems.push(...read.problems);
      known = { box: read.facts, entries: [], whole: true };
      boxes.set(tag, known);
    } else if (says(BOX_COLUMNS, cell))
      problems.push({ path: 'box', message: 'what the box is stands in its first row already', value: tag });
    const hole = says(ENTRY_COLUMNS, cell) ? readEntry(was?.entries ?? [], at, cell) : null;
    problems.push(...(hole?.problems ?? []));
    const entry = hole?.facts ?? null;
    if (entry !== null && known.entries.some((e) => e.label === entry.label))
      problems.push({ path: 'entry', message: 'stands there twice', value: entry.label });
    else if (entry !== null) known.entries.push(entry);
    if (problems.length > 0) known.whole = false;
    const label = entry?.label ?? cell('entry').trim();
    rows.push({
      line: headerRow + 2 + i,
      key: label === '' ? tag : `${tag}/${label}`,
      facts: problems.length === 0 ? { box: tag, entry } : null,
      problems,
    });
  });
  return ok({
    rows,
    boxes: [...boxes.values()].flatMap(({ box, entries, whole }) =>
      whole && box ? [{ ...box, entries }] : [],
    ),
    unknownColumns: unknown,
  });
}

type Cell = (name: string) => string;

function fill<T>(
  columns: readonly FactColumn<T>[],
  facts: Record<string, unknown>,
  at: ReadonlyMap<string, number>,
  cell: Cell,
): Problem[] {
  return columns.flatMap((c) => (at.has(c.column) ? (c.read(facts, cell(c.column)) ?? []) : []));
}

function readBox(tag: string, was: BoxWithEntries | undefined, at: ReadonlyMap<string, number>, cell: Cell) {
  const facts: Record<string, unknown> = was === undefined ? { area: '' } : { ...was.box, area: was.area };
  const problems = fill(BOX_COLUMNS, facts, at, cell);
  const { area, ...box } = withoutGaps({ ...facts, tag });
  const read = validate(enclosureSchema, box);
  if (!read.ok && problems.length === 0) problems.push(...placed(read.problems, BOX_COLUMNS, 'box'));
  const where = typeof area === 'string' ? area : '';
  if (where.length > 80) problems.push({ path: 'area', message: 'has at most 80 characters', value: where });
  const whole = read.ok && problems.length === 0;
  return { facts: whole ? { area: where, box: read.value, entries: [] } : null, problems };
}

function readEntry(there: readonly Entry[], at: ReadonlyMap<string, number>, cell: Cell) {
  const was = there.find((e) => e.label === cell('entry').trim());
  const facts: Record<string, unknown> = was === undefined ? {} : { ...was };
  const problems = fill(ENTRY_COLUMNS, facts, at, cell);
  // What is there already may be labelled as it was.
  const read = validate(newEntrySchema, withoutGaps(facts));
  if (!read.ok && problems.length === 0) problems.push(...placed(read.problems, ENTRY_COLUMNS, 'hole'));
  return { facts: read.ok && problems.length === 0 ? read.value : null, problems };
}
