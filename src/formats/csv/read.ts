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
  const text = textOf(bytes);
  if (!text.ok) return text;
  const parsed = parseGuessed<Record<string, string>>(text.value, {
    ...HOW,
    header: true,
    transformHeader: (name) => name.trim().toLowerCase().replace(/\s+/g, '_'),
  });
  const quote = openQuote(parsed.errors);
  if (quote) return quote;
  const columns = (parsed.meta.fields ?? []).filter((f) => f !== '');
  if (columns.length === 0) return refuse('file', 'has no header line');
  if (parsed.data.length > MAX_ROWS) return tooMany(parsed.data.length);
  return ok({ columns, rows: parsed.data, delimiter: parsed.meta.delimiter });
}

/** The same text as rows of cells, whatever stands in the first of them. */
export function readCsvGrid(bytes: Uint8Array): Result<string[][]> {
  const text = textOf(bytes);
  if (!text.ok) return text;
  const parsed = parseGuessed<string[]>(text.value, { ...HOW, skipEmptyLines: false });
  const quote = openQuote(parsed.errors);
  if (quote) return quote;
  return parsed.data.length > MAX_ROWS ? tooMany(parsed.data.length) : ok(parsed.data);
}

const DELIMITERS = [',', ';', '\t'];
const HOW = {
  skipEmptyLines: 'greedy' as const,
  delimitersToGuess: DELIMITERS,
  transform: unguarded,
};

/** Parses by the delimiter that is guessed; where that leaves a quote open, by another one that does not: cells may hold any of them. */
function parseGuessed<T>(text: string, how: Papa.ParseConfig<T>): Papa.ParseResult<T> {
  // A blank line has no delimiter: counted as a row of one cell it would speak against the right one.
  const { delimiter: likely } = Papa.parse(text, {
    delimitersToGuess: DELIMITERS,
    skipEmptyLines: 'greedy',
    preview: 50,
  }).meta;
  const guessed = Papa.parse<T>(text, { ...how, delimiter: likely });
  if (openQuote(guessed.errors) === null) return guessed;
  for (const delimiter of DELIMITERS) {
    // One that parts nothing finds no quote open either.
    const [first = []] = Papa.parse<string[]>(text, { delimiter, preview: 1 }).data;
    if (delimiter === guessed.meta.delimiter || first.length < 2) continue;
    const other = Papa.parse<T>(text, { ...how, delimiter });
    if (openQuote(other.errors) === null) return other;
  }
  return guessed;
}

const tooMany = (rows: number): Result<never> =>
  refuse('file', `has ${rows} rows; at most ${MAX_ROWS} are read`);

function openQuote(errors: readonly Papa.ParseError[]): Result<never> | null {
  const quote = errors.find((e) => e.type === 'Quotes');
  return quote ? refuse('file', `a quoted field is left open near line ${(quote.row ?? 0) + 2}`) : null;
}

function textOf(bytes: Uint8Array): Result<string> {
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
  return ok(decoded.replace(/^\uFEFF/, ''));
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
