import { catalogueFileSchema, frameOffer, type FrameSheet } from '@/core/catalogue';
import { jobFileSchema } from '@/core/job';
import { jsonSchema } from './json-schema';
import { CODE_PROFILES } from '@/core/schedule';
import { KIND_NAMES, loadKind } from './plan-kinds';

const CABLE = {
  code: 'W4-25',
  title: '4-core 25 mm², round wire',
  armour: 'roundWire',
  cores: 4,
  coreSectionMm2: 25,
  jacketed: true,
  innerSheath: true,
  effectivelyFilled: true,
  coldFlow: false,
  screened: false,
  outerSheathThicknessMm: 1.8,
  innerSheathThicknessMm: 1.2,
  compact: true,
  armourMaterial: 'galvanisedSteel',
};

const READINGS = [
  { quantity: 'outerSheath', method: 'caliper', text: '27.9', unit: 'mm', angleDeg: 0 },
  { quantity: 'outerSheath', method: 'caliper', text: '28.2', unit: 'mm', angleDeg: 90 },
  { quantity: 'outerSheath', method: 'wrapTape', text: '88.7', unit: 'mm' },
  { quantity: 'innerSheath', method: 'caliper', text: '27/32', unit: 'in', angleDeg: 0 },
  { quantity: 'innerSheath', method: 'caliper', text: '21.7', unit: 'mm', angleDeg: 90 },
  { quantity: 'armourWire', method: 'caliper', text: '1.6', unit: 'mm' },
];

const ENCLOSURE = {
  tag: 'SP-2',
  title: 'Still pump 2',
  concept: 'Ex d',
  zone: 1,
  gasGroup: 'IIB',
  temperatureClass: 'T3',
  ip: '66',
  material: 'castIron',
  wallEarthed: true,
  wet: false,
  freeVolumeCm3: 2400,
  ambientMinC: -10,
  entryMaxC: 70,
};

const ENTRY = {
  label: 'E1',
  kind: 'threaded',
  thread: { form: 'metric', size: 'M32', pitchMm: 1.5 },
  wallMm: 16,
  chamferMm: 1,
  holeMm: null,
};

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

/** A small crossing: a process wall with eight cables. */
const frameExample = (sheet: FrameSheet) => ({
  cables: [7.2, 8.1, 11.6, 12, 15.3, 21.4, 28.6, 35].map((mm, i) => ({
    tag: `W-10${i + 1}`,
    diameter: { min: Number((mm - 0.2).toFixed(1)), max: Number((mm + 0.2).toFixed(1)) },
    circuit: i % 3 === 0 ? 'signal' : 'power',
    front: i,
    back: 7 - i,
  })),
  ...frameOffer(
    sheet,
    sheet.frames.slice(0, 3).map((f) => f.id),
  ),
  apart: [{ circuits: ['signal', 'power'], by: 'row' }],
  spare: { share: 0.25 },
});

/** A plan of two places that somebody has typed in, with one layer peeled too many: the audit names it. */
const FRAME_CHECK_EXAMPLE = {
  request: {
    cables: [{ tag: 'W-101', diameter: { min: 12.3, max: 12.5 } }],
    modules: [{ id: 'TM-24', size: 24, bore: { min: 8, max: 17.5 }, layer: 1, gap: { min: 0.2, max: 0.9 } }],
    frames: [
      {
        id: 'TF-S',
        cost: 60,
        openings: [
          {
            width: 48,
            height: 55,
            plate: 1,
            plateAgainstPress: true,
            press: { min: 28, max: 34, at: ['top'] },
            fillers: [],
          },
        ],
      },
    ],
    apart: [],
    spare: { share: 1 },
  },
  plan: {
    status: 'optimal',
    cost: 60,
    bound: 60,
    frames: [
      {
        frame: 'TF-S',
        openings: [
          {
            press: 'top',
            closure: 30,
            rows: [
              {
                height: 24,
                places: [
                  {
                    module: 'TM-24',
                    x: 0,
                    y: 0,
                    cable: 'W-101',
                    peel: [3, 2],
                    gap: { min: -0.7, max: -0.5 },
                  },
                  { module: 'TM-24', x: 24, y: 0 },
                ],
              },
            ],
            fillers: [],
          },
        ],
      },
    ],
    unplaced: [],
    crossings: { front: 0, back: 0 },
    parts: [
      { id: 'TF-S', quantity: 1 },
      { id: 'TM-24', quantity: 2 },
    ],
  },
};

/** The same two places as they were built, and a newcomer for the spare: one row is opened. */
const FRAME_REENTRY_EXAMPLE = {
  request: FRAME_CHECK_EXAMPLE.request,
  plan: {
    ...FRAME_CHECK_EXAMPLE.plan,
    frames: FRAME_CHECK_EXAMPLE.plan.frames.map((frame) => ({
      ...frame,
      openings: frame.openings.map((opening) => ({
        ...opening,
        rows: opening.rows.map((row) => ({
          ...row,
          places: row.places.map((place) =>
            place.cable === undefined ? place : { ...place, peel: [2, 2], gap: { min: 0.3, max: 0.5 } },
          ),
        })),
      })),
    })),
  },
  add: [
    { tag: 'W-102', diameter: { min: 11.2, max: 11.6 } },
    { tag: 'W-103', diameter: { min: 9.2, max: 9.6 } },
  ],
};

/** A catalogue file with one family of it, for an example that needs no more. */
const onlyFamily = (catalogue: unknown, code: string): unknown => {
  const file = catalogue as { families: readonly { code: string }[] };
  return { ...file, families: file.families.filter((f) => f.code === code), frameSheets: undefined };
};

/** The files under docs/formats and examples/plan with their contents, made from what is really validated. */
export async function publishedFiles(catalogue: unknown): Promise<Record<string, unknown>> {
  const termination = {
    tag: 'K-104/B',
    cableType: CABLE,
    readings: READINGS,
    enclosure: ENCLOSURE,
    entry: ENTRY,
    cableLengthMm: 38_000,
    catalogue: 'demo',
  };
  const examples: Record<string, unknown> = {
    measure: { readings: READINGS },
    choose: termination,
    cut: {
      ...termination,
      catalogue: { file: 'examples/catalogue/demo.json' },
      profile: 'iec-length-filling',
      size: 'RW2-32',
      routeMm: 240,
      spareMm: 30,
      terminals: [{ core: 'PE', routeMm: 190 }],
      toolSchool: 'usual',
      armourAsCutMm: 22,
      unit: 'mm',
    },
    tighten: {
      ...termination,
      size: 'AY3-32',
      wrenchHead: { leverMm: 400, headMm: 45, angleDeg: 0 },
      family: 'AY3',
      cover: { bolts: 8, shape: 'rectangle', torqueNm: 12 },
      pressUnit: {
        bolts: 2,
        travelMm: 6,
        incrementMm: 2,
        travelledMm: 4.5,
        torqueNm: 14,
        maxTorqueNm: 14,
      },
    },
    compound: {
      ...termination,
      cableType: { ...CABLE, effectivelyFilled: false },
      readings: [
        ...READINGS,
        { quantity: 'laidUpCores', method: 'caliper', text: '19.8', unit: 'mm' },
        { quantity: 'core', method: 'caliper', text: '8.2', unit: 'mm' },
      ],
      catalogue: onlyFamily(catalogue, 'WC4'),
      size: 'WC4-32',
      tempC: 18,
      ready: {
        pours: [
          { tag: 'K-104/B', ml: 11.4 },
          { tag: 'K-140/B', ml: 9.2 },
          { tag: 'K-141/A', ml: 9.2 },
        ],
        minutesPerPour: 6,
        people: 1,
      },
    },
    cure: {
      cure: [
        { c: 5, minutes: 720 },
        { c: 20, minutes: 150 },
        { c: 40, minutes: 40 },
      ],
      readings: [
        { at: 0, c: 21 },
        { at: 25, c: 20 },
        { at: 50, c: 19 },
      ],
      pouredAt: 0,
      now: 60,
    },
    bundle: { diameters: [35, 28, 28, 21.4, 12, 12, 8.1], clearance: 1, seed: 1 },
    enclose: {
      shape: { kind: 'circle', d: 100 },
      diameters: [35, 28, 28, 21.4, 12, 12, 8.1],
      clearance: 1,
    },
    stubs: {
      cables: [
        { tag: 'K-201', diameter: { min: 34.2, max: 35 }, circuit: 'power' },
        { tag: 'K-202', diameter: { min: 27.1, max: 28 }, circuit: 'power' },
        { tag: 'K-203', diameter: { min: 20.8, max: 21.4 }, circuit: 'power' },
        { tag: 'K-301', diameter: { min: 11.6, max: 12 }, circuit: 'signal' },
        { tag: 'K-302', diameter: { min: 7.8, max: 8.1 }, circuit: 'signal' },
      ],
      stubs: [
        { id: 'DN50', shape: { kind: 'circle', d: 53 }, cost: 40 },
        { id: 'DN80', shape: { kind: 'circle', d: 82 }, cost: 65, available: 2 },
        { id: 'slot', shape: { kind: 'rectangle', w: 120, h: 60 }, cost: 90 },
      ],
      apart: [{ circuits: ['power', 'signal'] }],
      wrap: [
        { upTo: 15, adds: 1.5 },
        { upTo: 40, adds: 3 },
      ],
      clearance: 0,
      spare: { share: 0.2 },
      seed: 1,
      limitSeconds: 5,
    },
    plug: {
      sheet: {
        code: 'RP',
        revision: 'A',
        plugs: [
          { id: 'RP-100', bore: { min: 98, max: 103 }, annulus: { min: 18, max: 24 }, lengthMm: 40 },
          { id: 'RP-100-L', bore: { min: 98, max: 103 }, annulus: { min: 23, max: 30 }, lengthMm: 40 },
        ],
        maxAngleDeg: 2,
        maxOffsetMm: 3,
      },
      bore: { min: 100, max: 101 },
      cable: { tag: 'K-210', diameter: { min: 56, max: 57 } },
      angleDeg: 1,
      offsetMm: 2,
      depthMm: 90,
      faces: 2,
      ratingKnown: true,
    },
    sleeve: {
      sheet: {
        code: 'PS',
        revision: 'B',
        sleeves: [
          { id: 'FS-12', takes: { min: 8, max: 12 }, wallMm: 3 },
          { id: 'FS-20', takes: { min: 12, max: 20 }, wallMm: 4 },
        ],
        fillers: [
          { id: 'BF-18', outerMm: 18 },
          { id: 'BF-10', outerMm: 10 },
        ],
        strip: { id: 'ST-3', thicknessMm: 3, widthMm: 25, fromMm: 20, layers: 2 },
        fillingMm: 60,
        sealant: { id: 'SC-300', mlPerCartridge: 300, wasteShare: 0.1 },
        sealantDepthMm: 20,
        air: { fromDepthMm: 150, gapMm: 30 },
        maxOpenShare: 0.35,
        pullingShare: 0.3,
        clearanceMm: 0,
        maxSlantDeg: 30,
        punches: [{ id: 'PN-20', mm: 20 }],
      },
      opening: { kind: 'circle', d: { min: 99, max: 101 } },
      depth: { min: 100, max: 105 },
      slantDeg: 0,
      faces: 2,
      ratingKnown: true,
      lies: 'upright',
      cables: [
        { tag: 'K-211', diameter: { min: 10.5, max: 11 } },
        { tag: 'K-212', diameter: { min: 17.2, max: 18 } },
        { tag: 'K-213', diameter: { min: 29, max: 30 } },
      ],
      school: 'afterPulling',
      limitSeconds: 2,
    },
    wrap: {
      sheet: {
        code: 'FW',
        revision: 'C',
        cloths: [
          { id: 'CO-150', kind: 'openable', stub: { min: 140, max: 170 } },
          { id: 'CC-150', kind: 'closed', stub: { min: 140, max: 170 } },
        ],
        strip: {
          id: 'SS-8',
          thicknessMm: 8,
          widthMm: 60,
          compression: { min: 0.45, max: 0.65 },
          layers: [
            { upTo: 45, layers: 1 },
            { upTo: 120, layers: 2 },
          ],
        },
        marks: { fromStubMm: 50, apartMm: 80 },
        minStubMm: 120,
        sealant: {
          id: 'SC-300',
          mlPerCartridge: 300,
          wasteShare: 0.1,
          openTime: [
            { c: 5, minutes: 40 },
            { c: 30, minutes: 15 },
          ],
        },
        tie: { id: 'TB-20', tailMm: 200 },
      },
      stub: {
        outside: { min: 158, max: 160 },
        inside: { min: 149, max: 151 },
        lengthMm: 150,
        weldContinuous: true,
        centred: true,
      },
      faces: 2,
      ratingKnown: true,
      tempC: 18,
      cloth: 'openable',
      pulled: true,
      bundles: [
        {
          id: 'power',
          cables: [
            { tag: 'K-221', diameter: { min: 19.6, max: 20.2 } },
            { tag: 'K-222', diameter: { min: 19.4, max: 20.1 } },
          ],
        },
        { id: 'signal', cables: [{ tag: 'K-321', diameter: { min: 9.8, max: 10.3 } }] },
      ],
      limitSeconds: 1,
    },
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
    'choose-job': {
      terminations: [
        {
          tag: 'K-101/A',
          options: [
            { part: 'RW2-25-B', adaptor: false, marginMm: 1.7 },
            { part: 'AY3-25-N', adaptor: false, marginMm: 2 },
          ],
        },
        {
          tag: 'K-108/A',
          options: [
            { part: 'BT2-20-N', adaptor: false, marginMm: 1.6 },
            { part: 'AY3-25-N', adaptor: true, marginMm: 0.4 },
          ],
        },
        {
          tag: 'K-140/B',
          options: [],
          locked: { part: 'WC4-25-B', adaptor: false, marginMm: -0.1 },
        },
      ],
    },
  };
  const [sheet] = (catalogue as { frameSheets: readonly FrameSheet[] }).frameSheets;
  if (!sheet) throw new Error('the demo catalogue has no transit frames');
  examples.frame = frameExample(sheet);
  examples['frame-check'] = FRAME_CHECK_EXAMPLE;
  examples['frame-reentry'] = FRAME_REENTRY_EXAMPLE;
  const files: Record<string, unknown> = {
    'docs/formats/catalogue.schema.json': jsonSchema(
      catalogueFileSchema,
      'Amber Collar catalogue file',
      'amber-collar/catalogue@1',
    ),
    'docs/formats/job.schema.json': jsonSchema(jobFileSchema, 'Amber Collar job file', 'amber-collar/job@1'),
  };
  for (const profile of CODE_PROFILES) files[`examples/profile/${profile.key}.json`] = profile;
  for (const name of KIND_NAMES) {
    const { schema } = await loadKind(name);
    files[`docs/formats/plan-${name}.schema.json`] = jsonSchema(
      schema,
      `Request of plan ${name}`,
      `amber-collar/plan-${name}@1`,
    );
    files[`examples/plan/${name}.json`] = examples[name];
  }
  return files;
}
