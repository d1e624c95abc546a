import { readFileSync } from 'node:fs';
import {
  comparePlate,
  deviceRequestSchema,
  mayBeInstalled,
  planDevice,
  plateMarks,
  turned,
  type DeviceRequest,
} from '.';

const EXAMPLE = deviceRequestSchema.validateSync(
  JSON.parse(readFileSync('examples/plan/device.json', 'utf8')),
);
const ORDER = { volts: 400, hz: 50, watts: 4000 };
const TOLERANCE = { supplyToleranceShare: 0.1, powerOverShare: 0.05 };
const plate = (given: Parameters<typeof comparePlate>[2]) =>
  comparePlate(ORDER, TOLERANCE, { ...ORDER, ...given });

describe('nameplate against the order', () => {
  it.each<[string, Parameters<typeof comparePlate>[2], string, RegExp]>([
    // 400 V ± 10 %: 360 to 440 V; 4000 W and 5 %: 4200 W.
    ['at the lowest supply', { volts: 360 }, 'holds', /^supply 360 V$/],
    ['just under it', { volts: 359.9 }, 'fails', /400 V ordered: 0.1 V less than it may be/],
    ['at the highest supply', { volts: 440 }, 'holds', /^supply 440 V$/],
    ['of another supply', { volts: 690 }, 'fails', /250 V more than it may be/],
    ['of another frequency', { hz: 60 }, 'fails', /50 Hz ordered: 10 Hz more/],
    ['for direct current', { hz: 0 }, 'fails', /50 Hz less/],
    ['as strong as it may be', { watts: 4200 }, 'holds', /^power 4200 W$/],
    ['stronger', { watts: 4201 }, 'fails', /1 W more than it may be/],
    ['weaker: the order says what it may draw', { watts: 10 }, 'holds', /^power 10 W$/],
    ['that nobody has read', { volts: undefined }, 'ask', /read the supply off the plate/],
  ])('%s', (_, given, verdict, words) => {
    const [key] = Object.keys(given);
    const found = plate(given).find((f) => f.figure === key);
    expect(found?.verdict).toBe(verdict);
    expect(found?.words).toMatch(words);
  });
});

describe('marks of the plate against its place', () => {
  const PLACE = {
    concept: 'Ex d',
    ip: '66',
    gasGroup: 'IIB',
    dustGroup: null,
    temperatureClass: 'T4',
  } as const;
  const GOOD = {
    ip: 'IP 66',
    concept: 'Ex d',
    gasGroup: 'IIB',
    temperatureClass: 'T4',
    certificate: 'on the plate',
  };
  const refusal = (change: Readonly<Record<string, string>>) => {
    const may = mayBeInstalled(PLACE, { ...GOOD, ...change });
    return may.ok ? '' : may.problems.map((p) => p.message).join('; ');
  };
  it('takes what is asked for and what covers it, and nothing less', () => {
    expect(refusal({})).toBe('');
    expect(
      refusal({ gasGroup: 'IIC', temperatureClass: 'T6', certificate: 'on a second plate beside it' }),
    ).toBe('');
    for (const [mark, said] of [
      ['gasGroup', 'IIA'],
      ['gasGroup', 'no gas group'],
      ['temperatureClass', 'T3'],
      ['concept', 'Ex e'],
      ['certificate', 'no certificate number'],
      // Immersion is another test than jets, and covers none of them (IEC 60529).
      ['ip', 'IP 67'],
      ['ip', 'IP 65'],
      ['ip', 'another IP, or none'],
    ] as const)
      expect(refusal({ [mark]: said })).toMatch(RegExp(`the plate says ${said}, and the place asks for`));
  });

  it('never takes a mark that nobody has read, and asks for none that the place does not ask for', () => {
    const may = mayBeInstalled(PLACE, {});
    expect(may.ok ? [] : may.problems.map((p) => p.path)).toEqual(
      ['ip', 'concept', 'gasGroup', 'temperatureClass', 'certificate'].map((key) => `chosen.${key}`),
    );
    const plain = {
      concept: 'none',
      ip: '54',
      gasGroup: null,
      dustGroup: undefined,
      temperatureClass: null,
    } as const;
    expect(plateMarks(plain).map((m) => m.key)).toEqual(['ip']);
  });

  it('offers no option twice: each is said once', () => {
    const options = plateMarks({ ...PLACE, dustGroup: 'IIIB' }).flatMap((m) => m.options);
    expect(new Set(options).size).toBe(options.length);
  });
});

describe('turning the housing', () => {
  const either = { limitDeg: 340, way: 'either' } as const;
  it('adds up what was turned, back and forth, to the limit and no farther', () => {
    expect(turned([], either)).toEqual({ ok: true, value: 0 });
    expect(turned([170, 170], either)).toEqual({ ok: true, value: 340 });
    expect(turned([340, -680], either)).toEqual({ ok: true, value: -340 });
    const over = turned([170, 170.5], either);
    expect(over.ok ? '' : over.problems[0]).toMatchObject({
      path: 'turns[1]',
      message: expect.stringContaining('0.5° too far') as string,
    });
  });

  it('goes the one way that is allowed, and back no farther than it stood', () => {
    const clockwise = { limitDeg: 90, way: 'clockwise' } as const;
    expect(turned([60, -60], clockwise).ok).toBe(true);
    expect(turned([60, -61], clockwise).ok).toBe(false);
    expect(turned([-1], clockwise).ok).toBe(false);
    expect(turned([-90], { limitDeg: 90, way: 'counterClockwise' }).ok).toBe(true);
    expect(turned([1], { limitDeg: 90, way: 'counterClockwise' }).ok).toBe(false);
    expect(turned([NaN], either).ok).toBe(false);
  });

  it('over all rows of up to six turns never stands beyond its limit at any of them', () => {
    const TURNS = [-170, -90, 0, 90, 170];
    const walk = (turns: readonly number[]): void => {
      let sum = 0;
      const within = turns.every((t) => Math.abs((sum += t)) <= 340);
      expect(turned(turns, either).ok).toBe(within);
      if (turns.length < 6) for (const t of TURNS) walk([...turns, t]);
    };
    walk([]);
  });
});

describe('a plan', () => {
  const planned = (change: Partial<DeviceRequest>) => {
    const made = planDevice({ ...EXAMPLE, ...change });
    if (!made.ok) throw new Error(JSON.stringify(made.problems));
    return made.value;
  };
  it('names the ring with its room, where it stands, and four passes criss-cross', () => {
    // 13.1 to 13.6 in 11.5 to 17.5: 1.6 mm to the lower end.
    expect(planned({})).toMatchObject({
      answer: 'holds',
      standsAtDeg: 135,
      ring: { id: 'ring 17', marginMm: expect.closeTo(1.6, 9) as number },
      passes: [{ torqueNm: 1.8 }, { torqueNm: 3.6 }, { torqueNm: 6 }, { order: [1, 2, 3, 4, 5, 6, 7, 8] }],
    });
  });

  it.each([
    ['between two rings: measure again', { min: 11.2, max: 12.6 }, 'ask', /measure again/],
    ['too thick for any', { min: 17.7, max: 18 }, 'fails', /ring 17 misses it by 0.5 mm/],
  ])('of a cable %s', (_, cableMm, answer, words) => {
    expect(planned({ cableMm })).toMatchObject({
      answer,
      ring: null,
      ringWords: expect.stringMatching(words) as string,
    });
  });

  it('stops at a plate that differs and asks for one that nobody has read', () => {
    expect(planned({ plate: { ...EXAMPLE.plate, hz: 60 } }).answer).toBe('fails');
    expect(planned({ plate: {} }).answer).toBe('ask');
  });
});
