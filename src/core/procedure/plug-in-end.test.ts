import { judge } from '@/core/gland-selection';
import { replay } from '@/core/record';
import { DEMO, demoSize, fitting } from '@/core/testing';
import { actOfFitter, makingOff } from '@/core/testing/making-off';
import { capOf, generateSteps, planTermination } from '.';

const [family, size] = demoSize('PC5-25');
const fits = fitting(family, size, 'none', false);
const input = { ...fits, entry: { ...fits.entry, plugIn: true } };
const REQUEST = { tag: 'K-151/B', routeMm: null, spareMm: 50, unit: 'mm' } as const;
const planOf = (more: object = {}, cable: object = {}) => {
  const changed = { ...input, cableType: { ...input.cableType, ...cable } };
  return planTermination({ ...REQUEST, ...more, input: changed }, judge(changed, family, size, DEMO));
};
const plan = planOf();
const HOME = { BN: '1', BK: '2', GY: '3', GNYE: 'E' };
const { steps, held, until } = makingOff(plan, family, (step) =>
  step.id === 'insert' ? { chosen: HOME } : {},
);
const corrected = (stepId: string, redo: readonly string[]) => actOfFitter(stepId, 'correct', redo);

it('crimps, says of each core where it lies, clicks, and mates only what was proved dead', () => {
  const ids = steps.map((s) => s.id);
  expect(ids.slice(ids.indexOf('cut.cores'))).toEqual([
    'cut.cores',
    'crimp',
    'insert',
    'click',
    'onThread',
    'stage.entry',
    'stage.outerSeal',
    'spin',
    'capTight',
    'capIsolate',
    'capLock',
    'capDead',
    'capOff',
    'stage.couple',
    'sign',
  ]);
  expect(steps.find((s) => s.id === 'insert')?.choices?.map((c) => c.options)).toEqual(
    Array.from({ length: 4 }, () => ['1', '2', '3', 'P1', 'P2', 'E']),
  );
});

it('refuses a core on another position than its map says, by its name', () => {
  const acts = until('insert');
  expect(held(acts, { chosen: { ...HOME, BN: '2', BK: '1' } })).toMatch(
    /BN lies on 2, and the pin map says 1; BK lies on 1, and the pin map says 2/,
  );
  expect(held(acts, { chosen: { ...HOME, BK: '1' } })).toMatch(/cannot both be 1/);
  expect(held(acts)).toBe('');
});

it('takes no more bare copper at a crimp than its sheet says', () => {
  const acts = until('crimp');
  const bare = (mm: number) => held(acts, { measured: { bare: mm }, again: { bare: mm } });
  expect(bare(0.9)).toMatch(/0.1 mm too much: crimp a new contact/);
  expect(bare(0.8)).toBe('');
});

it('leads nobody to a blade where nobody said what the cores are called, or the map does not hold', () => {
  for (const [refused, words] of [
    [planOf({}, { coreNames: undefined }), /nobody said what its cores are called/],
    [planOf({ pins: [{ core: 'BN', position: 'E' }] }), /core BN is for power, position E is for earth/],
  ] as const) {
    expect(generateSteps(refused, family)).toEqual([]);
    expect(refused.cutRefusal.map((p) => p.message).join('; ')).toMatch(words);
  }
});

describe('the live cap', () => {
  it('is energised again between proof and mating: all of it comes anew', () => {
    const acts = until('capOff');
    expect(capOf(acts, 'couple')).toEqual({ power: 'dead', front: 'tight' });
    expect(held(acts, { decision: 'energised' })).toBe('');
    expect(capOf(acts, 'couple')).toEqual({ power: 'live', front: 'tight' });
    expect(replay(steps, acts).next?.id).toBe('capIsolate');
  });
  it('does not come off with its ticks open', () =>
    expect(held(until('capOff'), { checked: [0] })).toMatch(/not ticked yet: Nobody else works/));
  it('goes back to what stands once something is taken back: not proved, not locked, live as far as anybody knows', () => {
    const acts = until('stage.couple');
    expect(capOf(acts, 'couple')).toEqual({ power: 'dead', front: 'open' });
    const after = (id: string, redo: readonly string[]) => capOf([...acts, corrected(id, redo)], 'couple');
    expect(after('capOff', [])).toEqual({ power: 'dead', front: 'tight' });
    expect(after('capDead', ['capOff'])).toEqual({ power: 'locked', front: 'tight' });
    expect(after('capLock', ['capDead', 'capOff'])).toEqual({ power: 'isolated', front: 'tight' });
    expect(after('capIsolate', ['capLock', 'capDead', 'capOff'])).toEqual({ power: 'live', front: 'tight' });
    // A lock that is taken back leaves no proof behind it, even where only the lock is named.
    expect(after('capLock', []).power).toBe('isolated');
  });
  it('lets no way of sending steps back mate without proof of dead: every step taken back, from every place', () => {
    const all = until('sign').map((a) => a.stepId);
    for (const back of all.filter((id) => id.startsWith('cap'))) {
      const acts = until('stage.couple');
      const redo = ['capTight', 'capIsolate', 'capLock', 'capDead', 'capOff'];
      acts.push(corrected(back, redo.slice(redo.indexOf(back))));
      expect(replay(steps, acts).next?.id).toBe(back);
      while (replay(steps, acts).next?.id !== 'stage.couple') expect([back, held(acts)]).toEqual([back, '']);
      expect(capOf(acts, 'couple').power).toBe('dead');
      expect(held(acts)).toBe('');
    }
  });
});
