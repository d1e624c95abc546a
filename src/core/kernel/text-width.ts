import type { TextWeight } from './drawing';
import { advanceWidths, unitsPerEm } from './font-widths';

/** Width of a text in drawing units at a size, from the advance widths of the shipped face; unknown characters count as `0`. */
export function textWidth(text: string, size: number, weight: TextWeight): number {
  const widths = advanceWidths[weight];
  let sum = 0;
  for (const char of text) sum += widths[char] ?? widths['0'] ?? unitsPerEm / 2;
  return (sum * size) / unitsPerEm;
}
