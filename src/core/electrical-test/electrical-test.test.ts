import fc from 'fast-check';
import { validate } from '@/core/kernel';
import {
  atTwenty,
  conductorOhm,
  continuityReadings,
  continuityRequestSchema,
  fromTwenty,
  INSULATION_MODELS,
  insulationAt,
  insulationRequestSchema,
  lowOhmReading,
  planContinuity,
  planEarthPath,
  planInsulation,
  READ_AT,
  testVerdict,
  type ConductorPath,
  type EarthPathRequest,
  type InsulationRequest,
  type Wiring,
} from '.';

const names = (n: number) => Array.from({ length: n }, (_, i) => String(i + 1));
const asked = (wiring: Omit<Wiring, 'ohm'>) => ({
  cores: [...wiring.cores],
  provedDead: true,
  throughOhm: 10,
  openOhm: 1e5,
  uncertaintyOhm: 0.05,
  path: undefined,
  readings: continuityReadings({ ...wiring, ohm: 0.9 }),
});
const codes = (findings: readonly { verdict: string; case: { code: string } }[], verdict: string) =>
  findings.filter((f) => f.verdict === verdict).map((f) => f.case.code);

describe('continuity, core by core', () => {
  it('finds every pair that is exchanged, of up to 24 cores, and nothing else', () => {
    for (let n = 2; n <= 24; n += 1)
      for (let a = 0; a < n; a += 1)
        for (let b = a + 1; b < n; b += 1) {
          const cores = names(n);
          const [x = '', y = ''] = [cores[a], cores[b]];
          const { answer, findings } = planContinuity(asked({ cores, swapped: [[x, y]] }));
          expect(answer).toBe('fails');
          expect(findings.filter((f) => f.verdict === 'fails').map((f) => f.case)).toEqual([
            {
              code: 'crossed',
              pairs: [
                [x, y],
                [y, x],
              ],
            },
          ]);
        }
  });

  it('holds when each comes out as itself, and only when every pair was measured', () => {
    const good = asked({ cores: names(5) });
    expect(planContinuity(good)).toMatchObject({ answer: 'holds' });
    for (let k = 0; k < good.readings.length; k += 1) {
      const { answer, findings } = planContinuity({
        ...good,
        readings: good.readings.filter((_, i) => i !== k),
      });
      expect(answer).toBe('ask');
      expect(codes(findings, 'ask')).toEqual(['unmeasured']);
    }
    expect(planContinuity({ ...good, provedDead: undefined }).answer).toBe('ask');
    expect(planContinuity({ ...good, readings: [] }).answer).toBe('ask');
  });

  it.each<[string, Partial<Wiring>, readonly string[], string]>([
    ['one open', { open: ['3'] }, ['opens', 'opens'], 'core 3 reaches nothing at the far end'],
    ['two joined', { joined: [['1', '2']] }, ['joined'], 'joined: 1, 2 of this end with 1, 2 of the far end'],
    [
      'three in a ring',
      {
        swapped: [
          ['1', '2'],
          ['2', '3'],
        ],
      },
      ['crossed'],
      'crossed: 1 comes out as 2, 2 comes out as 3, 3 comes out as 1',
    ],
    [
      'a pair exchanged and another joined',
      { swapped: [['1', '2']], joined: [['3', '4']] },
      ['joined', 'crossed'],
      'joined: 3, 4',
    ],
  ])('names %s', (_, wiring, fails, words) => {
    const { findings } = planContinuity(asked({ cores: names(4), ...wiring }));
    expect(codes(findings, 'fails')).toEqual(fails);
    expect(testVerdict(findings)).toContain(words);
  });

  it('asks about what is neither a connection nor none', () => {
    const good = asked({ cores: names(2) });
    const readings = good.readings.map((r) => (r.near === '1' && r.far === '2' ? { ...r, ohm: 500 } : r));
    const { answer, findings } = planContinuity({ ...good, readings });
    expect(answer).toBe('ask');
    expect(testVerdict(findings)).toBe(
      '1 against 2 reads 500 Ω: more than 10 Ω of a connection, less than 100000 Ω of none',
    );
  });

  it('carries every core of a wiring to where it comes out, whatever is exchanged', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 12 }), fc.array(fc.nat(200), { maxLength: 8 }), (n, picks) => {
        const cores = names(n);
        const swapped = picks.flatMap((p, k): [string, string][] => {
          const [a, b] = [cores[p % n], cores[(p + k + 1) % n]];
          return a === undefined || b === undefined || a === b ? [] : [[a, b]];
        });
        const { carried, findings } = planContinuity(asked({ cores, swapped }));
        // By hand: exchanging one after the other.
        const out = new Map(cores.map((c) => [c, c]));
        for (const [a, b] of swapped) {
          const [x = '', y = ''] = [out.get(a), out.get(b)];
          out.set(a, y);
          out.set(b, x);
        }
        expect(carried).toEqual(cores.map((near) => ({ near, far: out.get(near) })));
        const wrong = cores.filter((c) => out.get(c) !== c).length;
        const said = findings.flatMap((f) => (f.case.code === 'crossed' ? f.case.pairs : []));
        expect(said).toHaveLength(wrong);
      }),
      { numRuns: 200, seed: 3 },
    );
  });

  it('refuses a core twice, a pair twice, a core that is not there, and limits that leave no room', () => {
    const good = asked({ cores: ['1', '2'] });
    const one = { near: '1', far: '2', ohm: null };
    for (const bad of [
      { ...good, cores: ['1', '1'] },
      { ...good, readings: [...good.readings, one] },
      { ...good, readings: [{ ...one, far: '9' }] },
      { ...good, openOhm: 10 },
      { ...good, readings: [{ ...one, ohm: -1 }] },
    ])
      expect(validate(continuityRequestSchema, bad).ok).toBe(false);
    expect(validate(continuityRequestSchema, good).ok).toBe(true);
  });
});

describe('armour and earth', () => {
  // 100 m of 25 mm² copper at 20 °C: 0.017241 · 100 / 25 = 68.964 mΩ; a quarter more at most: 86.205 mΩ.
  const path: ConductorPath = {
    material: 'copper',
    areaMm2: 25,
    lengthM: { min: 100, max: 102 },
    tempC: 20,
    overShare: 0.25,
  };
  const request: EarthPathRequest = {
    of: 'armour',
    provedDead: true,
    ohm: 0.07,
    uncertaintyOhm: 0.002,
    mA: 200,
    leadsNulled: true,
    path,
  };

  it.each<[ConductorPath['material'], number, number, number, number]>([
    ['copper', 25, 100, 20, 0.068964],
    ['copper', 25, 100, 70, 0.0825154],
    ['copper', 2.5, 40, 0, 0.2541737],
    ['aluminium', 35, 250, 20, 0.2018857],
    ['aluminium', 35, 250, 45, 0.2222257],
    ['bronze', 50, 80, 30, 0.05768],
    ['steel', 44, 60, 20, 0.1881818],
    ['steel', 44, 60, 60, 0.2220545],
    ['stainlessSteel', 20, 10, 60, 0.35],
  ])('%s of %d mm², %d m at %d °C has %d Ω', (material, areaMm2, metres, tempC, ohm) => {
    expect(conductorOhm({ material, areaMm2, tempC }, metres)).toBeCloseTo(ohm, 6);
  });

  it.each<[string, Partial<EarthPathRequest>, string, string]>([
    ['well below the limit', {}, 'holds', 'holds'],
    ['all of it just below', { ohm: 0.0842 }, 'holds', 'holds'],
    ['partly above', { ohm: 0.0843 }, 'ask', 'armour: between 82 mΩ and 86 mΩ, and 86 mΩ is the limit'],
    ['partly below', { ohm: 0.0882 }, 'ask', 'measure again with a finer instrument'],
    ['all of it above', { ohm: 0.0883 }, 'fails', 'armour: 88 mΩ, 2 mΩ more than it may have'],
    ['less than it can have', { ohm: 0.046 }, 'ask', 'something else carries beside it'],
    ['just as much as it can have', { ohm: 0.0463 }, 'holds', 'holds'],
    ['199 mA', { mA: 199 }, 'fails', 'measured with 199 mA: 1 less than needed'],
    ['a current that nobody said', { mA: undefined }, 'ask', '200 mA at least'],
    ['leads in it', { leadsNulled: false }, 'ask', 'null them and measure again'],
    ['leads that nobody said', { leadsNulled: undefined }, 'ask', 'say whether the leads were nulled'],
    ['not measured', { ohm: undefined }, 'ask', 'armour is not measured'],
    ['not proved dead', { provedDead: false }, 'ask', 'prove dead'],
  ])('%s', (_, more, answer, words) => {
    const plan = planEarthPath({ ...request, ...more });
    expect(plan.answer).toBe(answer);
    expect(testVerdict(plan.findings)).toContain(words);
  });

  it('takes the shortest it may be: a longer interval never lets more through', () => {
    const longer = planEarthPath({ ...request, path: { ...path, lengthM: { min: 100, max: 400 } } });
    expect(longer.mostOhm).toBeCloseTo(0.086205, 6);
  });

  it('is read by the shipped tester with its leads unless they are nulled', () => {
    const read = (nulled: boolean) => lowOhmReading(path, { leadsOhm: 0.1, nulled, noiseOhm: 0, seed: 1 });
    expect(read(false) - read(true)).toBeCloseTo(0.1, 9);
    // 101 m, the middle of what it may be.
    expect(read(true)).toBeCloseTo(0.0696536, 6);
  });
});

describe('insulation', () => {
  const test = (mohm: number, more: object = {}) => ({
    of: '1 against all',
    readings: [{ s: 60, mohm }],
    ...more,
  });
  const request: InsulationRequest = {
    circuitV: 400,
    provedDead: true,
    electronicsOff: true,
    farGuarded: true,
    insulation: 'xlpe',
    lengthM: { min: 100, max: 100 },
    tempC: 20,
    leastMohmKm: 10,
    tester: { volts: 500, uncertaintyShare: 0.05 },
    tests: [test(200)],
    trendShare: 0.5,
    discharge: { times: 4, leastS: 60 },
  };
  const said = (more: Partial<InsulationRequest>) => {
    const plan = planInsulation({ ...request, ...more });
    return [plan.answer, testVerdict(plan.findings)] as const;
  };

  it.each<[string, Partial<InsulationRequest>, string, string]>([
    // 200 MΩ less 5 % over 0.1 km: 19 MΩ·km.
    ['holds on every count', {}, 'holds', 'holds'],
    ['500 V for 500 V', { circuitV: 500 }, 'holds', 'holds'],
    ['1000 V for more', { circuitV: 501 }, 'fails', 'this circuit asks for 1000 V'],
    ['250 V for extra-low voltage', { circuitV: 50 }, 'fails', 'asks for 250 V'],
    ['no low voltage', { circuitV: 1001 }, 'fails', 'these values end at 1000 V'],
    ['a voltage that nobody said', { tester: { uncertaintyShare: 0 } }, 'ask', '500 V for this circuit'],
    // 1 MΩ by the standard; 1.06 less 5 % is 1.007, 1.05 is not.
    [
      'just over the standard',
      { noTypeLimit: true, leastMohmKm: undefined, tests: [test(1.06)] },
      'holds',
      'holds',
    ],
    [
      'about the standard',
      { noTypeLimit: true, leastMohmKm: undefined, tests: [test(1.05)] },
      'ask',
      'and 1 MΩ is the limit',
    ],
    [
      'under it',
      { noTypeLimit: true, leastMohmKm: undefined, tests: [test(0.95)] },
      'fails',
      '0.05 MΩ less than needed',
    ],
    // 10 MΩ·km over 0.1 km: 100 MΩ; 105.3 less 5 % is 100.04.
    ['just over its own sheet', { tests: [test(105.3)] }, 'holds', 'holds'],
    ['about its own sheet', { tests: [test(105.2)] }, 'ask', 'and its sheet asks for 10 MΩ·km'],
    ['under its own sheet', { tests: [test(95.2)] }, 'fails', 'less than its sheet asks for'],
    // At 30 °C half of what it has at 20: 60 MΩ are 120, less 5 % 114.
    ['warm', { tempC: 30, tests: [test(60)] }, 'holds', 'holds'],
    ['as read at 30 °C, taken at 20', { tests: [test(60)] }, 'fails', 'less than its sheet asks for'],
    ['cold', { tempC: 10, tests: [test(200)] }, 'ask', 'measure again'],
    ['no temperature', { tempC: undefined }, 'ask', 'say how warm the cable is'],
    ['no length', { lengthM: undefined }, 'ask', 'say how long the cable is'],
    ['no word of its sheet', { leastMohmKm: undefined }, 'ask', 'the cable’s own sheet'],
    ['far from 20 °C', { tempC: 51 }, 'ask', '51 °C is more than 30 K from 20 °C'],
    ['far, by its own step', { tempC: 51, halvesPerK: 7 }, 'holds', 'holds'],
    ['read too soon', { tests: [{ of: 'a', readings: [{ s: 59, mohm: 900 }] }] }, 'ask', 'read it at 60 s'],
    ['never read', { tests: [{ of: 'a', readings: [] }] }, 'ask', 'read it at 60 s'],
    ['nothing tested', { tests: [] }, 'ask', 'nothing was tested yet'],
    ['electronics on it', { electronicsOff: false }, 'fails', 'electronics hang on the cable'],
    ['nobody said', { electronicsOff: undefined }, 'ask', 'are off the cable'],
    ['far end open to all', { farGuarded: false }, 'fails', 'nobody guards the far end'],
    [
      'over the range',
      { tests: [{ of: 'a', readings: [{ s: 60, mohm: 999, over: true }] }] },
      'holds',
      'holds',
    ],
    // 20 MΩ·km now: 0.49 of 40.8 before.
    ['half of what it was', { tests: [test(200, { earlierMohmKm: 40.8 })] }, 'ask', '49 % of what it was'],
    [
      'a test before, and no temperature',
      {
        noTypeLimit: true,
        leastMohmKm: undefined,
        tempC: undefined,
        tests: [test(200, { earlierMohmKm: 20 })],
      },
      'ask',
      'say how warm',
    ],
    ['a little more than half', { tests: [test(200, { earlierMohmKm: 39.9 })] }, 'holds', 'holds'],
  ])('%s', (_, more, answer, words) => {
    const [is, verdict] = said(more);
    expect(is).toBe(answer);
    expect(verdict).toContain(words);
  });

  it('says of mineral insulation that a low reading is moisture or an open far end', () => {
    const { findings } = planInsulation({ ...request, insulation: 'mineral', tests: [test(0.4)] });
    expect(codes(findings, 'ask')).toContain('damp');
  });

  it('brings to 20 °C and back what it was', () => {
    expect(atTwenty(50, 30, 10)).toBe(100);
    expect(atTwenty(50, 10, 10)).toBe(25);
    fc.assert(
      fc.property(
        fc.double({ min: 1e-3, max: 1e6, noNaN: true }),
        fc.double({ min: -20, max: 90, noNaN: true }),
        fc.double({ min: 3, max: 30, noNaN: true }),
        (mohm, c, step) => {
          expect(fromTwenty(atTwenty(mohm, c, step), c, step) / mohm).toBeCloseTo(1, 12);
        },
      ),
    );
  });

  it('asks for ratios only where they say something, and shows how long to discharge', () => {
    const readings = [15, 30, 60, 600].map((s, k) => ({ s, mohm: 100 * 2 ** k }));
    const of = (insulation: 'paper' | 'xlpe', leastRatio: number) =>
      planInsulation({ ...request, insulation, leastRatio, tests: [{ of: 'a', readings }] });
    expect(of('paper', 2)).toMatchObject({ answer: 'holds', ratiosMean: true, dischargeS: 2400 });
    expect(of('paper', 2).tested[0]).toMatchObject({ r60over30: 2, r600over60: 2 });
    expect(codes(of('paper', 2.01).findings, 'fails')).toEqual(['ratioLow']);
    expect(of('xlpe', 2.01)).toMatchObject({ answer: 'holds', ratiosMean: false });
    expect(planInsulation({ ...request, tests: [] }).dischargeS).toBe(60);
  });

  it('reads the shipped cables by their formula: the good one holds, the damp one falls, the faulty one fails', () => {
    const { good } = INSULATION_MODELS;
    // 1/9000 + 1/4000 at a minute; the soaking 4^0.8 times as strong at a quarter of it.
    expect(insulationAt(good, 60)).toBeCloseTo(1 / (1 / 9000 + 1 / 4000), 6);
    expect(insulationAt(good, 15)).toBeCloseTo(1 / (1 / 9000 + 4 ** 0.8 / 4000), 6);
    const tested = (model: keyof typeof INSULATION_MODELS) =>
      planInsulation({
        ...request,
        leastMohmKm: 0.1,
        tests: [
          {
            of: 'a',
            readings: READ_AT.map((s) => ({ s, mohm: insulationAt(INSULATION_MODELS[model], s) })),
          },
        ],
      });
    expect(tested('good').answer).toBe('holds');
    expect(codes(tested('damp').findings, 'ask')).toEqual(['falls']);
    expect(codes(tested('faulty').findings, 'fails')).toEqual(['leaks', 'perKmLow']);
  });

  it('takes no fact away without asking for it', () => {
    const { answer } = planInsulation(request);
    expect(answer).toBe('holds');
    for (const fact of [
      'provedDead',
      'electronicsOff',
      'farGuarded',
      'lengthM',
      'tempC',
      'leastMohmKm',
    ] as const)
      expect(planInsulation({ ...request, [fact]: undefined }).answer).toBe('ask');
  });

  it('refuses what is no test', () => {
    for (const bad of [
      { ...request, circuitV: 0 },
      { ...request, lengthM: { min: 5, max: 4 } },
      { ...request, tests: [{ of: 'a', readings: [{ s: 60, mohm: 0 }] }] },
      { ...request, tests: [{ of: 'a', readings: [30, 30].map((s) => ({ s, mohm: 5 })) }] },
      { ...request, discharge: { times: 0, leastS: 0 } },
      { ...request, more: 1 },
    ])
      expect(validate(insulationRequestSchema, bad).ok).toBe(false);
    expect(validate(insulationRequestSchema, request).ok).toBe(true);
  });
});
