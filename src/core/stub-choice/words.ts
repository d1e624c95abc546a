import { boundWords, type Shape } from '@/core/circle-packing';
import { trimNumber } from '@/core/units';
import type { Never } from './oracle';

/** Why a cable is left out. */
export type WhyNot =
  | { readonly kind: 'noWrap'; readonly mm: number }
  | {
      readonly kind: 'tooLarge';
      readonly d: number;
      readonly offers: readonly {
        readonly id: string;
        readonly shape: Shape;
        readonly never: Never | null;
      }[];
    }
  | { readonly kind: 'noRoom' | 'notFound'; readonly d: number };

/** A sentence with its number. */
export function unplacedWords(why: WhyNot): string {
  switch (why.kind) {
    case 'noWrap':
      return `no wrap is given for a cable of ${trimNumber(why.mm, 2)} mm`;
    case 'tooLarge': {
      const nearest = why.offers.reduce<(typeof why.offers)[number] | null>(
        (best, o) => (best === null || roomOf(o.shape) > roomOf(best.shape) ? o : best),
        null,
      );
      if (nearest === null) return 'no stub is on offer';
      return `${trimNumber(why.d, 2)} mm lies in no stub even alone; ${nearest.id} is the largest: ${neverWords(nearest.never, nearest.shape)}`;
    }
    case 'noRoom':
      return `${trimNumber(why.d, 2)} mm: no choice of the stubs on offer holds it beside the others`;
    case 'notFound':
      return `${trimNumber(why.d, 2)} mm: no arrangement was found within the limit`;
  }
}

const roomOf = (shape: Shape): number => (shape.kind === 'circle' ? shape.d : Math.min(shape.w, shape.h));

function neverWords(never: Never | null, shape: Shape): string {
  switch (never?.kind) {
    case 'bound':
      return boundWords(never.bound, shape);
    case 'spare':
      return `its ${trimNumber(never.area, 0)} mm² are more than the ${trimNumber(never.most, 0)} mm² that may be filled`;
    case 'apart':
      return `${never.circuits[0]} and ${never.circuits[1]} are kept apart`;
    case undefined:
      return 'none of them is left';
  }
}
