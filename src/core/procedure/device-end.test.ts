import { judge } from '@/core/gland-selection';
import { replay } from '@/core/record';
import { DEMO, demoSize, fitting } from '@/core/testing';
import { makingOff } from '@/core/testing/making-off';
import { generateSteps, planTermination, turnsOf } from '.';

const [family, size] = demoSize('DC6-25');
const fits = fitting(family, size, 'none', true);
const input = { ...fits, entry: { ...fits.entry, ownClamp: true } };
const REQUEST = { tag: 'K-150/B', routeMm: 140, spareMm: 50, unit: 'mm' } as const;
const planOf = (change: Partial<typeof input.enclosure> = {}) => {
  const changed = { ...input, enclosure: { ...input.enclosure, ...change } };
  return planTermination({ ...REQUEST, input: changed }, judge(changed, family, size, DEMO));
};
const plan = planOf();
const MARKS = {
  ip: 'IP 66',
  concept: 'Ex e',
  gasGroup: 'IIC',
  temperatureClass: 'T4',
  certificate: 'on the plate',
};
const { steps, held, until } = makingOff(plan, family, ({ id }) => ({
  again: {},
  ...(id === 'nameplate' ? { chosen: MARKS } : {}),
}));

it('goes from the plate over the turning and the clamp to the passes of the cover, with nothing between device and clamp', () => {
  expect(steps.map((s) => s.id)).toEqual([
    'safe',
    'parts',
    'tools',
    'slideOn',
    'nameplate',
    'loosen',
    'turning',
    'coverOff',
    'packing',
    'cut.outerSheath',
    'stage.clamp',
    'terminals',
    'gasket',
    'cover.1',
    'cover.2',
    'cover.3',
    'cover.4',
    'sign',
  ]);
  expect([plan.outside, plan.inside, plan.adaptor]).toEqual([[], [], null]);
});

it('stops at a plate that differs from the order, figure by figure, and at one that nobody has read', () => {
  const acts = until('nameplate');
  expect(held(acts, { measured: { volts: 690, hz: 50, watts: 4000 } })).toMatch(
    /Supply on the plate 690 V; 360–440 V asked for: 250 V more: this is not the device that was ordered: stop/,
  );
  expect(held(acts, { measured: { volts: 400, hz: 60, watts: 4000 } })).toMatch(/10 Hz more/);
  expect(held(acts, { measured: { volts: 400, hz: 50 } })).toMatch(/Power on the plate has to be measured/);
  const asOrdered = { volts: 440, hz: 50, watts: 4200 };
  expect(held(acts, { measured: asOrdered, chosen: { ...MARKS, gasGroup: 'IIA' } })).toMatch(
    /Gas group: the plate says IIA, and the place asks for IIB/,
  );
  // Whatever instrument was last in a hand: a plate is read with none.
  expect(held(acts, { measured: asOrdered, instrument: 'Simulated caliper' })).toBe('');
  expect(acts.at(-1)).not.toHaveProperty('instrument');
});

it('adds up what was turned, and refuses what would take it beyond its limit', () => {
  const acts = until('turning');
  const turn = (deg: number, decision: 'stands' | 'turnOn') =>
    held(acts, { decision, measured: { turned: deg } });
  expect(turn(200, 'turnOn')).toBe('');
  expect(replay(steps, acts).next?.id).toBe('loosen');
  expect(held(acts)).toBe('');
  expect(turn(150, 'stands')).toMatch(/would stand at 350°, and -340° to 340° is allowed .* 10° too far/);
  expect(held(acts, { decision: 'stands', measured: {} })).toMatch(/has to be measured/);
  expect(turn(-90, 'stands')).toBe('');
  expect(turnsOf(acts)).toEqual([200, -90]);
});

it.each(['orderedV', 'orderedHz', 'orderedW'] as const)(
  'leads nobody to a blade while %s is not said',
  (fact) => {
    const refused = planOf({ [fact]: undefined });
    expect(refused.cutRefusal.map((p) => p.path)).toEqual([`enclosure.${fact}`]);
    expect(refused.cut).toBeNull();
    expect(generateSteps(refused, family)).toEqual([]);
  },
);

it('competes only where the clamp is, and lets no gland compete there', () => {
  const [gland, glandSize] = demoSize('UN1-25');
  expect(judge(input, gland, glandSize, DEMO).notCalledFor).toBe('entryOwnClamp');
  expect(judge(input, family, size, DEMO).notCalledFor).toBeNull();
  expect(judge(fits, family, size, DEMO).notCalledFor).toBe('entryNoClamp');
});
