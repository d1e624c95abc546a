import { apart } from './use-width';

const at = (x: number) => x;

it.each<[string, number[], number[]]>([
  ['none of none', [], []],
  ['the only one', [7], [7]],
  ['one that is exactly as far as it must be', [0, 44], [0, 44]],
  ['not one that is a little nearer, but the next', [0, 43.9, 44], [0, 44]],
  ['of a crowd the first, and then each that has room after it', [0, 10, 50, 60, 93, 94], [0, 50, 94]],
  ['of two in one place the first', [3, 3], [3]],
])('keeps %s', (_, marks, kept) => expect(apart(marks, at, 44)).toEqual(kept));
