import type { Criterion } from '../finding';
import { judgeSeal } from './seal';

/** The outer seal must close on the whole measured interval of the outer sheath. */
export const outerSeal: Criterion = {
  id: 'outerSeal',
  scope: 'size',
  title: 'Outer seal',
  judge: (context) =>
    judgeSeal(
      context,
      'outerSeal',
      { what: 'outer seal', thing: 'outer sheath' },
      context.size.outerSeal,
      context.input.outerSheath,
    ),
};
