import { readNumber } from '../../common/read-number';

/** What an empty field stands for. */
export type EmptyAs = null | undefined;

/**
 * What a hand typed for a number, as a form keeps it: the number (either decimal sign), `empty` where nothing is typed, and the text itself where it is
 * none, so that it stays in its field and the schema names it. What is no text comes by as it is. `scale`: 100 for a share shown in per cent.
 */
export function typedNumber(typed: unknown, empty?: EmptyAs, scale = 1): unknown {
  if (typeof typed !== 'string') return typed;
  if (typed.trim() === '') return empty;
  const number = readNumber(typed);
  return Number.isNaN(number) ? typed : number / scale;
}

/** A text that may be left out: an empty field says nothing. */
export const typedText = (typed: unknown): unknown =>
  typeof typed === 'string' && typed.trim() === '' ? undefined : typed;

/** What stands in the field of a number. */
export function numberText(value: unknown, scale = 1): string {
  if (typeof value === 'string') return value;
  // A share that was divided by a hundred comes back without the noise of that.
  return typeof value === 'number' ? String(Number((value * scale).toFixed(9))) : '';
}
