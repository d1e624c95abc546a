import { changedFields, GRID_FIELDS, type GridRow } from './grid-columns';
import type { PastedRow } from './paste-block';

/** Columns that several cables may have the same value in. A tag, and an entry of a box, belong to one. */
export const FILL_FIELDS = GRID_FIELDS.filter((f) => f !== 'tag' && f !== 'aPlace' && f !== 'bPlace');
export type FillField = (typeof FILL_FIELDS)[number];

export const isFillField = (field: string): field is FillField => FILL_FIELDS.some((f) => f === field);

/** What one value in a column changes in these rows; those that have it already are left out. */
export const fillRows = (rows: readonly GridRow[], field: FillField, value: string): PastedRow[] =>
  rows.flatMap((row) => {
    const fields = changedFields(row, { ...row, [field]: value.trim() });
    return Object.keys(fields).length === 0 ? [] : [{ row, fields }];
  });
