import type { CodeProfile } from './code-profile';

/** The profile a new job starts from. Figures are the job's own from then on. */
export const IEC_ZONES_PROFILE: CodeProfile = {
  key: 'iec-zones',
  title: 'IEC zones, metric threads',
  caution: 'Check the edition in force where you work. The sheet that came with the gland leads.',
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
  otherThreads: {
    source: 'House figure: hold of a threaded entry that is not flameproof',
    minFullThreads: 4,
  },
  clearanceHole: { source: 'IEC 62444:2010, holes for metric entry threads', maxClearanceMm: 0.7 },
  cut: {
    source: 'House figures for hand tools',
    sheathGuardMm: 0.3,
    wireDepthShare: 0.6,
    kerfMm: 1,
    bendSlackMm: 40,
    stubToleranceMm: 10,
    tailToleranceMm: 15,
  },
};
