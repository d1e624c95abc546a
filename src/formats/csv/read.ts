import Papa from 'papaparse';
import { MAX_FILE_BYTES, MAX_FILE_WORDS, ok, refuse, type Result } from '@/core/kernel';
import { unguarded } from './formula-guard';

/** Larger files are refused before they are read. */
const MAX_ROWS = 20_000;

export interface CsvTable {
  readonly columns: readonly string[];
  readonly rows: readonly Readonly<Record<string, string>>[];
  readonly delimiter: string;
}

/**
 * Reads comma, semicolon or tab separated text with a header line: BOM, quoted fields and blank lines are understood, column
 * names are folded to lower case. Errors: too large, binary, a spreadsheet file under another name, no header, a quote left open.
 */
export function readCsv(bytes: Uint8Array): Result<CsvTable> {
  if (bytes.byteLength > MAX_FILE_BYTES) {
    return refuse(
      'file',
      `is ${(bytes.byteLength / 1048576).toFixed(0)} MB; a cable schedule of at most ${MAX_FILE_WORDS} is read`,
    );
  }
  if (bytes[0] === 0x50 && bytes[1] === 0x4b)
    return refuse('file', 'is a spreadsheet or zip file, not CSV: save it as CSV first');
  if (bytes.subarray(0, 65536).includes(0)) return refuse('file', 'is not text: it holds zero bytes');
  const decoded = decode(bytes);
  if (decoded === null) return refuse('file', 'is not text in UTF-8 or Windows-1252');
  const parsed = Papa.parse<Record<string, string>>(decoded.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    delimitersToGuess: [',', ';', '\t'],
    transform: unguarded,
    transformHeader: (name) => name.trim().toLowerCase().replace(/\s+/g, '_'),
  });
  const quote = parsed.errors.find((e) => e.type === 'Quotes');
  if (quote) return refuse('file', `a quoted field is left open near line ${(quote.row ?? 0) + 2}`);
  const columns = (parsed.meta.fields ?? []).filter((f) => f !== '');
  if (columns.length === 0) return refuse('file', 'has no header line');
  if (parsed.data.length > MAX_ROWS)
    return refuse('file', `has ${parsed.data.length} rows; at most ${MAX_ROWS} are read`);
  return ok({ columns, rows: parsed.data, delimiter: parsed.meta.delimiter });
}

function decode(bytes: Uint8Array): string | null {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    // Old spreadsheets write Windows-1252; control characters give away that it is not text at all.
    const text = new TextDecoder('windows-1252').decode(bytes);
    return /[\u0001-\u0008\u000e-\u001f]/.test(text) ? null : text;
  }
}
