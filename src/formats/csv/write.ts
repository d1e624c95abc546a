import Papa from 'papaparse';

/** Comma separated text with a BOM, so that spreadsheets read it as UTF-8. */
export function writeCsv(
  columns: readonly string[],
  rows: readonly Readonly<Record<string, string>>[],
): string {
  return `\uFEFF${Papa.unparse([[...columns], ...rows.map((r) => columns.map((c) => r[c] ?? ''))], { newline: '\r\n' })}\r\n`;
}
