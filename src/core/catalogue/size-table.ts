import { fail, ok, refuse, type Problem, type Result } from '@/core/kernel';
import type { CatalogueFile } from './catalogue-file';
import { CATALOGUE_FORMAT } from './catalogue-file';
import type { Family } from './family';
import type { Size } from './size';
import { ARMOUR_KINDS } from './vocabulary';

/**
 * A family's sizes as a table: how a company types the figures of its sheet into a spreadsheet. Only figures of sizes are in it; parts,
 * stages and certificate stay those of the revision in force. An empty cell leaves the figure as it is.
 */
export const SIZE_COLUMNS = [
  'family',
  'revision',
  'issued',
  'size',
  'outer_min',
  'outer_max',
  'outer_in_min',
  'outer_in_max',
  'inner_min',
  'inner_max',
  'inner_in_min',
  'inner_in_max',
  'armour',
  'armour_min',
  'armour_max',
  'armour_length_min',
  'armour_length_max',
  'inner_length',
  'protrusion',
  'hex_flats',
] as const;
export type SizeColumn = (typeof SIZE_COLUMNS)[number];

type Row = Readonly<Record<string, string>>;

/** One line for each size and kind of armour; figures of the size itself stand on its first line. */
export function sizeTable(families: readonly Family[]): Record<SizeColumn, string>[] {
  const text = (value: number | string | undefined) => (value === undefined ? '' : String(value));
  return families.flatMap((family) =>
    family.sizes.flatMap((size) => {
      const kinds = [...new Set(size.rings.flatMap((r) => r.armour))];
      return (kinds.length === 0 ? [null] : kinds).map((armour, i) => {
        const first = i === 0;
        const ring = size.rings.find((r) => armour !== null && r.armour.includes(armour));
        const length = size.armourLengths.find((l) => armour !== null && l.armour.includes(armour));
        const of = (value: number | string | undefined) => (first ? text(value) : '');
        return {
          family: family.code,
          revision: family.sheet.revision,
          issued: family.sheet.issued,
          size: size.code,
          outer_min: of(size.outerSeal?.min),
          outer_max: of(size.outerSeal?.max),
          outer_in_min: of(size.outerSeal?.inMin),
          outer_in_max: of(size.outerSeal?.inMax),
          inner_min: of(size.innerSeal?.min),
          inner_max: of(size.innerSeal?.max),
          inner_in_min: of(size.innerSeal?.inMin),
          inner_in_max: of(size.innerSeal?.inMax),
          armour: armour ?? '',
          armour_min: text(ring?.range.min),
          armour_max: text(ring?.range.max),
          armour_length_min: text(length?.minMm),
          armour_length_max: text(length?.maxMm),
          inner_length: of(size.innerLengthMm),
          protrusion: of(size.protrusionMm),
          hex_flats: of(size.hexFlatsMm),
        };
      });
    }),
  );
}

/**
 * Turns a table back into a catalogue file: each family as it is in force with the table's figures in it, under the revision the table
 * names. Errors name line and column. The result still goes through `readCatalogue`.
 */
export function catalogueFromTable(
  rows: readonly Row[],
  inForce: readonly Family[],
  name: string,
  issued: string,
): Result<CatalogueFile> {
  const problems: Problem[] = [];
  const families = new Map<string, Family>();
  rows.forEach((row, i) => {
    const line = i + 2;
    const note = (column: SizeColumn, message: string) =>
      problems.push({ path: `line ${line}, ${column}`, message, value: row[column] ?? '' });
    const code = (row.family ?? '').trim();
    const known = families.get(code) ?? copyOf(inForce.find((f) => f.code === code));
    if (known === null) return note('family', 'is not in the catalogue: a family begins as a JSON file');
    families.set(code, known);
    const revision = (row.revision ?? '').trim();
    if (revision === '') return note('revision', 'a sheet has a revision');
    known.sheet.revision = revision;
    if ((row.issued ?? '').trim() !== '') known.sheet.issued = (row.issued ?? '').trim();
    const size = known.sizes.find((s) => s.code === (row.size ?? '').trim());
    if (!size) return note('size', `is not a size of ${code}`);
    applyRow(row, size, note);
  });
  if (rows.length === 0) return refuse('file', 'has no line below its header');
  if (problems.length > 0) return fail(problems);
  return ok({
    format: CATALOGUE_FORMAT,
    name,
    issued,
    families: [...families.values()],
    adaptors: [],
    accessories: [],
  });
}

const copyOf = (family: Family | undefined): Family | null =>
  family === undefined ? null : (JSON.parse(JSON.stringify(family)) as Family);

function applyRow(row: Row, size: Size, note: (column: SizeColumn, message: string) => void): void {
  const figure = (column: SizeColumn, put: (value: number) => void) => {
    const text = (row[column] ?? '').trim().replace(',', '.');
    if (text === '') return;
    const value = Number(text);
    if (!/^\d+(\.\d+)?$/.test(text) || !Number.isFinite(value)) note(column, 'is not a number in mm');
    else put(value);
  };
  const words = (column: SizeColumn, put: (value: string) => void) => {
    const text = (row[column] ?? '').trim();
    if (text !== '') put(text);
  };
  for (const seal of ['outer', 'inner'] as const) {
    const range = size[`${seal}Seal`];
    const asked = [`${seal}_min`, `${seal}_max`].some((c) => (row[c] ?? '').trim() !== '');
    if (!range) {
      if (asked) note(`${seal}_min`, `${size.code} has no ${seal} seal`);
      continue;
    }
    figure(`${seal}_min`, (v) => (range.min = v));
    figure(`${seal}_max`, (v) => (range.max = v));
    words(`${seal}_in_min`, (v) => (range.inMin = v));
    words(`${seal}_in_max`, (v) => (range.inMax = v));
  }
  const armour = (row.armour ?? '').trim();
  if (armour !== '') {
    const kind = ARMOUR_KINDS.find((k) => k === armour);
    const ring = size.rings.find((r) => kind !== undefined && r.armour.includes(kind));
    const length = size.armourLengths.find((l) => kind !== undefined && l.armour.includes(kind));
    if (!ring) note('armour', `${size.code} clamps no such armour`);
    else {
      figure('armour_min', (v) => (ring.range.min = v));
      figure('armour_max', (v) => (ring.range.max = v));
    }
    if (length) {
      figure('armour_length_min', (v) => (length.minMm = v));
      figure('armour_length_max', (v) => (length.maxMm = v));
    }
  }
  figure('inner_length', (v) => (size.innerLengthMm = v));
  figure('protrusion', (v) => (size.protrusionMm = v));
  figure('hex_flats', (v) => (size.hexFlatsMm = v));
}
