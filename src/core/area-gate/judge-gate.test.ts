import { hazardOf, judgeGate, NOTHING_SAID, type GateAnswers, type Hazard } from './judge-gate';

const NOW = Date.parse('2026-11-10T13:00:00.000Z');
const AT = 13 * 60;
const GAS: Hazard = { gas: true, dust: false };
const GOOD: GateAnswers = {
  way: 'permit',
  permit: 'HW-214',
  permitUntil: '16:00',
  gasRead: '0',
  gasAllowed: '5',
  gasTestedAt: '12:40',
  gasStandsMin: '60',
  dustGone: false,
  coversTablet: true,
  coversTools: true,
};
/** How many minutes it opens for; what stands against it otherwise. */
const gate = (more: Partial<GateAnswers>, hazard = GAS, at = AT): number | string => {
  const judged = judgeGate({ ...GOOD, ...more }, hazard, NOW, at);
  return judged.ok
    ? (judged.value.untilMs - NOW) / 60_000
    : judged.problems.map((p) => `${p.path}: ${p.message}`).join('\n');
};

it('opens until the first of permit and gas test lapses', () => {
  expect(gate({})).toBe(40);
  expect(gate({ gasStandsMin: '480' })).toBe(180);
  expect(gate({}, { gas: false, dust: false })).toBe(180);
  // Over midnight.
  expect(gate({ permitUntil: '01:30', gasTestedAt: '22:50', gasStandsMin: '300' }, GAS, 23 * 60)).toBe(150);
});

it('opens for a shift where the device stays outside, and asks nothing else', () => {
  expect(judgeGate({ ...NOTHING_SAID, way: 'outside' }, GAS, NOW, AT)).toEqual({
    ok: true,
    value: { untilMs: NOW + 8 * 3600_000 },
  });
});

it.each<[string, Partial<GateAnswers>, RegExp]>([
  [
    'more gas than the permit allows, by how much',
    { gasRead: '7,5' },
    /7\.5 % .* allows 5 %: 2\.5 % too much/,
  ],
  ['a test that has lapsed', { gasTestedAt: '11:30' }, /not stood for 30 min/],
  ['a test that lapses now', { gasTestedAt: '12:00' }, /not stood for 0 min/],
  ['a test that is yet to be made', { gasTestedAt: '13:20' }, /lies ahead/],
  ['a permit that has ended', { permitUntil: '12:15' }, /ended 45 min ago/],
  ['a permit without a number', { permit: ' ' }, /permit: say its number/],
  ['a time that is none', { permitUntil: 'tonight' }, /such as 16:00/],
  ['a reading that is none', { gasRead: 'none' }, /what the tester showed/],
  ['a permit that does not name the tablet', { coversTablet: false }, /this very tablet/],
  ['a permit that does not name the tools', { coversTools: false }, /testers, torches/],
])('stays shut for %s', (_, more, words) => expect(gate(more)).toMatch(words));

it('asks for everything at once where nothing is said, and takes the limit for what still passes', () => {
  expect(
    gate({ ...NOTHING_SAID, way: 'permit' })
      .toString()
      .split('\n'),
  ).toHaveLength(8);
  expect(judgeGate(NOTHING_SAID, GAS, NOW, AT).ok).toBe(false);
  expect(gate({ gasRead: '5' })).toBe(40);
  expect(gate({ gasRead: '5.01' })).toMatch(/0\.01 % too much/);
});

it('asks about dust where there is dust, and about both where nobody knows', () => {
  expect(hazardOf({ zone: null, hazardClass: undefined, division: undefined })).toBeNull();
  expect(hazardOf({ zone: 1, hazardClass: undefined, division: undefined })).toEqual(GAS);
  expect(hazardOf({ zone: 21, hazardClass: undefined, division: undefined })).toEqual({
    gas: false,
    dust: true,
  });
  expect(hazardOf({ zone: null, hazardClass: 'I', division: 2 })).toEqual(GAS);
  expect(hazardOf({ zone: undefined, hazardClass: undefined, division: undefined })).toEqual({
    gas: true,
    dust: true,
  });
  expect(gate({}, { gas: false, dust: true })).toMatch(/dust has to be gone/);
  expect(gate({ dustGone: true }, { gas: false, dust: true })).toBe(180);
});
