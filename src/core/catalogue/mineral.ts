import { array, number, object, string } from 'yup';
import { intervalSchema } from '@/core/kernel';

const text = (most: number) => string().trim().min(1).max(most).required();

/** A stripper: for which sheaths, and how far behind the strip mark it grips. mm. */
export const mineralToolSchema = object({
  id: text(40),
  sheathMm: intervalSchema(100),
  gripOffsetMm: number().min(0).max(2000).required(),
})
  .noUnknown()
  .required();

/** Test voltage of an insulation by the rated voltage of the cable: the first that reaches it. */
export const mineralTestSchema = object({
  upToV: number().positive().max(2000).required(),
  testV: number().positive().max(5000).required(),
  leastMohm: number().positive().max(1e5).required(),
})
  .noUnknown()
  .required();

/** What the sheet of a seal for mineral-insulated cable says of all its sizes. */
export const mineralSealSchema = object({
  tools: array().of(mineralToolSchema).min(1).max(20).required(),
  packPart: text(40),
  packMl: number().positive().max(5000).required(),
  /** More than the pot holds, as a share: it is filled slightly over. */
  overfillShare: number().min(0).max(1).required(),
  /** Cable behind the pot that must be straight, mm. */
  straightMm: number().min(0).max(2000).required(),
  tests: array().of(mineralTestSchema).min(1).max(10).required(),
  /** For so long a good reading counts, min. */
  readingHoldsMin: number().positive().max(240).required(),
  /** The test after sealing may be less than the one before by this share of it. */
  mayFallShare: number().min(0).max(1).required(),
}).noUnknown();

/** The pot of a size: how many conductors it takes, how deep it is, how far the sheath stands in it. */
export const potSchema = object({
  conductors: array().of(number().integer().min(1).max(61).required()).min(1).max(30).required(),
  depthMm: number().min(1).max(400).required(),
  /** How far the sheath stands inside above its bottom, mm. */
  insideMm: intervalSchema(100),
  /** Compound that fills it without conductors, mL. */
  volumeMl: number().positive().max(2000).required(),
})
  .noUnknown()
  .test(
    'deep',
    'insideMm: the sheath would stand out of the pot',
    // Asked before its parts are known to be figures; a size without a pot has none.
    (
      p: { readonly insideMm?: { readonly max?: unknown } | null; readonly depthMm?: unknown } | undefined,
    ) => {
      const [max, depth] = [p?.insideMm?.max, p?.depthMm];
      return typeof max !== 'number' || typeof depth !== 'number' || max < depth;
    },
  );
