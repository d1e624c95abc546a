import type { CodeProfile } from '../code-profile';

/** Figures that the profiles start from alike. Each job owns a copy and may edit it. */
export const HOUSE_FIGURES = {
  measurement: {
    source: 'House figures for site instruments; replace them by those of your calibration sheet.',
    uncertaintyMm: { caliper: 0.1, wrapTape: 0.2, diameterTape: 0.15, armourWire: 0.02 },
    ovalityAllowance: 0.015,
    nominalTolerance: 0.03,
    tapeThicknessMm: 0.2,
  },
  flameproofThreads: {
    source: 'IEC 60079-1:2014, cylindrical threaded joints',
    minFullThreads: 5,
    minAxial: [
      { upToCm3: 100, mm: 5 },
      { upToCm3: null, mm: 8 },
    ],
  },
  taperedThreads: { source: 'IEC 60079-1:2014, tapered threaded joints', minTurns: 5 },
  otherThreads: {
    source: 'House figure: hold of a threaded entry that is not flameproof',
    minFullThreads: 4,
  },
  clearanceHole: { source: 'IEC 62444:2010, holes for metric entry threads', maxClearanceMm: 0.7 },
  cableListing: { source: 'This code lists no cables by place', rows: [] },
  corrosion: {
    source: 'House table of metals that eat each other; ask the sheet for plated and painted parts',
    pairs: [
      { gland: 'brass', against: 'wall', material: 'aluminium', where: 'wet' },
      { gland: 'stainlessSteel', against: 'wall', material: 'aluminium', where: 'wet' },
      { gland: 'aluminium', against: 'wall', material: 'stainlessSteel', where: 'wet' },
      { gland: 'aluminium', against: 'wall', material: 'castIron', where: 'wet' },
      { gland: 'brass', against: 'armour', material: 'aluminium', where: 'wet' },
      { gland: 'copper', against: 'armour', material: 'aluminium', where: 'everywhere' },
    ],
  },
  singleCore: {
    source: 'IEC 60364-5-52: eddy currents round a single conductor',
    nonMagnetic: ['aluminium', 'bronze', 'copper', 'stainlessSteel'],
    ferrous: ['steel', 'castIron', 'galvanisedSteel'],
  },
  cut: {
    source: 'House figures for hand tools',
    sheathGuardMm: 0.3,
    wireDepthShare: 0.6,
    kerfMm: 1,
    bendSlackMm: 40,
    stubToleranceMm: 10,
    tailToleranceMm: 15,
  },
} satisfies Partial<CodeProfile>;
