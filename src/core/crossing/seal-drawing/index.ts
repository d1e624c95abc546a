import type { Drawing } from '@/core/kernel';
import type { Made } from '../kinds';
import type { SealKindId } from '../view';
import { plugAxis, sleeveAxis, wrapAxis } from './axis';
import { plugSection, sleeveSection, wrapSection } from './section';

export interface SealDrawings {
  readonly section: Drawing;
  readonly axis: Drawing;
}

/**
 * A soft seal across and along its axis, to scale; 1 drawing unit is 1 mm. `numbered`: a tag that is too small to read gives way to its number
 * (`cableNumbers`), for a screen with the list beside it.
 */
export function sealDrawings(made: Made<SealKindId>, numbered = false): SealDrawings {
  switch (made.of) {
    case 'sleeve':
      return {
        section: sleeveSection(made.request, made.plan, numbered),
        axis: sleeveAxis(made.request, made.plan),
      };
    case 'plug':
      return { section: plugSection(made.request, made.plan), axis: plugAxis(made.request, made.plan) };
    case 'wrap':
      return {
        section: wrapSection(made.request, made.plan, numbered),
        axis: wrapAxis(made.request, made.plan),
      };
  }
}

export { cableNumbers, sleeveFrame, wrapFrame } from './section';
export { circuitsIn } from './marks';
