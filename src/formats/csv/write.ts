import Papa from 'papaparse';
import { guarded } from './formula-guard';

/** Comma separated text with a BOM, so that spreadsheets read it as UTF-8. No cell is a formula there. */
export function writeCsv(
  columns: readonly string[],
  rows: readonly Readonly<Record<string, string>>[],
): string {
  return `\uFEFF${Papa.unparse([[...columns], ...rows.map((r) => columns.map((c) => guarded(r[c] ?? '')))], { newline: '\r\n' })}\r\n`;
}
