import { canonicalJson, validate, type Result, refuse } from '@/core/kernel';
import { codeProfileSchema, type CodeProfile } from '../code-profile';
import { HOUSE_FIGURES } from './house-figures';

const EDITION = 'Check the edition in force where you work.';
const SHEET = 'The sheet that came with the gland leads.';

/** Newer rule: how long the cable is, and whether it is filled. */
export const DEFAULT_PROFILE: CodeProfile = {
  key: 'iec-length-filling',
  title: 'IEC zones, barrier by length and filling',
  edition: 'IEC 60079-14:2013',
  system: 'zones',
  caution: `${EDITION} ${SHEET}`,
  ...HOUSE_FIGURES,
  barrier: {
    rule: 'lengthFilling',
    source: 'IEC 60079-14:2013, cables into flameproof boxes',
    minLengthM: 3,
  },
};

/** Older decision flow: ignition source, gas group, zone and volume. */
const IEC_FLOW: CodeProfile = {
  ...DEFAULT_PROFILE,
  key: 'iec-flow',
  title: 'IEC zones, barrier by decision flow',
  edition: 'IEC 60079-14:2007',
  barrier: {
    rule: 'flow',
    source: 'IEC 60079-14:2007, selection of glands for flameproof boxes',
    maxVolumeCm3: 2000,
  },
};

/** Classes and divisions: the cable's own listing first, then sealing fittings. */
const DIVISION: CodeProfile = {
  ...DEFAULT_PROFILE,
  key: 'division',
  title: 'Classes and divisions, sealing fittings',
  edition: 'NFPA 70:2023',
  system: 'divisions',
  caution: `${EDITION} Sealing and pouring are work for licensed persons where the law says so. ${SHEET}`,
  flameproofThreads: {
    source: 'NFPA 70:2023, threaded joints of explosionproof boxes',
    minFullThreads: 5,
    minAxial: [{ upToCm3: null, mm: 8 }],
  },
  taperedThreads: { source: 'NFPA 70:2023, threaded joints of explosionproof boxes', minTurns: 5 },
  barrier: { rule: 'division', source: 'NFPA 70:2023, seals in class I locations' },
  cableListing: {
    source: 'NFPA 70:2023, cables permitted in classified locations',
    rows: [
      { hazardClass: 'I', division: 1, accepts: ['I/1'] },
      { hazardClass: 'I', division: 2, accepts: ['I/1', 'I/2', 'tray'] },
      { hazardClass: 'II', division: 1, accepts: ['II/1'] },
      { hazardClass: 'II', division: 2, accepts: ['II/1', 'II/2', 'tray'] },
      { hazardClass: 'III', division: 1, accepts: ['III', 'II/1'] },
      { hazardClass: 'III', division: 2, accepts: ['III', 'II/1', 'II/2', 'tray'] },
    ],
  },
};

/** No hazardous area. A box that is classified is refused, not waved through. */
const INDUSTRIAL: CodeProfile = {
  ...DEFAULT_PROFILE,
  key: 'industrial',
  title: 'Industrial, no hazardous area',
  edition: 'IEC 60204-1:2016',
  system: 'industrial',
  caution: `For places without an explosive atmosphere only. ${SHEET}`,
  barrier: { rule: 'none', source: 'No explosive atmosphere: nothing to keep out of the cable' },
};

/** The profiles a job may start from. A job stores its own copy, which may be edited. */
export const CODE_PROFILES: readonly CodeProfile[] = [DEFAULT_PROFILE, IEC_FLOW, DIVISION, INDUSTRIAL];

/**
 * A profile as a job stored it, brought to today's shape: groups of figures that its release did not know yet are taken from the default.
 * Refused when what comes of it is no profile.
 */
export const readStoredProfile = (stored: unknown): Result<CodeProfile> =>
  typeof stored === 'object' && stored !== null && !Array.isArray(stored)
    ? readProfile({ ...DEFAULT_PROFILE, ...stored })
    : refuse('', 'is no profile', stored);

/** Reads a profile that somebody edited. Errors name path and value. */
export const readProfile = (json: unknown): Result<CodeProfile> => validate(codeProfileSchema, json);

/** The shipped profile this one is a copy of, and whether a figure was changed. */
export function profileOrigin(profile: CodeProfile): {
  readonly origin: CodeProfile | null;
  readonly edited: boolean;
} {
  const origin = CODE_PROFILES.find((p) => p.key === profile.key) ?? null;
  return { origin, edited: origin === null || canonicalJson(origin) !== canonicalJson(profile) };
}

const WORDS = new Set(['key', 'title', 'edition', 'caution', 'source']);

/** What of a profile can change an answer: its figures and rules, without names and sources. A plan does not go stale by a title. */
export function profileFigures(profile: CodeProfile): unknown {
  return figuresOf(profile);
}

function figuresOf(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(figuresOf);
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(
    Object.entries(value)
      .filter(([key]) => !WORDS.has(key))
      .map(([key, inner]) => [key, figuresOf(inner)]),
  );
}
