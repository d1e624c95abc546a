import { apart } from './use-width';

const at = (x: number) => x;

it.each<[string, number[], number[]]>([
  ['none of none', [], []],
  ['the only one', [7], [7]],
  ['one that is exactly as far as it must be', [0, 44], [0, 44]],
  ['not one that is a little nearer', [0.1, 44], [44]],
  ['the last, also where it has just come beside another', [0, 60, 61], [0, 61]],
  ['of a crowd the last, and then each that has room before it', [0, 6, 50, 60, 93, 94], [6, 50, 94]],
])('keeps %s', (_, marks, kept) => expect(apart(marks, at, 44)).toEqual(kept));
