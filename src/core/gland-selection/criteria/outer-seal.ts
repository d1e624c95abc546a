import type { Criterion } from '../finding';
import { judgeSeal } from './seal';

/** The outer seal must close on the whole measured interval of the outer sheath. */
export const outerSeal: Criterion = {
  id: 'outerSeal',
  scope: 'size',
  absent: ({ facts }) => (facts.outerSeal === null ? 'outerSeal' : null),
  judge: (context) => {
    const { facts } = context;
    if (facts.outerSeal === null) throw new Error('absent is asked first');
    return judgeSeal(context, 'outerSeal', facts.outerSeal, 'outerSheath');
  },
};
