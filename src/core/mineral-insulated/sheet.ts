import { array, number, object, string, type InferType } from 'yup';
import { mineralTestSchema, mineralToolSchema } from '@/core/catalogue';
import { intervalSchema, type IntervalMm } from '@/core/kernel';

const text = (most: number) => string().trim().min(1).max(most).required();
const mm = () => number().min(0).max(2000).required();
/** A pot before each of its figures is known to be one: what is not said contradicts nothing. */
interface PotSoFar {
  readonly insideMm?: Partial<IntervalMm> | null;
  readonly depthMm?: number | null;
}
/** A pot with its gland: for which cables, how deep, and how far the sheath stands in it. */
const potSchema = object({
  size: text(20),
  /** Sheath diameters that its bore and its gland take, mm. */
  sheathMm: intervalSchema(100),
  conductors: array().of(number().integer().min(1).max(61).required()).min(1).max(30).required(),
  depthMm: mm(),
  /** How far the sheath stands inside above its bottom, mm. */
  insideMm: intervalSchema(100),
  /** Compound that fills it without conductors, mL. */
  volumeMl: number().positive().max(2000).required(),
})
  .noUnknown()
  .test('deep', 'insideMm: the sheath would stand out of the pot', (pot: PotSoFar) => {
    const { insideMm, depthMm } = pot;
    return !((insideMm?.max ?? NaN) >= (depthMm ?? NaN));
  })
  .required();

/** The sheet of seals for mineral-insulated cable. */
export const mineralSheetSchema = object({
  code: text(20),
  sheet: text(120),
  pots: array().of(potSchema).min(1).max(60).required(),
  tools: array().of(mineralToolSchema).min(1).max(20).required(),
  packMl: number().positive().max(5000).required(),
  /** More than the pot holds, as a share: it is filled slightly over. */
  overfillShare: number().min(0).max(1).required(),
  /** Cap over the mouth: conductors pass through so much of it, mm. */
  capMm: mm(),
  /** Cable behind the pot that must be straight, mm. */
  straightMm: mm(),
  /** Test voltage by the rated voltage: the first that reaches it. */
  tests: array().of(mineralTestSchema).min(1).max(10).required(),
  /** For so long a good reading counts, min. */
  readingHoldsMin: number().positive().max(240).required(),
  /** The test after sealing may be less than the one before by this share of it. */
  mayFallShare: number().min(0).max(1).required(),
})
  .noUnknown()
  .required();
export type MineralSheet = InferType<typeof mineralSheetSchema>;
export type Pot = MineralSheet['pots'][number];

export const mineralCableSchema = object({
  tag: text(40),
  ratedV: number().positive().max(2000).required(),
  conductors: number().integer().min(1).max(61).required(),
  /** Diameter of one conductor, mm. */
  conductorMm: number().positive().max(30).required(),
  /** Sheath as it was measured, mm. */
  sheathMm: intervalSchema(100),
})
  .noUnknown()
  .required();
export type MineralCable = InferType<typeof mineralCableSchema>;
