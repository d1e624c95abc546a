import { fail, ok, type Problem, type Result } from '@/core/kernel';
import {
  METHODS,
  METHOD_WORDS,
  diameterOf,
  nominalToleranceMm,
  type Method,
  type Quantity,
  type Reading,
} from '@/core/cable-measurement';
import { parseLength, type LengthUnit } from '@/core/units';

/*
 * Readings of one quantity in one cell of a cable schedule, parted by `|`:
 *
 *   caliper 30.2 [mm] @0 {C-07; fitter; 2026-11-02T08:00:00Z} | wrap tape 95.7 mm | datasheet 30 mm ± 1
 *
 * Method first (a bare value is a datasheet value, the most careful reading of it), the number as typed, the unit of the field it was
 * typed in in brackets, ± tolerance, @ angle, and in braces instrument, person and time. Texts in braces escape \ ; { } | by a backslash.
 */

const escapeText = (text: string): string => text.replace(/[\\;{}|]/g, (c) => `\\${c}`);

/** Cuts at a separator that is not escaped; the escapes stay for the next cut. */
function cutAt(text: string, separator: string): string[] {
  const parts: string[] = [''];
  for (let i = 0; i < text.length; i += 1) {
    const char = text[i] ?? '';
    if (char === '\\') {
      parts.push(`${parts.pop() ?? ''}${char}${text[i + 1] ?? ''}`);
      i += 1;
    } else if (char === separator) parts.push('');
    else parts.push(`${parts.pop() ?? ''}${char}`);
  }
  return parts;
}

const unescapeText = (text: string): string => text.replace(/\\(.)/g, '$1');

/** One cell for all readings of a quantity, losing nothing. */
export function writeReadingCell(readings: readonly Reading[]): string {
  return readings
    .map((r) => {
      const source = [r.instrument, r.person, r.at];
      const braces = source.some((s) => s !== undefined)
        ? ` {${source.map((s) => escapeText(s ?? '')).join('; ')}}`
        : '';
      const tolerance = r.tolerance === undefined ? '' : ` ± ${r.tolerance}`;
      const angle = r.angleDeg === undefined ? '' : ` @${r.angleDeg}`;
      return `${METHOD_WORDS[r.method]} ${r.text} [${r.unit}]${tolerance}${angle}${braces}`;
    })
    .join(' | ');
}

const ONE =
  /^(?<value>[^[\]±@{}]+?)\s*(?:\[(?<unit>mm|in)\])?\s*(?:±\s*(?<tolerance>[^@{]+?))?\s*(?:@\s*(?<angle>\d+(?:\.\d+)?)\s*°?)?\s*(?:\{(?<source>.*)\})?$/su;

/** Reads a cell back. `unit` is the row's unit column; without one a bare number is refused. `tapeThicknessMm` is needed to judge a circumference. */
export function parseReadingCell(
  cell: string,
  quantity: Quantity,
  unit: LengthUnit | undefined,
  tapeThicknessMm: number,
): Result<Reading[]> {
  if (cell.trim() === '') return ok([]);
  const readings: Reading[] = [];
  const problems: Problem[] = [];
  for (const part of cutAt(cell, '|')) {
    const one = parseOne(part.trim(), quantity, unit, tapeThicknessMm);
    if (one.ok) readings.push(one.value);
    else problems.push(...one.problems);
  }
  return problems.length > 0 ? fail(problems) : ok(readings);
}

function parseOne(
  text: string,
  quantity: Quantity,
  rowUnit: LengthUnit | undefined,
  tapeThicknessMm: number,
): Result<Reading> {
  const bad = (message: string): Result<Reading> => fail([{ path: '', message, value: text }]);
  const lower = text.toLowerCase();
  const method: Method | undefined = METHODS.find((m) => lower.startsWith(METHOD_WORDS[m].toLowerCase()));
  const rest = (method === undefined ? text : text.slice(METHOD_WORDS[method].length)).trim();
  const match = ONE.exec(rest);
  if (!match?.groups) return bad('is not a reading; write for example: caliper 30.2 mm @0');
  const {
    value = '',
    unit: fieldUnit,
    tolerance,
    angle,
    source,
  } = match.groups as Record<string, string | undefined>;
  if (/[a-z]/i.test(value[0] ?? ''))
    return bad('unknown method; use caliper, wrap tape, diameter tape or datasheet');
  const stated = (fieldUnit as LengthUnit | undefined) ?? rowUnit;
  const length = parseLength(value, stated);
  if (!length.ok) return bad(length.problems[0]?.message ?? 'is not a length');
  const unit = stated ?? (length.value.unit === 'in' || length.value.unit === 'ft' ? 'in' : 'mm');
  const [instrument, person, at] =
    source === undefined ? [] : cutAt(source, ';').map((s) => unescapeText(s.replace(/^ /, '')));
  const reading: Reading = {
    quantity,
    method: method ?? 'datasheet',
    text: value,
    unit,
    ...(instrument ? { instrument } : {}),
    ...(person ? { person } : {}),
    ...(at ? { at } : {}),
    ...(angle === undefined ? {} : { angleDeg: Number(angle) }),
    ...(tolerance === undefined ? {} : { tolerance: tolerance.trim() }),
  };
  if (reading.angleDeg !== undefined && reading.angleDeg > 360) return bad('the angle is beyond 360°');
  const diameter = diameterOf(reading, tapeThicknessMm);
  if (!diameter.ok) return bad(diameter.problems[0]?.message ?? 'is not a diameter');
  const span = nominalToleranceMm(reading, diameter.value, 0);
  return span.ok ? ok(reading) : bad(span.problems[0]?.message ?? 'is not a tolerance');
}
