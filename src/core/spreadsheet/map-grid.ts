import { readHole, type Hole } from '@/core/boxes';
import { trimNumber } from '@/core/units';
import { readConstruction, typeCode, type Construction } from './construction';
import { SHEET_FIELDS, type SheetField, type SheetUnit } from './fields';
import type { Grid, SheetMapping } from './mapping';
import { decimalOf, parseNumber } from './number';

/** A cable list in our own columns, whatever its first shape, and what it speaks of besides. */
export interface MappedTable {
  /** Columns of the schedule that it fills. */
  readonly columns: readonly string[];
  readonly rows: readonly (readonly string[])[];
  /** Where each row stands in the sheet, from 1. */
  readonly lines: readonly number[];
  /** Cable types that it names, with what their text tells. */
  readonly types: readonly { readonly code: string; readonly text: string; readonly told: Construction }[];
  /** Entries that it names, with the hole that it says they are; null where it says none. */
  readonly places: readonly {
    readonly box: string;
    readonly entry: string;
    readonly hole: Hole | null;
    /** Why what stands there is no hole. */
    readonly unread: string | null;
  }[];
  /** Ends of which a box is named and no entry. */
  readonly unplaced: number;
}

const COLUMNS = [
  'cable',
  'type',
  'route',
  'note',
  'outer',
  'inner',
  'wire',
  'a_enclosure',
  'a_entry',
  'a_tail',
  'b_enclosure',
  'b_entry',
  'b_tail',
] as const;
type Column = (typeof COLUMNS)[number];

const MM: Readonly<Record<SheetUnit, number>> = { mm: 1, cm: 10, m: 1000, in: 25.4, ft: 304.8 };

type Cells = Partial<Record<SheetField, string>>;

/** Rows of the sheet as cells by field, with what is left empty filled in from above where that is said. */
function cellsOf(grid: Grid, { headerRow, columns }: SheetMapping) {
  const above: Cells = {};
  const rows: { cells: Cells; line: number }[] = [];
  grid.slice(headerRow + 1).forEach((row, i) => {
    if (row.every((c) => c.trim() === '')) return;
    const cells: Cells = {};
    columns.forEach(({ field, fillDown }, at) => {
      if (field === null) return;
      const name = field;
      const text = (row[at] ?? '').trim();
      if (text !== '') above[name] = text;
      cells[name] = text === '' && fillDown ? (above[name] ?? '') : text;
    });
    // A heading that is printed again on every page, or a line of totals, names no cable.
    if (row.join('\u0000').trim() === (grid[headerRow] ?? []).join('\u0000').trim()) return;
    rows.push({ cells, line: headerRow + 2 + i });
  });
  return rows;
}

const SIDES: Readonly<Record<string, 'a' | 'b'>> = {
  a: 'a',
  from: 'a',
  von: 'a',
  '1': 'a',
  b: 'b',
  to: 'b',
  nach: 'b',
  '2': 'b',
};

/** Two rows as one: the first is end A, the second end B, unless a column says which is which. */
function joinEnds(rows: readonly { cells: Cells; line: number }[]) {
  const joined: { cells: Cells; line: number }[] = [];
  const at = new Map<string, { cells: Cells; line: number; ends: number }>();
  for (const { cells, line } of rows) {
    const tag = cells.cable ?? '';
    const known = at.get(tag);
    const side = SIDES[(cells.end ?? '').toLowerCase().trim()] ?? (known === undefined ? 'a' : 'b');
    const ends = Object.fromEntries(
      (['place', 'enclosure', 'entry', 'size', 'tail'] as const).map((f) => [`${side}_${f}`, cells[f] ?? '']),
    ) as Cells;
    if (known === undefined || known.ends >= 2) {
      const made = { cells: { ...cells, ...ends }, line, ends: 1 };
      at.set(tag, made);
      joined.push(made);
    } else {
      known.ends += 1;
      for (const [field, text] of Object.entries(cells))
        if (!known.cells[field as SheetField]) known.cells[field as SheetField] = text;
      Object.assign(known.cells, ends);
    }
  }
  return joined;
}

/** `MCC-1/P3` in two; the last stroke parts them. */
function placeIn(text: string): readonly [string, string] {
  const at = text.lastIndexOf('/');
  return at < 0 ? [text.trim(), ''] : [text.slice(0, at).trim(), text.slice(at + 1).trim()];
}

/** Turns a sheet into our own columns by a mapping. Nothing is judged here but what has to be read for it. */
export function mapGrid(grid: Grid, mapping: SheetMapping): MappedTable {
  const rows = cellsOf(grid, mapping);
  const joined = mapping.rowsPerCable === 2 ? joinEnds(rows) : rows;
  const used = new Map(mapping.columns.flatMap((c) => (c.field === null ? [] : [[c.field, c] as const])));
  const decimals = new Map(
    [...used.keys()].map((field) => [field, decimalOf(rows.map((r) => r.cells[field] ?? ''))] as const),
  );
  const length = (cells: Cells, field: SheetField, source: SheetField = field): string => {
    const text = cells[field] ?? '';
    const unit = used.get(source)?.unit ?? null;
    const value = parseNumber(text, decimals.get(source));
    // What carries its own unit, or is no number, is read and judged with the rest.
    if (value === null || unit === null) return text;
    return `${trimNumber(value * MM[unit], 4)} mm`;
  };
  const ofRow = mapping.rowsPerCable === 2;
  const types = new Map<string, { code: string; text: string; told: Construction }>();
  const places = new Map<string, MappedTable['places'][number]>();
  let unplaced = 0;
  const filled = new Set<Column>(['cable', 'type']);
  const table = joined.map(({ cells }) => {
    const text = constructionText(cells);
    const code = typeCode(text);
    if (code !== '' && !types.has(code)) types.set(code, { code, text, told: readConstruction(text) });
    const out: Partial<Record<Column, string>> = {
      cable: cells.cable ?? '',
      type: code,
      route: length(cells, 'route'),
      note: cells.note ?? '',
    };
    for (const field of ['outer', 'inner', 'wire'] as const) {
      const size = length(cells, field);
      out[field] = /^[\d.]+ mm$/.test(size) ? `datasheet ${size}` : size;
    }
    for (const end of ['a', 'b'] as const) {
      const [box, entry] = endPlace(cells, end);
      // A box alone says not which hole: the end comes in without a place.
      if (box !== '' && entry === '') unplaced += 1;
      out[`${end}_enclosure`] = entry === '' ? '' : box;
      out[`${end}_entry`] = entry;
      out[`${end}_tail`] = length(cells, `${end}_tail`, ofRow ? 'tail' : `${end}_tail`);
      const size = cells[`${end}_size`] ?? '';
      const key = `${box}/${entry}`;
      if (box !== '' && entry !== '' && (places.get(key)?.hole ?? null) === null) {
        const hole = size === '' ? null : readHole(size);
        places.set(key, {
          box,
          entry,
          hole: hole?.ok ? hole.value : null,
          unread: hole === null || hole.ok ? null : size,
        });
      }
    }
    for (const column of COLUMNS) if ((out[column] ?? '') !== '') filled.add(column);
    return out;
  });
  const columns = COLUMNS.filter((c) => filled.has(c));
  return {
    columns,
    rows: table.map((row) => columns.map((c) => row[c] ?? '')),
    lines: joined.map((r) => r.line),
    types: [...types.values()],
    places: [...places.values()],
    unplaced,
  };
}

function endPlace(cells: Cells, end: 'a' | 'b'): readonly [string, string] {
  const together = cells[`${end}_place`] ?? '';
  if (together !== '') {
    const [box, entry] = placeIn(together);
    return [box, entry === '' ? (cells[`${end}_entry`] ?? '') : entry];
  }
  return [cells[`${end}_enclosure`] ?? '', cells[`${end}_entry`] ?? ''];
}

/** The text that a cable's construction is read from, out of one column or several. */
function constructionText(cells: Cells): string {
  const { type = '', cores = '', section = '', armour = '' } = cells;
  const built = [cores && section ? `${cores}x${section}` : cores || section, armour]
    .filter(Boolean)
    .join(' ');
  return [type, built].filter(Boolean).join(' ').trim();
}

/** Every field of a sheet in words, for the choice of a column. */
export const fieldChoices = (rowsPerCable: 1 | 2): readonly (readonly [SheetField, string])[] =>
  (Object.keys(SHEET_FIELDS) as SheetField[])
    .filter((f) =>
      rowsPerCable === 2
        ? SHEET_FIELDS[f].group !== 'A' && SHEET_FIELDS[f].group !== 'B'
        : SHEET_FIELDS[f].group !== 'row',
    )
    .map((f) => [f, SHEET_FIELDS[f].words] as const);
