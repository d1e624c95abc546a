import {
  isSheetField,
  HEADING_WORDS,
  LENGTH_FIELDS,
  SHEET_FIELDS,
  type SheetField,
  type SheetUnit,
} from './fields';
import { headingHash, type ColumnUse, type Grid, type SheetMapping } from './mapping';

const LOOKED_AT = 40;
const FIELDS = Object.keys(SHEET_FIELDS).filter(isSheetField);

/** Small letters, no marks, no accents, single spaces. */
const plain = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()
    .replace(/[^a-z0-9øß²° ]+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();

const WORDS = FIELDS.flatMap((field) => HEADING_WORDS[field].map((w) => ({ field, words: plain(w) }))).filter(
  (w) => w.words !== '',
);

/** How well a heading is headed by a field: the share of it that the longest word of the field covers; all of it is best. */
function score(heading: string, words: string): number {
  if (heading === words) return 1000 + words.length;
  return ` ${heading} `.includes(` ${words} `) ? words.length : 0;
}

function fieldOf(heading: string): { readonly field: SheetField; readonly score: number } | null {
  // What stands in brackets is a unit or an example.
  const text = plain(heading.replace(/[([{].*?[)\]}]/g, ' '));
  if (text === '') return null;
  let best: { field: SheetField; score: number } | null = null;
  for (const { field, words } of WORDS) {
    const found = score(text, words);
    if (found > (best?.score ?? 0)) best = { field, score: found };
  }
  return best;
}

const UNIT_SIGNS: readonly (readonly [RegExp, SheetUnit])[] = [
  [/(^|[^a-z])mm($|[^a-z0-9²])/i, 'mm'],
  [/(^|[^a-z])cm($|[^a-z])/i, 'cm'],
  [/(^|[^a-z])(ft|feet|foot)($|[^a-z])/i, 'ft'],
  [/(^|[^a-z])(in|inch|inches|zoll|")($|[^a-z])/i, 'in'],
  [/(^|[^a-z])(m|mtr|mtrs|metres?|meters?)($|[^a-z²])/i, 'm'],
];

/** What a heading speaks of; null when it is none of ours. */
export const fieldOfHeading = (heading: string): SheetField | null => fieldOf(heading)?.field ?? null;

/** The unit that a heading names, or that the cells carry; null where none is said. */
function unitOf(heading: string, cells: readonly string[]): SheetUnit | null {
  const said = [heading, ...cells.filter((c) => /\d\s*[a-z"]/i.test(c)).slice(0, 5)];
  for (const text of said) for (const [sign, unit] of UNIT_SIGNS) if (sign.test(text)) return unit;
  return null;
}

/** The row of the headings: the one among the first rows in which most cells are words that head columns. */
export function guessHeaderRow(grid: Grid): number {
  let best = { row: 0, found: 0 };
  grid.slice(0, LOOKED_AT).forEach((cells, row) => {
    const found = new Set(cells.map((c) => fieldOf(c)?.field).filter((f) => f !== undefined)).size;
    if (found > best.found) best = { row, found };
  });
  return best.row;
}

const PLACE = /^[^\s/]+\s*\/\s*[^\s/]+$/;
const HOLE = /^(M ?\d{2,3}\b|\d.*NPT|NPT.*|Ø|hole )/i;
/** Cores and section in one, or the armour by its usual letters: `4x25mm2 SWA`. */
export const BUILT = /\d\s*([x×]|c\b|core|pr\b|G\d)\s*[\d.,]+|\b(SWA|AWA|SWB|STA|unarmou?red)\b/i;

const most = (cells: readonly string[], pattern: RegExp): boolean => {
  const filled = cells.filter((c) => c.trim() !== '');
  return filled.length > 0 && filled.filter((c) => pattern.test(c.trim())).length * 2 > filled.length;
};

/** What the contents of a column say against its heading, or instead of it. */
function byContents(field: SheetField | null, cells: readonly string[]): SheetField | null {
  if (field === 'section' && most(cells, HOLE)) return 'size';
  if (field === 'section' && most(cells, BUILT)) return 'type';
  if (field === 'type' && most(cells, /^\d{1,3}$/)) return 'cores';
  if (field === null && most(cells, BUILT)) return 'type';
  // “From” is box and entry in one where there is a stroke, else the box.
  if (field === 'a_place' && !most(cells, PLACE)) return 'a_enclosure';
  if (field === 'b_place' && !most(cells, PLACE)) return 'b_enclosure';
  if (field === 'place' && !most(cells, PLACE)) return 'enclosure';
  return field;
}

/** Fields of one row's end, as those of end A and of end B. */
const atEnd = (field: SheetField, end: 'a' | 'b'): SheetField => {
  const named = `${end}_${field}`;
  return isSheetField(named) ? named : field;
};

/** A tag that stands twice, or an empty one under it, most of the way down: a row for each end. */
function twoRows(tags: readonly string[], hasEnd: boolean): boolean {
  const filled = tags.filter((t) => t.trim() !== '');
  if (filled.length < 2) return false;
  const again = tags.slice(1).filter((t, i) => t.trim() === '' || t === tags[i]).length;
  return again * 2 >= tags.length - 1 || (hasEnd && new Set(filled).size * 2 <= filled.length + 1);
}

/** What the columns of a sheet probably hold, by their headings and by what stands in them. Everything can be set otherwise. */
export function guessMapping(grid: Grid, headerRow = guessHeaderRow(grid)): SheetMapping {
  const headings = grid[headerRow] ?? [];
  const rows = grid.slice(headerRow + 1).filter((r) => r.some((c) => c.trim() !== ''));
  const width = Math.max(headings.length, ...rows.slice(0, LOOKED_AT).map((r) => r.length), 0);
  const cellsOf = (i: number) => rows.slice(0, LOOKED_AT).map((r) => r[i] ?? '');
  const guessed = Array.from({ length: width }, (_, i) => {
    const found = fieldOf(headings[i] ?? '');
    return { field: byContents(found?.field ?? null, cellsOf(i)), score: found?.score ?? 0 };
  });
  const tagColumn = guessed.findIndex((g) => g.field === 'cable');
  const rowsPerCable = twoRows(
    tagColumn < 0 ? [] : cellsOf(tagColumn),
    guessed.some((g) => g.field === 'end'),
  )
    ? 2
    : 1;
  const used = new Set<SheetField>();
  // The first of two alike is end A and the second end B; of what can be there once, the better heading has it.
  const order = guessed.map((g, i) => ({ ...g, i })).sort((a, b) => b.score - a.score || a.i - b.i);
  const fields = new Map<number, SheetField>();
  if (rowsPerCable === 1)
    for (const field of FIELDS.filter((f) => SHEET_FIELDS[f].group === 'row' && f !== 'end')) {
      const alike = guessed.flatMap((g, i) => (g.field === field ? [i] : []));
      alike.slice(0, 2).forEach((i, n) => {
        const named = atEnd(field, n === 0 ? 'a' : 'b');
        if (used.has(named)) return;
        used.add(named);
        fields.set(i, named);
      });
    }
  for (const { field, i } of order) {
    if (field === null || fields.has(i) || used.has(field)) continue;
    if (rowsPerCable === 1 && SHEET_FIELDS[field].group === 'row') continue;
    if (rowsPerCable === 2 && (SHEET_FIELDS[field].group === 'A' || SHEET_FIELDS[field].group === 'B'))
      continue;
    used.add(field);
    fields.set(i, field);
  }
  const tags = tagColumn < 0 ? [] : cellsOf(tagColumn);
  /** Empty beside a tag, as under a merged cell; a tag itself only where a second row belongs to the first. */
  const fillsDown = (field: SheetField, cells: readonly string[]): boolean =>
    field === 'cable'
      ? rowsPerCable === 2 && hasGaps(cells)
      : hasGaps(cells.filter((_, i) => rowsPerCable === 2 || (tags[i] ?? '').trim() !== ''));
  const columns: ColumnUse[] = guessed.map((_, i) => {
    const field = fields.get(i) ?? null;
    const cells = cellsOf(i);
    return {
      field,
      unit: field !== null && LENGTH_FIELDS.has(field) ? unitOf(headings[i] ?? '', cells) : null,
      fillDown: field !== null && FILLS.has(field) && fillsDown(field, cells),
    };
  });
  return { headerRow, rowsPerCable, columns };
}

/** What is written once over several rows, in merged cells or in the first of them. */
const FILLS: ReadonlySet<SheetField> = new Set<SheetField>([
  'cable',
  'type',
  'cores',
  'section',
  'armour',
  'a_enclosure',
  'b_enclosure',
  'enclosure',
]);

const hasGaps = (cells: readonly string[]): boolean =>
  (cells[0] ?? '').trim() !== '' &&
  cells.some((c) => c.trim() === '') &&
  cells.filter((c) => c.trim() !== '').length >= 2;

export const headingsOf = (grid: Grid, headerRow: number): readonly string[] => grid[headerRow] ?? [];
export const hashOfHeadings = (grid: Grid, headerRow: number): string =>
  headingHash(headingsOf(grid, headerRow));
