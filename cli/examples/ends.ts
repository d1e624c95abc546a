import { COUPLER_EXAMPLE } from './coupler';

/** One half of an in-line joint, its insert by a sheet of our own. */
const IN_LINE_END = (tag: string, map: readonly (readonly [core: string, position: string])[]) => ({
  tag,
  insert: {
    code: 'PI-4',
    sheet: 'PI inserts, sheet 512, revision 1',
    positions: [
      { id: 'L1', xMm: -9, yMm: 6, use: 'power' },
      { id: 'L2', xMm: 9, yMm: 6, use: 'power' },
      { id: 'L3', xMm: 9, yMm: -6, use: 'power' },
      { id: 'E', xMm: -9, yMm: -6, use: 'earth', firstToMake: true },
      { id: 'P', xMm: 0, yMm: 0, use: 'pilot' },
    ],
  },
  cores: [
    { name: 'brown', use: 'power' },
    { name: 'black', use: 'power' },
    { name: 'grey', use: 'power' },
    { name: 'green-yellow', use: 'earth' },
  ],
  map: map.map(([core, position]) => ({ core, position })),
});

/** Requests about an end that is more or other than a gland, and about the tests of what is made. */
export const END_EXAMPLES: Readonly<Record<string, unknown>> = {
  continuity: {
    cores: ['brown', 'black', 'grey'],
    provedDead: true,
    throughOhm: 10,
    openOhm: 100000,
    uncertaintyOhm: 0.05,
    path: {
      material: 'copper',
      areaMm2: 2.5,
      lengthM: { min: 118, max: 121 },
      tempC: 18,
      overShare: 0.15,
    },
    readings: [
      { near: 'brown', far: 'brown', ohm: 0.84 },
      { near: 'brown', far: 'black', ohm: null },
      { near: 'brown', far: 'grey', ohm: null },
      { near: 'black', far: 'brown', ohm: null },
      { near: 'black', far: 'black', ohm: null },
      { near: 'black', far: 'grey', ohm: 0.85 },
      { near: 'grey', far: 'brown', ohm: null },
      { near: 'grey', far: 'black', ohm: 0.84 },
      { near: 'grey', far: 'grey', ohm: null },
    ],
  },
  pinmap: {
    end: IN_LINE_END('K-151/B', [
      ['brown', 'L1'],
      ['black', 'L2'],
      ['grey', 'L3'],
      ['green-yellow', 'E'],
    ]),
    other: IN_LINE_END('K-152/A', [
      ['brown', 'L1'],
      ['black', 'L3'],
      ['grey', 'L2'],
      ['green-yellow', 'E'],
    ]),
  },
  'live-cap': {
    tag: 'JB-C1, socket 2',
    log: [
      { act: 'isolate', by: 'fitter', at: '2026-11-24T07:10:00Z' },
      { act: 'lock', by: 'fitter', at: '2026-11-24T07:12:00Z' },
      { act: 'proveDead', by: 'fitter', at: '2026-11-24T07:20:00Z' },
      { act: 'capOff', by: 'fitter', at: '2026-11-24T07:24:00Z' },
    ],
  },
  coupler: COUPLER_EXAMPLE,
  device: {
    sheet: {
      supplyToleranceShare: 0.1,
      powerOverShare: 0.05,
      turn: { limitDeg: 340, way: 'either' },
      cover: { bolts: 8, shape: 'circle', torqueNm: 6, toleranceNm: 0.8 },
      rings: [
        { id: 'ring 12', takesMm: { min: 7, max: 12.5 } },
        { id: 'ring 17', takesMm: { min: 11.5, max: 17.5 } },
      ],
    },
    ordered: { volts: 400, hz: 50, watts: 4000 },
    plate: { volts: 400, hz: 50, watts: 4100 },
    turns: [90, 45],
    cableMm: { min: 13.1, max: 13.6 },
  },
  mineral: {
    sheet: {
      code: 'MS',
      sheet: 'MS seals, sheet 530, revision 2',
      pots: [
        {
          size: '20',
          sheathMm: { min: 5.2, max: 9.6 },
          conductors: [1, 2, 3, 4],
          depthMm: 24,
          insideMm: { min: 2, max: 4 },
          volumeMl: 5.4,
        },
        {
          size: '25',
          sheathMm: { min: 9, max: 14.2 },
          conductors: [2, 3, 4, 7],
          depthMm: 30,
          insideMm: { min: 3, max: 5 },
          volumeMl: 11,
        },
      ],
      tools: [
        { id: 'hand stripper', sheathMm: { min: 4, max: 10 }, gripOffsetMm: 6 },
        { id: 'bench stripper', sheathMm: { min: 6, max: 20 }, gripOffsetMm: 11 },
      ],
      packMl: 15,
      overfillShare: 0.05,
      capMm: 3,
      straightMm: 60,
      tests: [
        { upToV: 600, testV: 500, leastMohm: 100 },
        { upToV: 1000, testV: 1000, leastMohm: 100 },
      ],
      readingHoldsMin: 12,
      mayFallShare: 0.5,
    },
    cable: {
      tag: 'K-160',
      ratedV: 500,
      conductors: 2,
      conductorMm: 1.8,
      sheathMm: { min: 7.8, max: 8 },
    },
    tool: 'hand stripper',
    ends: [
      {
        tag: 'K-160/A',
        tailMm: 180,
        log: [
          { at: '2026-11-24T09:00:00Z', kind: 'reading', mohm: 4, volts: 500, farSealed: true },
          { at: '2026-11-24T09:15:00Z', kind: 'heated' },
          { at: '2026-11-24T09:40:00Z', kind: 'reading', mohm: 850, volts: 500, farSealed: true },
        ],
      },
      { tag: 'K-160/B', tailMm: 240, log: [] },
    ],
  },
  'earth-path': {
    of: 'armour',
    provedDead: true,
    ohm: 0.41,
    uncertaintyOhm: 0.02,
    mA: 210,
    leadsNulled: true,
    path: { material: 'steel', areaMm2: 44, lengthM: { min: 118, max: 121 }, tempC: 18, overShare: 0.25 },
  },
  insulation: {
    circuitV: 400,
    provedDead: true,
    electronicsOff: true,
    farGuarded: true,
    insulation: 'xlpe',
    lengthM: { min: 118, max: 121 },
    tempC: 18,
    leastMohmKm: 10,
    tester: { volts: 500, uncertaintyShare: 0.05 },
    tests: [
      {
        of: 'brown against all others and armour',
        readings: [
          { s: 15, mohm: 1100 },
          { s: 30, mohm: 1700 },
          { s: 60, mohm: 2400 },
        ],
        earlierMohmKm: 310,
      },
      {
        of: 'black against all others and armour',
        readings: [
          { s: 15, mohm: 62 },
          { s: 30, mohm: 54 },
          { s: 60, mohm: 41 },
        ],
      },
    ],
    trendShare: 0.5,
    discharge: { times: 4, leastS: 60 },
  },
};
