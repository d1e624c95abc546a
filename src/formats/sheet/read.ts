import { MAX_FILE_BYTES, MAX_FILE_WORDS, ok, refuse, type Result } from '@/core/kernel';
import type { Grid } from '@/core/spreadsheet';
import { trimNumber } from '@/core/units';
import { readCsvGrid } from '../csv/read';
import { filledDown, mergedCells } from '../xlsx/merged';

/** A sheet of a file by its name, as text in rows. */
export interface Sheet {
  readonly name: string;
  readonly grid: Grid;
}

type ReadWorkbook = (
  bytes: Uint8Array,
) => Promise<readonly { sheet: string; data: readonly (readonly unknown[])[] }[]>;

const MAX_ROWS = 20_000;
const MAX_COLUMNS = 200;

const cellText = (cell: unknown): string => {
  if (typeof cell === 'number') return trimNumber(cell, 6);
  if (typeof cell === 'boolean') return cell ? 'yes' : 'no';
  if (cell instanceof Date) return cell.toISOString().slice(0, 10);
  return typeof cell === 'string' ? cell : '';
};

/**
 * Reads a cable list as design offices send it: a workbook or text with separators. `readWorkbook` takes the bytes of a workbook apart. Errors: too
 * large, neither of the two, nothing in it.
 */
export async function readSheets(bytes: Uint8Array, readWorkbook: ReadWorkbook): Promise<Result<Sheet[]>> {
  if (bytes.byteLength > MAX_FILE_BYTES)
    return refuse(
      'file',
      `is ${(bytes.byteLength / 1048576).toFixed(0)} MB; a cable list of at most ${MAX_FILE_WORDS} is read`,
    );
  if (bytes[0] === 0xd0 && bytes[1] === 0xcf)
    return refuse('file', 'is a workbook of the old kind (.xls): save it as .xlsx or CSV first');
  if (bytes[0] !== 0x50 || bytes[1] !== 0x4b) {
    const grid = readCsvGrid(bytes);
    if (!grid.ok) return grid;
    return withSomething([{ name: 'the file', grid: inColumns(grid.value) }]);
  }
  try {
    const workbook = await readWorkbook(bytes);
    const merged = mergedCells(bytes);
    return withSomething(
      workbook.map(({ sheet, data }) => ({
        name: sheet,
        grid: filledDown(
          data.slice(0, MAX_ROWS + 1).map((row) => row.slice(0, MAX_COLUMNS).map(cellText)),
          merged.get(sheet) ?? [],
        ),
      })),
    );
  } catch {
    return refuse('file', 'is no workbook that can be read: save it as .xlsx or CSV and try again');
  }
}

/** Text out of a document keeps its columns apart by spaces alone: two of them, or more. */
function inColumns(grid: Grid): Grid {
  const filled = grid.filter((row) => row.some((c) => c.trim() !== ''));
  const spaced = filled.filter((row) => row.length === 1 && /\S {2,}\S/.test(row[0] ?? ''));
  return spaced.length * 2 > filled.length
    ? grid.map((row) => row.flatMap((c) => c.trim().split(/ {2,}/)))
    : grid;
}

function withSomething(sheets: readonly Sheet[]): Result<Sheet[]> {
  const filled = sheets.filter((s) => s.grid.some((row) => row.some((c) => c.trim() !== '')));
  const [large] = filled.filter((s) => s.grid.length > MAX_ROWS);
  if (large) return refuse('file', `“${large.name}” has more than ${MAX_ROWS} rows`);
  return filled.length === 0 ? refuse('file', 'holds nothing') : ok(filled);
}
