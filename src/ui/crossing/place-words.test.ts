import type { FramePlan, PlaceRef } from '@/core/frame-packing';
import { lockWords, noPlanWords } from './place-words';
import { provenWords, restWords } from './words';

const at = (place: number): PlaceRef => ({ frame: 0, opening: 0, row: 0, place });
const plan = (more: Partial<FramePlan>): FramePlan => ({
  status: 'gap',
  cost: 40,
  bound: 30,
  frames: [],
  unplaced: [],
  crossings: { front: 2, back: 1 },
  parts: [],
  ...more,
});

describe('lockWords', () => {
  it('says what a chosen cable may do, and how many places stay with what is locked', () => {
    const none = { locked: [], staying: [] };
    expect(lockWords(none, at(0))).toBe('choose where it goes, or lock it.');
    expect(lockWords({ locked: [at(0)], staying: [at(0)] }, at(0))).toBe('locked.');
    const along = { locked: [at(0)], staying: [at(0), at(1), at(2)] };
    expect(lockWords(along, at(0))).toBe('locked; 2 more places stay with what is locked.');
    expect(lockWords(along, at(2))).toMatch(/^stays with what is locked/);
  });
});

describe('noPlanWords', () => {
  const none = plan({ status: 'infeasible', cost: null, bound: null });
  it('tells apart what cannot be, what the locks prevent, and what was not found', () => {
    expect(noPlanWords(none, 12, false)).toBe('The 12 cables do not go into the frames that are allowed.');
    expect(noPlanWords(none, 12, true)).toMatch(/frames that are allowed beside what is locked/);
    const shutOut = { ...none, unplaced: [{ tag: 'K-1', reason: 'no place' }] };
    expect(noPlanWords(shutOut, 12, true)).toMatch(/^Beside what is locked no place is left for K-1: unlock/);
    expect(noPlanWords(shutOut, 12, false)).not.toContain('K-1');
    expect(noPlanWords(plan({ cost: null, bound: 30 }), 12, true)).toBe(
      'No plan was found; none can cost less than 30.',
    );
  });
});

describe('what is proven', () => {
  it('is never said of a bound that is none', () => {
    expect(provenWords(plan({}))).toBe('at most 25 % above the proven bound of 30');
    expect(provenWords(plan({ bound: 0 }))).toBe('not compared with cheaper frames');
    expect(provenWords(plan({ status: 'optimal', bound: 40 }))).toBe('proven to cost least');
    const again = (atLeast: number) => restWords(plan({ remeasure: { places: 5, atLeast } }), null);
    expect(again(5)).toMatch(/^5 to measure again, as few as can be;/);
    expect(again(3)).toMatch(/^5 to measure again, at least 3;/);
    expect(again(0)).toMatch(/^5 to measure again;/);
  });
});
