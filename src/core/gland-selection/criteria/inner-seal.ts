import { sheetName, type Criterion } from '../finding';
import { judgeSeal } from './seal';

/** The inner seal or diaphragm must close on the inner sheath; a cable without one cannot be sealed there. */
export const innerSeal: Criterion = {
  id: 'innerSeal',
  scope: 'size',
  title: 'Inner seal',
  judge: (context) => {
    const { input, size, family } = context;
    if (size.innerSeal !== undefined && !input.cableType.innerSheath) {
      const reason = 'this family seals on the inner sheath, and the cable has none';
      return {
        criterion: 'innerSeal',
        verdict: 'misfit',
        takes: 'inner sheath',
        has: 'none',
        margin: null,
        reason,
        source: sheetName(family),
      };
    }
    return judgeSeal(
      context,
      'innerSeal',
      { what: 'inner seal', thing: 'inner sheath' },
      size.innerSeal,
      input.innerSheath,
    );
  },
};
