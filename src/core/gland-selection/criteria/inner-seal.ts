import { plainFinding, sheetOf, type Criterion } from '../finding';
import { judgeSeal } from './seal';

/** The inner seal or diaphragm must close on the inner sheath; a cable without one cannot be sealed there. */
export const innerSeal: Criterion = {
  id: 'innerSeal',
  scope: 'size',
  absent: ({ facts }) => (facts.innerSeal === null ? 'innerSeal' : null),
  judge: (context) => {
    const { input, facts, family } = context;
    if (facts.innerSeal === null) throw new Error('absent is asked first');
    if (!input.cableType.innerSheath) {
      return plainFinding('innerSeal', 'misfit', { code: 'noInnerSheath' }, sheetOf(family));
    }
    return judgeSeal(context, 'innerSeal', facts.innerSeal, 'innerSheath');
  },
};
