import { array, boolean, number, object, string, type InferType } from 'yup';
import { hashOf, type Problem } from '@/core/kernel';
import { isSheetField, LENGTH_FIELDS, SHEET_FIELDS, SHEET_UNITS, type SheetField } from './fields';

/** A sheet as its cells stand there: text, in rows. Merged cells hold their text once. */
export type Grid = readonly (readonly string[])[];

const FIELDS = Object.keys(SHEET_FIELDS).filter(isSheetField);

/** What the columns of a sheet hold, and how its rows belong together. */
export const sheetMappingSchema = object({
  /** Row of the headings, from 0; what stands above is left out. */
  headerRow: number().integer().min(0).max(200).required(),
  rowsPerCable: number()
    .oneOf([1, 2] as const)
    .required(),
  columns: array()
    .of(
      object({
        /** Null for a column that is left out. */
        field: string().oneOf(FIELDS).nullable().defined(),
        unit: string().oneOf(SHEET_UNITS).nullable().defined(),
        /** An empty cell stands for what stands above it. */
        fillDown: boolean().required(),
      })
        .noUnknown()
        .required(),
    )
    .max(200)
    .required(),
})
  .noUnknown()
  .required();
export type SheetMapping = InferType<typeof sheetMappingSchema>;
export type ColumnUse = SheetMapping['columns'][number];

/** The same headings are mapped alike the next time. */
export const headingHash = (headings: readonly string[]): string =>
  hashOf(headings.map((h) => h.trim().toLowerCase()));

/** What keeps a mapping from being used. `path` is the field. */
export function mappingProblems({ columns, rowsPerCable }: SheetMapping): Problem[] {
  const problems: Problem[] = [];
  const used = columns.flatMap((c) => (c.field === null ? [] : [c.field]));
  const has = (...fields: SheetField[]) => fields.some((f) => used.includes(f));
  for (const field of new Set(used))
    if (used.filter((f) => f === field).length > 1)
      problems.push({ path: field, message: `two columns are “${SHEET_FIELDS[field].words}”` });
  if (!has('cable')) problems.push({ path: 'cable', message: 'no column is the cable tag' });
  if (!has('type', 'cores')) problems.push({ path: 'type', message: 'no column says what cable it is' });
  const ofRow = used.filter((f) => SHEET_FIELDS[f].group === 'row' && f !== 'end');
  const ofEnds = used.filter((f) => SHEET_FIELDS[f].group === 'A' || SHEET_FIELDS[f].group === 'B');
  const [row] = ofRow;
  const [end] = ofEnds;
  if (rowsPerCable === 1 && row !== undefined)
    problems.push({
      path: row,
      message: `“${SHEET_FIELDS[row].words}” is for sheets with a row for each end: say which end it is`,
    });
  if (rowsPerCable === 2 && end !== undefined)
    problems.push({
      path: end,
      message: `“${SHEET_FIELDS[end].words}” is for sheets with one row for each cable`,
    });
  for (const column of columns)
    if (column.field !== null && LENGTH_FIELDS.has(column.field) && column.unit === null)
      problems.push({
        path: column.field,
        message: `the unit of “${SHEET_FIELDS[column.field].words}” is not known: choose it`,
      });
  return problems;
}
