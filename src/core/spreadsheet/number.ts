/**
 * A number as people of several countries write it: `1250.5`, `1.250,5`, `1 250,5`, `1,250.5`. Of one sign alone, followed by three digits, nobody
 * can tell which it is: `1.250` is read by what the column holds otherwise, `decimal`. Null for what is no number.
 */
export function parseNumber(text: string, decimal: '.' | ',' = '.'): number | null {
  const plain = text.trim().replace(/[\s\u00a0\u202f']/g, '');
  if (!/^[+-]?\d[\d.,]*$/.test(plain)) return null;
  const [dots, commas] = [plain.split('.').length - 1, plain.split(',').length - 1];
  let sign: '.' | ',' | null;
  if (dots > 0 && commas > 0) sign = plain.lastIndexOf('.') > plain.lastIndexOf(',') ? '.' : ',';
  else if (dots + commas === 0) sign = null;
  else {
    const one = dots > 0 ? '.' : ',';
    if (dots + commas > 1) sign = null;
    else sign = /[.,]\d{3}$/.test(plain) && !/^[+-]?0[.,]/.test(plain) && one !== decimal ? null : one;
  }
  const bare =
    sign === null
      ? plain.replace(/[.,]/g, '')
      : plain.replace(sign === '.' ? /,/g : /\./g, '').replace(',', '.');
  const value = Number(bare);
  return Number.isFinite(value) ? value : null;
}

/** By which sign the numbers of a column are written: the comma where one of them can be nothing else. */
export const decimalOf = (cells: readonly string[]): '.' | ',' =>
  cells.some((c) => /^\s*[+-]?\d+,(\d{1,2}|\d{4,})\s*(\D*)$/.test(c) || /^\s*\d{1,3}(\.\d{3})+,\d+/.test(c))
    ? ','
    : '.';
