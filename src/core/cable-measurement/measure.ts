import { registeredHalfWidth } from '@/core/instrument';
import { fail, ok, toUm, type IntervalMm, type Problem, type Result } from '@/core/kernel';
import { diameterOf, nominalToleranceMm, type Method, type Quantity, type Reading } from './reading';
import type { MeasuringRules } from './measuring-rules';

/** One reading turned into a diameter with its own half-width. */
export interface Sample {
  readonly index: number;
  readonly diameterMm: number;
  readonly halfWidthMm: number;
}

/** What a set of readings of one quantity says. Intervals in mm, rounded outwards to 0.01 mm. */
export interface Measurement {
  readonly quantity: Quantity;
  readonly samples: readonly Sample[];
  readonly mean: number;
  readonly min: number;
  readonly max: number;
  /** Every diameter the cable may have: must pass every bore, and the seal must close on all of it. */
  readonly interval: IntervalMm;
  /** The largest diameter that is certainly there, and the smallest: beyond these a range certainly does not fit. */
  readonly certainMax: number;
  readonly certainMin: number;
  /** (max − min)/mean over the caliper readings; null when calipers looked at fewer than two diameters. */
  readonly ovality: number | null;
  /** By how much the caliper readings differ at least, as a share: what speaks against a cable counts whatever diameters were looked at. */
  readonly leastOvality: number;
  /** Diameters that calipers certainly looked at: an angle and that angle + 180° are one, and readings without an angle may be the same. */
  readonly diametersSeen: number;
  /** Nominal only: usable for planning, must be measured at the bench. */
  readonly provisional: boolean;
  readonly hasCaliper: boolean;
  readonly hasTape: boolean;
  readonly advice: readonly string[];
}

// Hundredths of a millimetre: what instruments resolve and what is shown, so that the numbers on a screen add up.
const outwardDown = (mm: number): number => Math.floor(mm * 100 + 1e-6) / 100;
const outwardUp = (mm: number): number => Math.ceil(mm * 100 - 1e-6) / 100;

/** Readings that carry the ovality allowance: the method looked at one diameter, or at none. Wires are round. */
function isBlindToOvality(reading: Reading, diametersSeen: number): boolean {
  if (reading.quantity === 'armourWire') return false;
  if (reading.method === 'datasheet') return false;
  return reading.method !== 'caliper' || diametersSeen < 2;
}

/** How many different diameters the calipers certainly looked at. */
function countDiameters(readings: readonly Reading[]): number {
  const calipers = readings.filter((r) => r.method === 'caliper');
  const angles = calipers.flatMap((r) => (r.angleDeg === undefined ? [] : [r.angleDeg % 180]));
  return calipers.length === 0 ? 0 : Math.max(1, new Set(angles).size);
}

/**
 * Interval, ovality and advice from the readings of one quantity. Datasheet values count only when nothing was measured.
 * `readings` may hold other quantities, which are ignored; the sample's `index` points into the list given.
 * Errors: a text that is no length, an absurd diameter; the path is `readings[i].text`.
 * Returns null when the quantity has no reading at all.
 */
export function measure(
  readings: readonly Reading[],
  quantity: Quantity,
  rules: MeasuringRules,
): Result<Measurement | null> {
  const own = readings
    .map((reading, index) => ({ reading, index }))
    .filter(({ reading }) => reading.quantity === quantity);
  if (own.length === 0) return ok(null);
  const measured = own.filter(({ reading }) => reading.method !== 'datasheet');
  const used = measured.length > 0 ? measured : own;
  const diametersSeen = countDiameters(used.map((u) => u.reading));
  const problems: Problem[] = [];
  const samples: Sample[] = [];
  for (const { reading, index } of own) {
    const sample = sampleOf(reading, index, diametersSeen, rules);
    if (!sample.ok)
      problems.push(
        ...sample.problems.map((p) => ({ ...p, path: `readings[${index}].${p.path || 'text'}` })),
      );
    else if (used.some((u) => u.index === index)) samples.push(sample.value);
  }
  if (problems.length > 0) return fail(problems);
  return ok(
    summarise(
      quantity,
      samples,
      used.map((u) => u.reading),
      diametersSeen,
      rules,
    ),
  );
}

function sampleOf(
  reading: Reading,
  index: number,
  diametersSeen: number,
  rules: MeasuringRules,
): Result<Sample> {
  const diameter = diameterOf(reading, rules.tapeThicknessMm);
  if (!diameter.ok) return diameter;
  const diameterMm = diameter.value;
  if (reading.method === 'datasheet') {
    const tolerance = nominalToleranceMm(reading, diameterMm, rules.nominalTolerance);
    return tolerance.ok ? ok({ index, diameterMm, halfWidthMm: tolerance.value }) : tolerance;
  }
  const instrument = instrumentHalfWidth(reading, reading.method, diameterMm, rules);
  const allowance = isBlindToOvality(reading, diametersSeen) ? diameterMm * rules.ovalityAllowance : 0;
  return ok({ index, diameterMm, halfWidthMm: instrument + allowance });
}

/**
 * What the profile counts for the hand and its tool, or what the register says of this very instrument, whichever is more. A wrap tape shows the way
 * round: what it may be off there is a third of that across.
 */
function instrumentHalfWidth(
  { quantity, instrument }: Reading,
  method: Exclude<Method, 'datasheet'>,
  diameterMm: number,
  { uncertaintyMm, worth = [] }: MeasuringRules,
): number {
  const usual = quantity === 'armourWire' ? uncertaintyMm.armourWire : uncertaintyMm[method];
  const around = method === 'wrapTape' ? Math.PI : 1;
  const own = registeredHalfWidth(worth, instrument, diameterMm * around, 'mm');
  return Math.max(usual, (own ?? 0) / around);
}

function summarise(
  quantity: Quantity,
  samples: readonly Sample[],
  used: readonly Reading[],
  diametersSeen: number,
  rules: MeasuringRules,
): Measurement {
  const diameters = samples.map((s) => s.diameterMm);
  const mean = diameters.reduce((a, b) => a + b, 0) / diameters.length;
  const caliperDiameters = diameters.filter((_, i) => used[i]?.method === 'caliper');
  const leastOvality = spreadShare(caliperDiameters);
  return {
    quantity,
    samples,
    mean,
    min: Math.min(...diameters),
    max: Math.max(...diameters),
    interval: {
      min: Math.max(0, outwardDown(Math.min(...samples.map((s) => s.diameterMm - s.halfWidthMm)))),
      max: outwardUp(Math.max(...samples.map((s) => s.diameterMm + s.halfWidthMm))),
    },
    certainMax: outwardDown(Math.max(...samples.map((s) => s.diameterMm - s.halfWidthMm))),
    certainMin: outwardUp(Math.min(...samples.map((s) => s.diameterMm + s.halfWidthMm))),
    ovality: diametersSeen >= 2 ? leastOvality : null,
    leastOvality,
    diametersSeen,
    provisional: used.every((r) => r.method === 'datasheet'),
    hasCaliper: caliperDiameters.length > 0,
    hasTape: used.some((r) => r.method === 'wrapTape' || r.method === 'diameterTape'),
    advice: adviceFor(quantity, used, diametersSeen, rules),
  };
}

/** (max − min)/mean of some diameters; 0 of fewer than two. */
function spreadShare(diameters: readonly number[]): number {
  if (diameters.length < 2) return 0;
  const mean = diameters.reduce((a, b) => a + b, 0) / diameters.length;
  return (Math.max(...diameters) - Math.min(...diameters)) / mean;
}

function adviceFor(
  quantity: Quantity,
  used: readonly Reading[],
  diametersSeen: number,
  rules: MeasuringRules,
): string[] {
  if (used.every((r) => r.method === 'datasheet')) {
    return ['Nominal only: measure this end before anything is cut.'];
  }
  if (quantity === 'armourWire') return [];
  const share = `${(rules.ovalityAllowance * 100).toFixed(1)} %`;
  const advice: string[] = [];
  if (diametersSeen === 1)
    advice.push(
      used.filter((r) => r.method === 'caliper').length === 1
        ? `One caliper reading cannot see an oval: ${share} is allowed each way. Read again at 90°.`
        : `These caliper readings are of one diameter as far as their angles say: ${share} is allowed each way. Read at 0° and 90°, and note the angles.`,
    );
  const hasTape = used.some((r) => r.method === 'wrapTape' || r.method === 'diameterTape');
  if (hasTape && diametersSeen === 0)
    advice.push(`A tape cannot see an oval: ${share} is allowed each way. Add two caliper readings.`);
  return advice;
}

/** Ovality against a limit, both as fractions, compared in parts per million. */
export const ovalityExceeds = (ovality: number | null, limit: number): boolean =>
  ovality !== null && Math.round(ovality * 1e6) > Math.round(limit * 1e6);

/** The bore that the cable surely passes: the top of the interval of the thickest thing that goes through. */
export const insertionBoundMm = (measurements: readonly (Measurement | null)[]): number | null => {
  const tops = measurements.filter((m) => m !== null).map((m) => toUm(m.interval.max));
  return tops.length === 0 ? null : Math.max(...tops) / 1000;
};
