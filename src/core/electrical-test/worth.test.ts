import { worthOf } from '@/core/instrument';
import type { ElectricalTest } from './electrical-test';
import { sameReadings, uncertaintyOf, withRegistered } from './worth';

const WORTH = worthOf([
  { code: 'CT-1', uncertainty: '± 2 %' },
  { code: 'CT-2', uncertainty: '± 80 mΩ' },
  { code: 'IT-9', uncertainty: '± 300 %' },
]);
const continuity = (ohms: readonly (number | null)[]): ElectricalTest => ({
  of: 'continuity',
  request: {
    cores: ['1', '2'],
    throughOhm: 10,
    openOhm: 1e5,
    uncertaintyOhm: 0.05,
    path: undefined,
    readings: ohms.map((ohm, i) => ({ near: i < 2 ? '1' : '2', far: i % 2 === 0 ? '1' : '2', ohm })),
  },
});
const insulation = (uncertaintyShare: number): ElectricalTest => ({
  of: 'insulation',
  request: {
    circuitV: 400,
    insulation: 'pvc',
    lengthM: undefined,
    tester: { volts: 500, uncertaintyShare },
    tests: [],
    trendShare: 0.5,
    discharge: { times: 4, leastS: 60 },
  },
});

it.each([
  // 2 % of the 4 Ω that is a connection; what is none is not counted.
  ['a share of the greatest connection', 'ct-1', [4, 2e5, null, 0.5], 0.08],
  ['less than what was said with the test', 'CT-1', [2, null, null, 2], 0.05],
  ['a figure of its own unit', 'CT-2', [2, null, null, 2], 0.08],
  ['one that nobody knows', 'CT-3', [2, null, null, 2], 0.05],
  ['nothing read at all', 'CT-1', [], 0.05],
] as const)('takes of %s', (_, code, ohms, off) => {
  const made = withRegistered(continuity(ohms), WORTH, code);
  expect(uncertaintyOf(made)).toEqual({ value: expect.closeTo(off, 9) as number, unit: 'Ω' });
  expect(withRegistered(made, WORTH, code)).toEqual(made);
});

it('takes of insulation a share, no more than all of it, and no ohms', () => {
  const off = (code: string) => uncertaintyOf(withRegistered(insulation(0.01), WORTH, code)).value;
  expect(['CT-1', 'CT-2', 'IT-9', ''].map(off)).toEqual([2, 1, 100, 1]);
});

it('knows the same readings by themselves, not by what the tester may be off', () => {
  expect(sameReadings(insulation(0.01), insulation(0.2))).toBe(true);
  expect(sameReadings(continuity([1]), withRegistered(continuity([1]), WORTH, 'CT-2'))).toBe(true);
  expect(sameReadings(continuity([1]), continuity([1.01]))).toBe(false);
  expect(sameReadings(continuity([1]), insulation(0.01))).toBe(false);
});
