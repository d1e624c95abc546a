import { refuse, ok, type Result } from '@/core/kernel';
import { changedFields, GRID_FIELDS, type GridRow } from './grid-columns';

/** What a pasted block changes in one row. */
export interface PastedRow {
  readonly row: GridRow;
  readonly fields: Readonly<Record<string, string>>;
}

/** Cells of a block as spreadsheets copy them: lines of cells between tabs, with or without an end of line after the last. */
export const cellsOf = (text: string): string[][] =>
  text
    .replace(/\r\n?/g, '\n')
    .replace(/\n$/, '')
    .split('\n')
    .map((line) => line.split('\t').map((cell) => cell.trim()));

/**
 * Lays a block over the rows of the grid, from the cell that has the focus to the right and down. Refused where it would run over the last column or
 * the last row that is shown: nothing is written anywhere else, and nothing is cut off. Rows that stay as they are are left out.
 */
export function layBlock(
  rows: readonly GridRow[],
  at: { readonly id: number; readonly field: string },
  text: string,
): Result<readonly PastedRow[]> {
  const cells = cellsOf(text);
  const top = rows.findIndex((r) => r.id === at.id);
  const left = GRID_FIELDS.findIndex((f) => f === at.field);
  if (top < 0 || left < 0)
    return refuse('paste', 'this column takes no text: begin in one that can be written');
  const wide = Math.max(...cells.map((line) => line.length));
  const over = left + wide - GRID_FIELDS.length;
  if (over > 0)
    return refuse('paste', `${wide} columns from here run over the last by ${over}: begin farther left`);
  const below = top + cells.length - rows.length;
  if (below > 0)
    return refuse(
      'paste',
      `${cells.length} rows from here run over the last that is shown by ${below}: show more rows, or add the cables first`,
    );
  return ok(
    cells.flatMap((line, i) => {
      const row = rows[top + i];
      if (!row) return [];
      const pasted = Object.fromEntries(line.map((cell, c) => [GRID_FIELDS[left + c] ?? '', cell]));
      const fields = changedFields(row, { ...row, ...pasted });
      return Object.keys(fields).length === 0 ? [] : [{ row, fields }];
    }),
  );
}
