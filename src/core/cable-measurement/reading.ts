import { array, number, object, string, type InferType } from 'yup';
import { ok, refuse, type Result } from '@/core/kernel';
import { parseLength } from '@/core/units';

/** What is measured on a cable end. `core` is one core over its insulation, `laidUpCores` the bundle under the inner sheath. */
export const QUANTITIES = [
  'outerSheath',
  'innerSheath',
  'armourWire',
  'overArmour',
  'laidUpCores',
  'core',
] as const;
export type Quantity = (typeof QUANTITIES)[number];

export const QUANTITY_WORDS: Readonly<Record<Quantity, string>> = {
  outerSheath: 'outer sheath',
  innerSheath: 'inner sheath',
  armourWire: 'armour wire',
  overArmour: 'over armour',
  laidUpCores: 'laid-up cores',
  core: 'one core',
};

/** How a reading was taken. `datasheet` is a nominal value: it plans, but everything after it is provisional. */
export const METHODS = ['caliper', 'wrapTape', 'diameterTape', 'datasheet'] as const;
export type Method = (typeof METHODS)[number];

export const METHOD_WORDS: Readonly<Record<Method, string>> = {
  caliper: 'caliper',
  wrapTape: 'wrap tape',
  diameterTape: 'diameter tape',
  datasheet: 'datasheet',
};

export const readingSchema = object({
  quantity: string().oneOf(QUANTITIES).required(),
  method: string().oneOf(METHODS).required(),
  /** The number as typed, with its unit when one was typed. For a wrap tape it is the circumference. */
  text: string().trim().min(1).max(40).required(),
  unit: string()
    .oneOf(['mm', 'in'] as const)
    .required(),
  instrument: string().max(60).optional(),
  person: string().max(60).optional(),
  /** ISO 8601 instant. */
  at: string().max(40).optional(),
  /** Angle round the cable in degrees from the printed line; calipers only. */
  angleDeg: number().min(0).max(360).optional(),
  /** Datasheet only: half the tolerance as printed, e.g. `1.0 mm`; the rules' fraction is used when it is not given. */
  tolerance: string().max(40).optional(),
})
  .noUnknown()
  .required();

/** One reading: value and unit as typed, instrument, person, time and angle. */
export type Reading = InferType<typeof readingSchema>;

export const readingsSchema = array().of(readingSchema).max(200).required();

/** Diameters beyond these are a slip of the finger, not a cable. Figures of this product, in mm. */
export const PLAUSIBLE_MM: Readonly<Record<Quantity, readonly [number, number]>> = {
  outerSheath: [2, 150],
  innerSheath: [1, 145],
  armourWire: [0.1, 6],
  overArmour: [2, 150],
  laidUpCores: [1, 140],
  core: [0.5, 80],
};

/** Diameter in mm that a reading stands for, before any uncertainty. A wrap tape is `d = C/π − tape thickness`. */
export function diameterOf(reading: Reading, tapeThicknessMm: number): Result<number> {
  const length = parseLength(reading.text, reading.unit);
  if (!length.ok) return length;
  const mm = reading.method === 'wrapTape' ? length.value.mm / Math.PI - tapeThicknessMm : length.value.mm;
  const [low, high] = PLAUSIBLE_MM[reading.quantity];
  const what = QUANTITY_WORDS[reading.quantity];
  if (mm < low)
    return refuse(
      'text',
      `${what} of ${mm.toFixed(2)} mm is below ${low} mm; check the unit and the tool`,
      reading.text,
    );
  if (mm > high)
    return refuse(
      'text',
      `${what} of ${mm.toFixed(1)} mm is above ${high} mm; check the unit and the tool`,
      reading.text,
    );
  return ok(mm);
}

/** Half the tolerance of a datasheet value in mm. */
export function nominalToleranceMm(reading: Reading, diameterMm: number, fraction: number): Result<number> {
  if (reading.tolerance === undefined || reading.tolerance.trim() === '') return ok(diameterMm * fraction);
  const length = parseLength(reading.tolerance, reading.unit);
  if (!length.ok)
    return refuse('tolerance', length.problems[0]?.message ?? 'not a length', reading.tolerance);
  if (length.value.mm >= diameterMm)
    return refuse('tolerance', 'the tolerance is as large as the diameter', reading.tolerance);
  return ok(length.value.mm);
}
