import { validate, type Problem } from '@/core/kernel';
import { cableTypeSchema, type CableType } from '@/core/schedule';
import {
  BUILT,
  fieldOfHeading,
  headed,
  guessHeaderRow,
  readConstruction,
  typeCode,
  type Grid,
  type SheetField,
} from '@/core/spreadsheet';
import { placed, withoutGaps, type ReadRow } from './columns';
import { CONSTRUCTION, NOMINAL_COLUMNS, TYPE_COLUMN_WORDS, typeColumns } from './type-columns';

/** Cable types as rows of text, headings first: what is written, and reads back identical. */
export function typeTable(types: readonly CableType[]): string[][] {
  const columns = typeColumns();
  return [columns.map((c) => c.column), ...types.map((t) => columns.map((c) => c.write(t)))];
}

/** What the columns of a table of types hold. */
export interface TypeMapping {
  readonly headerRow: number;
  /** Name of our column for each of its; null for one that is left out. */
  readonly columns: readonly (string | null)[];
  /** Of bare diameters; null while nobody has said. */
  readonly unit: 'mm' | 'in' | null;
}

/** Headings of a cable list mean the same in a datasheet. */
const BY_FIELD: Readonly<Partial<Record<SheetField, string>>> = {
  cable: 'code',
  type: CONSTRUCTION,
  cores: 'cores',
  section: 'section_mm2',
  armour: 'armour',
  outer: 'outer',
  inner: 'inner',
  wire: 'wire',
  note: 'title',
};

const DIAMETER = /\b(dia|diam|diameter|durchmesser|diam[eè]tre|o\.?d)\b|ø/i;
const THICK = /thick|dicke|wandst|[eé]paisseur/i;

/** What headings of datasheets say besides: all of it, in whatever order. The more special goes first. */
const SAID: readonly (readonly [readonly RegExp[], string])[] = [
  [[/\b(part|article|order|item|artikel|art|ref)\b/i, /\b(no|nr|number|nummer|code)\b/i], 'code'],
  [[/^\s*(code|ref|reference)\s*$/i], 'code'],
  [[THICK, /bedding|inner|innen/i], 'inner_thickness_mm'],
  [[THICK, /sheath|jacket|mantel|gaine/i], 'outer_thickness_mm'],
  [[/wire|draht|\bfil\b/i, /armou?r|dia|size|ø|draht/i], 'wire'],
  [[/(over|outside|über|sur)\b/i, /armou?r|bewehrung|armure/i], 'over_armour'],
  [[/bedding|\bunder\b|\binner\b|innen/i, DIAMETER], 'inner'],
  [[/\bunder\b/i, /armou?r/i], 'inner'],
  [[/laid|assembled|bundle|verseilt/i, DIAMETER], 'laid_up_cores'],
  [[/\bcore\b|insulation|ader\b/i, DIAMETER], 'core'],
  [[/overall|outer|outside|cable|approx|außen|aussen|ext/i, DIAMETER], 'outer'],
  [[/^\s*(o\.?d\.?|ø)/i], 'outer'],
];

const unitIn = (heading: string): 'mm' | 'in' | null =>
  /\bmm\b/i.test(heading) ? 'mm' : /\b(in|inch|inches)\b|"/i.test(heading) ? 'in' : null;

function byHeading(heading: string): string | null {
  const name = headed(heading);
  if (TYPE_COLUMN_WORDS[name] !== undefined) return name;
  const said = SAID.find(([patterns]) => patterns.every((p) => p.test(heading)))?.[1];
  const field = fieldOfHeading(heading);
  return said ?? (field === null ? null : (BY_FIELD[field] ?? null));
}

/** Cores and section in one are a construction, whatever the heading says. */
const byContents = (column: string | null, cells: readonly string[]): string | null =>
  (column === 'cores' || column === 'section_mm2') &&
  cells.filter((c) => BUILT.test(c)).length * 2 > cells.length
    ? CONSTRUCTION
    : column;

/** What a pasted table probably holds, by its headings; our own are known. Everything can be set otherwise. */
export function guessTypes(grid: Grid): TypeMapping {
  const own = grid.findIndex((row) => {
    const names = row.map(headed);
    return names.includes('code') && names.includes('armour') && names.includes('cores');
  });
  const headerRow = own >= 0 ? own : guessHeaderRow(grid);
  const headings = grid[headerRow] ?? [];
  const used = new Set<string>();
  const columns = headings.map((heading, i) => {
    const cells = grid.slice(headerRow + 1).flatMap((row) => (row[i] ?? '').trim() || []);
    const found = byContents(byHeading(heading), cells);
    if (found === null || used.has(found)) return null;
    used.add(found);
    return found;
  });
  const units = new Set(
    columns.flatMap((c, i) =>
      c !== null && NOMINAL_COLUMNS.includes(c) ? (unitIn(headings[i] ?? '') ?? []) : [],
    ),
  );
  const unit = own >= 0 ? 'mm' : units.size === 1 ? ([...units][0] ?? null) : null;
  return { headerRow, columns, unit };
}

/** Nothing is filled and every sheath creeps until somebody has looked. */
const UNSAID = {
  jacketed: true,
  effectivelyFilled: false,
  coldFlow: true,
  screened: false,
} as const;

/** What keeps a mapping from being used. */
export function typeMappingProblems({ columns, unit }: TypeMapping): Problem[] {
  const used = columns.filter((c) => c !== null);
  const problems: Problem[] = [];
  if (!used.includes('code') && !used.includes(CONSTRUCTION))
    problems.push({ path: 'code', message: 'no column is the code of the type, or its construction' });
  if (unit === null && used.some((c) => NOMINAL_COLUMNS.includes(c)))
    problems.push({ path: 'unit', message: 'the unit of the diameters is not known: choose it' });
  for (const name of new Set(used))
    if (used.filter((c) => c === name).length > 1)
      problems.push({ path: name, message: `two columns are “${TYPE_COLUMN_WORDS[name] ?? name}”` });
  return problems;
}

/**
 * The types of a table. What a table does not say of a type that the job has stays as it is; a new one begins on the side that refuses (not
 * filled, creeping), with `rest` for what no column says. `current` is the job's types by code.
 */
export function readTypes(
  grid: Grid,
  mapping: TypeMapping,
  current: ReadonlyMap<string, CableType>,
  rest: Partial<CableType> = {},
): ReadRow<CableType>[] {
  const columns = typeColumns(mapping.unit ?? 'mm');
  const at = (name: string) => mapping.columns.indexOf(name);
  const seen = new Map<string, number>();
  return grid.slice(mapping.headerRow + 1).flatMap((cells, i) => {
    if (cells.every((c) => c.trim() === '')) return [];
    const line = mapping.headerRow + 2 + i;
    const built = at(CONSTRUCTION) < 0 ? '' : (cells[at(CONSTRUCTION)] ?? '').trim();
    const code = at('code') < 0 ? typeCode(built) : (cells[at('code')] ?? '').trim();
    const problems: Problem[] = [];
    const was = current.get(code);
    const facts: Record<string, unknown> = {
      ...(was ?? { ...UNSAID, ...rest, title: built === '' ? code : built.slice(0, 120), ...told(built) }),
      code,
    };
    for (const column of columns) {
      const cell = at(column.column);
      if (cell < 0 || column.column === 'code') continue;
      const problem = column.read(facts, cells[cell] ?? '');
      if (problem !== null) problems.push(problem);
    }
    // Armour lies on a bedding unless somebody says otherwise: then that layer is asked for.
    if (at('inner_sheath') < 0) facts.innerSheath ??= facts.armour !== undefined && facts.armour !== 'none';
    const first = seen.get(code);
    if (code !== '' && first !== undefined)
      problems.push({ path: 'code', message: `stands already in line ${first}`, value: code });
    seen.set(code, first ?? line);
    const read = validate(cableTypeSchema, withoutGaps(facts));
    if (!read.ok && problems.length === 0) problems.push(...placed(read.problems, columns, 'code'));
    return [{ line, key: code, facts: read.ok && problems.length === 0 ? read.value : null, problems }];
  });
}

const told = (built: string): Partial<CableType> => {
  if (built === '') return {};
  const { sectionMm2, ...said } = readConstruction(built);
  return withoutGaps(
    Object.fromEntries(
      Object.entries({ ...said, coreSectionMm2: sectionMm2 }).map(([k, v]) => [k, v ?? undefined]),
    ),
  );
};
