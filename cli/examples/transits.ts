import { frameOffer, type FrameSheet } from '@/core/catalogue';

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

/** Requests about many cables through one opening: bundles, soft seals and frames. */
export const transitExamples = (sheet: FrameSheet): Record<string, unknown> => ({
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
  frame: frameExample(sheet),
  'frame-check': FRAME_CHECK_EXAMPLE,
  'frame-reentry': FRAME_REENTRY_EXAMPLE,
});
