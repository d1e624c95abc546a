import { writeCsv } from '@/formats/csv/write';
import { writeXlsx } from '@/formats/xlsx/write';

const TYPES = {
  csv: 'text/csv; charset=utf-8',
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
} as const;
export type TableFormat = keyof typeof TYPES;
export const isTableFormat = (format: string): format is TableFormat => Object.hasOwn(TYPES, format);

export interface TableFile {
  readonly bytes: Uint8Array;
  readonly type: string;
  readonly name: string;
}

/** A table, headings first, as a file that a spreadsheet opens: text, or a workbook with one sheet called `sheet`. `name` is without its ending. */
export async function tableFile(
  table: readonly (readonly (string | number)[])[],
  { format, sheet, name }: { readonly format: TableFormat; readonly sheet: string; readonly name: string },
): Promise<TableFile> {
  const [head = [], ...rows] = table.map((row) => row.map(String));
  return {
    bytes:
      format === 'xlsx'
        ? await writeXlsx(sheet, table)
        : new TextEncoder().encode(
            writeCsv(
              head,
              rows.map((row) => Object.fromEntries(head.map((h, i) => [h, row[i] ?? '']))),
            ),
          ),
    type: TYPES[format],
    name: `${name.replace(/[^\w-]/g, '_')}.${format}`,
  };
}
