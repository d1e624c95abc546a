/** A number as typed, with a decimal comma or point; NaN when it is none. */
export const readNumber = (text: string): number =>
  text.trim() === '' ? NaN : Number(text.trim().replace(',', '.'));
