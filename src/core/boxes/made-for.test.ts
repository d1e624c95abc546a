import type { Entry } from '@/core/schedule';
import { MADE_FOR, madeFor, withMadeFor } from './made-for';

const E1: Entry = {
  label: 'E1',
  kind: 'threaded',
  thread: { form: 'metric', size: 'M25', pitchMm: 1.5 },
  wallMm: 12,
  chamferMm: 1,
  holeMm: null,
};

it('reads an entry back as what it was made for, from whatever it was before, and keeps its hole', () => {
  for (const [before] of MADE_FOR)
    for (const [after] of MADE_FOR) {
      const changed = withMadeFor(withMadeFor(E1, before), after);
      expect(madeFor(changed)).toBe(after);
      expect(changed).toMatchObject(E1);
    }
});

it('leaves no trace of a clamp that an entry no longer has', () => {
  expect(withMadeFor(withMadeFor(E1, 'ownClamp'), 'gland')).toEqual(E1);
});

it('lets the clamp of a device speak first where a table says both', () => {
  expect(madeFor({ plugIn: true, ownClamp: true })).toBe('ownClamp');
});
