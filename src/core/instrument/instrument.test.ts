import { validate } from '@/core/kernel';
import {
  instrumentCheckSchema,
  instrumentSchema,
  openAgain,
  standingOn,
  standingWords,
  unfitInstruments,
  type InstrumentCheck,
} from '.';

const good = (on: string, until: string): InstrumentCheck => ({ on, until, good: true, certificate: '' });
const bad = (on: string): InstrumentCheck => ({ on, until: on, good: false, certificate: '' });
const YEAR = good('2026-01-10', '2026-06-30');

describe('an instrument on a day', () => {
  it.each<[string, InstrumentCheck[], string, string]>([
    ['used nobody knows when', [YEAR], '', 'nobody said when TW-3 was used'],
    ['never checked', [], '2026-03-01', 'TW-3 has no check before 2026-03-01'],
    ['before its first check', [YEAR], '2026-01-09', 'TW-3 has no check before 2026-01-09'],
    ['on the day of its check', [YEAR], '2026-01-10', 'TW-3 is in calibration until 2026-06-30'],
    ['on its last day', [YEAR], '2026-06-30', 'TW-3 is in calibration until 2026-06-30'],
    ['a day later', [YEAR], '2026-07-01', 'the calibration of TW-3 ended on 2026-06-30'],
    [
      'found bad since',
      [YEAR, bad('2026-05-02')],
      '2026-03-01',
      'found out of calibration on 2026-05-02, after it was used here',
    ],
    [
      'found bad before',
      [YEAR, bad('2026-05-02')],
      '2026-05-02',
      'TW-3 was found out of calibration on 2026-05-02',
    ],
    [
      'found bad, mended, and used after',
      [YEAR, bad('2026-05-02'), good('2026-05-09', '2027-05-09')],
      '2026-05-10',
      'until 2027-05-09',
    ],
    [
      'found bad, mended, and used before',
      [YEAR, bad('2026-05-02'), good('2026-05-09', '2027-05-09')],
      '2026-05-01',
      'after it was used here',
    ],
    [
      'found good, and bad much later',
      [YEAR, good('2026-04-01', '2026-12-31'), bad('2026-12-01')],
      '2026-03-01',
      'until 2026-06-30',
    ],
    ['checks in any order', [bad('2026-05-02'), YEAR], '2026-03-01', 'after it was used here'],
    [
      'twice on one day, the last counts',
      [bad('2026-05-02'), good('2026-05-02', '2026-12-31')],
      '2026-05-02',
      'until 2026-12-31',
    ],
  ])('%s', (_, checks, day, words) => {
    expect(standingWords('TW-3', standingOn(checks, day))).toContain(words);
  });
});

describe('what was measured with', () => {
  const register = [
    { code: 'TW-3', checks: [YEAR, bad('2026-05-02')] },
    { code: 'Caliper 7', checks: [YEAR] },
  ];
  const at = '2026-03-01T08:00:00.000Z';

  it('says nothing where no register is kept, and knows every instrument where one is', () => {
    expect(unfitInstruments([], [{ code: 'TW-9', at }])).toEqual([]);
    expect(unfitInstruments(register, [{ code: 'TW-9', at }])).toEqual([
      'TW-9 is not in the register: nobody knows its calibration',
    ]);
    expect(unfitInstruments(register, [])).toEqual([]);
    for (const kept of [[], register])
      expect(unfitInstruments(kept, [{ code: ' SIMULATED  caliper', at }])).toEqual([
        expect.stringContaining('measures nothing'),
      ]);
  });

  it('finds each instrument once, however it is written', () => {
    const used = ['tw-3', ' TW-3 ', 'caliper  7', ''].map((code) => ({ code, at }));
    expect(unfitInstruments(register, used)).toEqual([
      'TW-3 was found out of calibration on 2026-05-02, after it was used here',
    ]);
  });

  it('is open again since the last good check, and only that', () => {
    const checks = [good('2026-01-10', '2026-12-31'), good('2026-03-10', '2026-12-31'), bad('2026-05-02')];
    const used = ['2026-03-09', '2026-03-10', '2026-05-01', '2026-05-02'].map((day) => ({
      code: 'TW-3',
      at: `${day}T12:00:00.000Z`,
    }));
    expect(openAgain({ code: 'TW-3', checks }, used).map((u) => u.at.slice(0, 10))).toEqual([
      '2026-03-10',
      '2026-05-01',
      '2026-05-02',
    ]);
  });
});

it('takes days of the calendar only, and no end before its check', () => {
  const check = { on: '2026-02-01', good: true, until: '2027-02-01', certificate: '' };
  expect(validate(instrumentCheckSchema, check).ok).toBe(true);
  for (const wrong of [
    { on: '2026-02-30' },
    { on: '2025-02-29' },
    { on: '2026-13-01' },
    { on: '2026-04-00' },
    { on: '1.2.2026' },
    { until: '2026-01-31' },
    { good: 'yes' },
    { on: null },
  ])
    expect(validate(instrumentCheckSchema, { ...check, ...wrong }).ok).toBe(false);
  const own = { code: 'TW-3', kind: 'torqueWrench', holder: '', uncertainty: '± 4 %' };
  expect(validate(instrumentSchema, own).ok).toBe(true);
  for (const wrong of [{ code: '' }, { kind: 'hammer' }, { more: 1 }])
    expect(validate(instrumentSchema, { ...own, ...wrong }).ok).toBe(false);
});
