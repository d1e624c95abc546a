import { plainFinding, sheetName, type Criterion } from '../finding';
import { judgeSeal } from './seal';

/** The inner seal or diaphragm must close on the inner sheath; a cable without one cannot be sealed there. */
export const innerSeal: Criterion = {
  id: 'innerSeal',
  scope: 'size',
  absent: ({ facts }) => (facts.innerSeal === null ? 'no inner seal in this family' : null),
  judge: (context) => {
    const { input, facts, family } = context;
    if (facts.innerSeal === null) throw new Error('absent is asked first');
    if (!input.cableType.innerSheath) {
      const reason = 'this family seals on the inner sheath, and the cable has none';
      return plainFinding('innerSeal', 'misfit', 'inner sheath', 'none', reason, sheetName(family));
    }
    return judgeSeal(context, 'innerSeal', facts.innerSeal, 'innerSheath');
  },
};
