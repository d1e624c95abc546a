import { trimNumber } from '@/core/units';
import type { Bound } from './bounds';
import type { Shape } from './model';

/** Why circles cannot lie in a shape, with the number that proves it. */
export function boundWords({ kind, growth, circles }: Bound, shape: Shape): string {
  const short = `${trimNumber(2 * growth, 2)} mm`;
  const what =
    shape.kind === 'circle'
      ? `a bore of ${trimNumber(shape.d, 2)} mm`
      : `a rectangle of ${trimNumber(shape.w, 2)} × ${trimNumber(shape.h, 2)} mm`;
  switch (kind) {
    case 'largest':
      return `the largest alone is ${short} too large for ${what}`;
    case 'twoLargest':
      return `the two largest side by side need ${short} more than ${what}`;
    case 'threeLargest':
      return `the three largest need a circle ${short} larger than ${what}`;
    case 'area':
      return `together they have more area than ${what}, which would have to be ${short} larger`;
    case 'count':
      return `no arrangement of the ${circles} largest lies in ${what}: it would have to be ${short} larger`;
  }
}
