import { measure, measuringBy, type Reading } from '@/core/cable-measurement';
import { asksAgain, refusalOf, type Acceptance } from '@/core/record';
import { DEFAULT_PROFILE } from '@/core/schedule';
import { halfWidthOf, readPlusMinus, worthOf } from './worth';

const RULES = DEFAULT_PROFILE.measurement;
const WORTH = worthOf([
  { code: 'Caliper 12', uncertainty: '± 0.02 mm' },
  { code: 'Old caliper', uncertainty: '0.4 mm' },
  { code: 'TW-3', uncertainty: '± 2 %' },
  { code: 'TW-9', uncertainty: '+/- 3 N·m' },
  { code: 'Silent', uncertainty: 'see certificate' },
]);

it.each([
  ['± 0.02 mm', { value: 0.02, unit: 'mm' }],
  ['0,05mm', { value: 0.05, unit: 'mm' }],
  ['1/64 in', { value: 25.4 / 64, unit: 'mm' }],
  ['4 %', { value: 4, unit: '%' }],
  ['± 1.5 N·m', { value: 1.5, unit: 'N·m' }],
  ['±1.5 Nm', { value: 1.5, unit: 'N·m' }],
  ['± 20 mΩ', { value: 0.02, unit: 'Ω' }],
  ['0.5 ohm', { value: 0.5, unit: 'Ω' }],
  ['2 MΩ', { value: 2, unit: 'MΩ' }],
  ['0 %', null],
  ['± 0 N·m', null],
  ['0.02', null],
  ['', null],
  ['± 0.02', null],
  ['see certificate', null],
  ['-0.02 mm', null],
  ['± 0 mm', null],
])('reads %s as it is meant, and guesses at no unit', (text, read) => {
  expect(readPlusMinus(text)).toEqual(
    read === null ? null : { ...read, value: expect.closeTo(read.value, 9) as number },
  );
});

const interval = (instrument: string | undefined, method: Reading['method'] = 'caliper', text = '28') => {
  const reading: Reading = {
    quantity: 'outerSheath',
    method,
    text,
    unit: 'mm',
    angleDeg: 0,
    ...(instrument ? { instrument } : {}),
  };
  const made = measure([reading, { ...reading, angleDeg: 90 }], 'outerSheath', { ...RULES, worth: WORTH });
  if (!made.ok || made.value === null) throw new Error('not measured');
  return made.value.interval;
};

it('widens a diameter by an instrument that is worse than the hand, and narrows it by none', () => {
  // The profile counts 0.1 mm for a caliper in a hand.
  expect(interval(undefined)).toEqual({ min: 27.9, max: 28.1 });
  expect(interval('caliper  12')).toEqual({ min: 27.9, max: 28.1 });
  expect(interval('Silent')).toEqual({ min: 27.9, max: 28.1 });
  expect(interval('TW-9')).toEqual({ min: 27.9, max: 28.1 });
  expect(interval('old CALIPER')).toEqual({ min: 27.6, max: 28.4 });
});

it('counts what a wrap tape may be off round the cable as a third of that across', () => {
  const wide = interval('Old caliper', 'wrapTape', '90');
  const usual = interval(undefined, 'wrapTape', '90');
  // 0.4 / π = 0.127 mm, less than the 0.2 mm that the profile counts.
  expect(wide).toEqual(usual);
});

it('counts a wrench that says nothing with the share that most may be off, and one that says more with its own', () => {
  const measuring = measuringBy({ ...RULES, worth: WORTH });
  expect(halfWidthOf(measuring, undefined, 36, 'N·m')).toBeCloseTo(1.44);
  expect(halfWidthOf(measuring, 'TW-3', 36, 'N·m')).toBeCloseTo(0.72);
  expect(halfWidthOf(measuring, 'TW-9', 36, 'N·m')).toBe(3);
  expect(halfWidthOf(measuring, 'Caliper 12', 36, 'N·m')).toBeCloseTo(1.44);
  expect(halfWidthOf(measuring, 'Caliper 12', 12, 'mm')).toBe(0.02);
});

it('takes a torque well inside, asks again near a limit and refuses past it, by the wrench it was read with', () => {
  const measuring = measuringBy({ ...RULES, worth: WORTH });
  const torque: Acceptance = {
    key: 'torque',
    label: 'Torque',
    unit: 'N·m',
    min: 33,
    max: 39,
    over: 'too much',
  };
  expect(asksAgain(torque, 37.5, measuring, undefined)).toBe(false);
  expect(asksAgain(torque, 37.51, measuring, undefined)).toBe(true);
  expect(asksAgain(torque, 37.51, measuring, 'TW-3')).toBe(false);
  expect(asksAgain(torque, 36.1, measuring, 'TW-9')).toBe(true);
  expect(refusalOf(torque, { value: 39.2 }, measuring, 'TW-3')).toMatch(
    /39.2 N·m; 33–39 N·m asked for: 0.2 N·m too much/,
  );
  expect(refusalOf(torque, { value: 38.8, again: 38.6 }, measuring, 'TW-3')).toBeNull();
  expect(refusalOf(torque, { value: 38.8, again: 39.4 }, measuring, 'TW-3')).toMatch(/0.4 N·m too much/);
  expect(refusalOf(torque, { value: NaN }, measuring, undefined)).toMatch(/is not a torque/);
});
