/** What a spreadsheet takes for the beginning of a formula, behind marks that were put there before. A plain number is none. */
const FORMULA = /^'*[=+\-@\t\r]/;
const NUMBER = /^[+-]?\d+(?:[.,]\d+)?$/;

/** A cell as it is written: text that a spreadsheet would run gets a quote mark in front, which spreadsheets take for “this is text”. */
export const guarded = (cell: string): string =>
  FORMULA.test(cell) && !NUMBER.test(cell) ? `'${cell}` : cell;

/** A cell as it was meant: one such mark is taken off again, so that what was written reads back the same. */
export const unguarded = (cell: string): string =>
  cell.startsWith("'") && FORMULA.test(cell) ? cell.slice(1) : cell;
