import { judgeTest, readTest } from '@/core/electrical-test';
import {
  continuityOf,
  coreNames,
  earthPathOf,
  emptyForm,
  insulationOf,
  insulationTests,
  isOpen,
  keptForm,
  pairKey,
  type Asked,
} from './test-form';

const TYPE = { cores: 2, coreSectionMm2: 2.5, armourMaterial: 'galvanisedSteel' } as const;
const EMPTY = emptyForm(TYPE);
const CORES = coreNames(TYPE);
const TESTS = insulationTests(TYPE);
const NONE = new Map<string, number>();
const answer = (asked: Asked) => ('test' in asked ? judgeTest(asked.test).answer : asked.lacking);

describe('a form of tests', () => {
  it('that nobody has touched asks, and holds nothing', () => {
    expect(answer(continuityOf(EMPTY, CORES))).toBe('ask');
    expect(answer(earthPathOf(EMPTY))).toEqual([
      'its cross-section',
      'how long the cable is',
      'how warm it is',
    ]);
    expect(answer(insulationOf(EMPTY, TESTS, NONE))).toEqual([
      'the voltage of the circuit',
      'what the insulation is',
    ]);
  });

  it('reads pairs as they are typed: a comma, a dash, over the range, and nothing that is no reading', () => {
    const matrix = {
      [pairKey('1', '1')]: '0,8',
      [pairKey('1', '2')]: '–',
      [pairKey('2', '1')]: '>999',
      [pairKey('2', '2')]: '0.8',
    };
    expect(answer(continuityOf({ ...EMPTY, dead: true, matrix }, CORES))).toBe('holds');
    const typo = { ...matrix, [pairKey('2', '2')]: '0.8O' };
    expect(answer(continuityOf({ ...EMPTY, dead: true, matrix: typo }, CORES))).toEqual([
      'what “0.8O” is: Ω, or a dash for nothing',
    ]);
    expect(['-', '–', 'OL', 'open', '>20'].every(isOpen)).toBe(true);
    expect(['0', '0.8', '', 'x'].some(isOpen)).toBe(false);
  });

  it('makes requests that the record takes, whatever was left out', () => {
    const said = {
      ...EMPTY,
      lengthFrom: '60',
      tempC: '20',
      earthMm2: '44',
      circuitV: '400',
      insulation: 'xlpe' as const,
    };
    const curves = { [TESTS[0] ?? '']: ['', '', '> 2000', ''] };
    for (const asked of [
      continuityOf(said, CORES),
      earthPathOf(said),
      insulationOf({ ...said, curves }, TESTS, new Map([[TESTS[1] ?? '', 40]])),
    ]) {
      if (!('test' in asked)) throw new Error(asked.lacking.join());
      // As it travels: what is not said is not there.
      expect(readTest(JSON.parse(JSON.stringify(asked.test))).ok).toBe(true);
      expect(judgeTest(asked.test).answer).toBe('ask');
    }
  });

  it('comes back from this device field by field, and not from what is no form', () => {
    expect(keptForm(JSON.stringify({ dead: true, tempC: 5, volts: '500', strange: 1 }), EMPTY)).toEqual({
      ...EMPTY,
      dead: true,
      volts: '500',
    });
    for (const text of ['', '{', 'null', '[1]', '"x"', '{"matrix":null}'])
      expect(keptForm(text, EMPTY)).toEqual(EMPTY);
  });
});

it('calls cores as their type does, and by number where it does not or contradicts itself', () => {
  expect(coreNames({ cores: 2 })).toEqual(['1', '2']);
  const named = [
    { name: 'BN', use: 'power' },
    { name: 'GNYE', use: 'earth' },
  ] as const;
  expect(coreNames({ cores: 2, coreNames: [...named] })).toEqual(['BN', 'GNYE']);
  const trailing = { cores: 6, phaseColours: ['BN', 'BK', 'GY'], earthCores: 2, pilotCores: 1 };
  expect(coreNames(trailing)).toEqual(['BN', 'BK', 'GY', 'E1', 'E2', 'P1']);
  expect(coreNames({ ...trailing, pilotCores: undefined })).toEqual(['1', '2', '3', '4', '5', '6']);
});
