import { ok, refuse, type Result } from '@/core/kernel';

export type LengthUnit = 'mm' | 'in';

/** A length as somebody wrote it, with its value in mm beside it. `text` is never rewritten. */
export interface WrittenLength {
  readonly text: string;
  /** The unit that was written, or the one that the field stood in. */
  readonly unit: WrittenUnit;
  readonly mm: number;
}

export type WrittenUnit = 'mm' | 'cm' | 'm' | 'in' | 'ft';

/** Millimetres per unit; the inch is exact by the international yard and pound agreement of 1959. */
const MM_PER: Readonly<Record<WrittenUnit, number>> = { mm: 1, cm: 10, m: 1000, in: 25.4, ft: 304.8 };

const UNIT_WORDS: Readonly<Record<string, WrittenUnit>> = {
  mm: 'mm',
  cm: 'cm',
  m: 'm',
  in: 'in',
  inch: 'in',
  inches: 'in',
  '"': 'in',
  '″': 'in',
  '”': 'in',
  ft: 'ft',
  "'": 'ft',
  '′': 'ft',
};

const GLYPH_FRACTIONS: Readonly<Record<string, string>> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};

const FORM =
  /^([+-]?)(?:(\d+)(?:\s+|\s*-\s*))?(\d+)\s*[/⁄]\s*(\d+)\s*([^\d\s].*)?$|^([+-]?)(\d+(?:[.,]\d+)?|[.,]\d+)\s*(.*)$/u;

/**
 * Reads a length: `30.2`, `30,2 mm`, `2.5 m`, `1 3/16`, `1-3/16"`, `3/8 in`. A value without a unit takes `assumed`; when that
 * is not given, it is refused rather than guessed. A fraction is inches: with `mm` assumed and no unit written it is refused.
 * Errors: not a length, unknown unit, no unit, zero denominator, a fraction of one or more behind a whole number, negative.
 */
export function parseLength(text: string, assumed?: LengthUnit): Result<WrittenLength> {
  let form = text.trim();
  for (const [glyph, plain] of Object.entries(GLYPH_FRACTIONS)) form = form.replace(glyph, ` ${plain}`);
  form = form.trim();
  if (form === '') return refuse('', 'a length is needed, for example 30.2 mm or 1 3/16 in');
  const match = FORM.exec(form);
  if (!match) return refuse('', 'not a length; write 30.2 mm or 1 3/16 in', text);
  const [, fractionSign, whole, top, bottom, fractionUnit, sign, decimal, decimalUnit] = match;
  const isFraction = top !== undefined;
  if ((fractionSign ?? sign ?? '') === '-') return refuse('', 'a length cannot be negative', text);
  const word = ((isFraction ? fractionUnit : decimalUnit) ?? '').trim().toLowerCase();
  const unit = word === '' ? assumed : UNIT_WORDS[word];
  if (unit === undefined) {
    return word === ''
      ? refuse('', 'no unit: write mm or in behind the number', text)
      : refuse('', `unknown unit “${word}”; use mm, cm, m, in or ft`, text);
  }
  if (isFraction) {
    if (word === '' && unit === 'mm')
      return refuse('', 'a fraction is read as inches: write in behind it', text);
    if (unit !== 'in' && unit !== 'ft') return refuse('', `a fraction of ${unit} is not accepted`, text);
    const denominator = Number(bottom);
    if (denominator === 0) return refuse('', 'the fraction divides by zero', text);
    if (whole !== undefined && Number(top) >= denominator)
      return refuse('', `${top}/${bottom} behind a whole number is one or more: write it out`, text);
    const value = Number(whole ?? 0) + Number(top) / denominator;
    return ok({ text, unit, mm: value * MM_PER[unit] });
  }
  const value = Number((decimal ?? '').replace(',', '.'));
  return ok({ text, unit, mm: value * MM_PER[unit] });
}

/** A number of mm with a fixed count of decimals and no trailing surprise: `formatMm(30.249, 1)` is `30.2`. */
export function formatMm(mm: number, decimals = 1): string {
  const text = mm.toFixed(decimals);
  return /^-0(\.0+)?$/.test(text) ? text.slice(1) : text;
}

const POWERS = [1, 10, 100, 1000];
/** What stands behind the point for 0 to 99 hundredths, without needless zeros. */
const HUNDREDTHS = Array.from({ length: 100 }, (_, n) => (n === 0 ? '' : String(n / 100).slice(1)));

/**
 * A number rounded to so many decimals without needless zeros: `34.0` → `34`. Stands in every figure of every reason: the text of a
 * fraction costs the engine ten times that of a whole number, so up to two decimals come from a table.
 */
export function trimNumber(value: number, decimals = 2): string {
  const scale = POWERS[decimals] ?? 10 ** decimals;
  const scaled = Math.round(value * scale);
  if (scaled === 0) return '0';
  const size = Math.abs(scaled);
  if (scale > 100 || size > 1e9) return String(scaled / scale);
  const hundredths = size * (100 / scale);
  const text = `${Math.floor(hundredths / 100)}${HUNDREDTHS[hundredths % 100] ?? ''}`;
  return scaled < 0 ? `-${text}` : text;
}

const greatestCommonDivisor = (a: number, b: number): number =>
  b === 0 ? a : greatestCommonDivisor(b, a % b);

/**
 * Inches as a workshop reads them: whole and fraction to the nearest 1/denominator, reduced. `formatInchFraction(320, 32)` is
 * `12 19/32`. `direction` rounds maxima down and minima up where that is what keeps the length safe.
 */
export function formatInchFraction(
  mm: number,
  denominator = 16,
  direction: 'nearest' | 'down' | 'up' = 'nearest',
): string {
  const exact = (mm / 25.4) * denominator;
  // A length that is a whole number of steps must not move up or down because of the last bit of the division.
  const slack = 1e-9 * Math.max(1, Math.abs(exact));
  const steps =
    direction === 'nearest'
      ? Math.round(exact)
      : direction === 'down'
        ? Math.floor(exact + slack)
        : Math.ceil(exact - slack);
  const sign = steps < 0 ? '-' : '';
  const positive = Math.abs(steps);
  const whole = Math.floor(positive / denominator);
  const rest = positive - whole * denominator;
  if (rest === 0) return `${sign}${whole}`;
  const divisor = greatestCommonDivisor(rest, denominator);
  const fraction = `${rest / divisor}/${denominator / divisor}`;
  return whole === 0 ? `${sign}${fraction}` : `${sign}${whole} ${fraction}`;
}

/** Inches with decimals, for diameters that are read from an instrument. */
export const formatInch = (mm: number, decimals = 3): string => formatMm(mm / 25.4, decimals);
