import { array, number, object, string, type InferType } from 'yup';
import { measurementRulesSchema, readingsSchema } from '@/core/cable-measurement';
import { catalogueFileSchema, timeTable } from '@/core/catalogue';
import { TIME_MODES } from '@/core/compound-cure';
import { frameCableSchema, framePlanSchema, frameRequestSchema } from '@/core/frame-packing';
import { cableTypeSchema, codeProfileSchema, enclosureSchema, entrySchema } from '@/core/schedule';
import { BOLTS, COVER_SHAPES } from '@/core/tightening';

/** `measure`: readings → interval, ovality and advice for each quantity. Rules default to those of the profile that jobs start from. */
export const measureRequestSchema = object({
  readings: readingsSchema,
  rules: measurementRulesSchema.optional().default(undefined),
})
  .noUnknown()
  .required();

const terminationFields = {
  tag: string().min(1).max(45).optional(),
  cableType: cableTypeSchema,
  readings: readingsSchema,
  enclosure: enclosureSchema,
  entry: entrySchema,
  /** Length of the whole cable; the barrier decision of some profiles asks for it. */
  cableLengthMm: number().min(0).max(100_000_000).optional(),
  /** The profile that jobs start from, when it is not given. */
  profile: codeProfileSchema.optional().default(undefined),
  catalogue: catalogueFileSchema,
};

/** `choose`: one cable end and a catalogue → every size judged, best first. */
export const chooseRequestSchema = object(terminationFields).noUnknown().required();

/** `cut` and `tighten`: the same, with the size that was taken. */
export const cutRequestSchema = object({
  ...terminationFields,
  size: string().required(),
  /** From the inside of the wall to the farthest terminal, mm. */
  routeMm: number().min(0).max(20_000).required(),
  spareMm: number().min(0).max(20_000).optional(),
  unit: string()
    .oneOf(['mm', 'in'] as const)
    .optional(),
  /** Where terminals differ: the way to each, mm. */
  terminals: array()
    .of(
      object({ core: string().min(1).max(20).required(), routeMm: number().min(0).max(20_000).required() })
        .noUnknown()
        .required(),
    )
    .max(400)
    .optional(),
})
  .noUnknown()
  .required();

/** `tighten`: stages, and the tools that a size does not settle: a wrench's head, a cover's bolts, a press unit. */
export const tightenRequestSchema = object({
  ...terminationFields,
  size: string().required(),
  wrenchHead: object({
    leverMm: number().positive().max(3000).required(),
    headMm: number().min(0).max(500).required(),
    angleDeg: number().min(-180).max(180).required(),
  })
    .noUnknown()
    .optional()
    .default(undefined),
  cover: object({
    bolts: number().integer().min(BOLTS.min).max(BOLTS.max).required(),
    shape: string().oneOf(COVER_SHAPES).required(),
    torqueNm: number().positive().max(1000).required(),
  })
    .noUnknown()
    .optional()
    .default(undefined),
})
  .noUnknown()
  .required();

/** `compound`: what goes into the chamber, how much, how long it may be worked; with `ready`, the batches for many. */
export const compoundRequestSchema = object({
  ...terminationFields,
  size: string().required(),
  /** Compound asked for; the first that the fitting's list allows when left out. */
  compound: string().max(60).optional(),
  /** Temperature of the work, °C. */
  tempC: number().min(-60).max(120).required(),
  mode: string().oneOf(TIME_MODES).optional(),
  ready: object({
    pours: array()
      .of(
        object({ tag: string().min(1).max(45).required(), ml: number().positive().max(5000).required() })
          .noUnknown()
          .required(),
      )
      .max(5000)
      .required(),
    minutesPerPour: number().positive().max(600).required(),
    people: number().integer().min(1).max(50).required(),
  })
    .noUnknown()
    .optional()
    .default(undefined),
})
  .noUnknown()
  .required();

/** `cure`: a compound's printed cure and a log of temperatures → progress, holds, predicted time. Times in minutes on one clock. */
export const cureRequestSchema = object({
  cure: timeTable(),
  readings: array()
    .of(object({ at: number().required(), c: number().required() }).noUnknown().required())
    .min(1)
    .max(20_000)
    .required(),
  now: number().required(),
})
  .noUnknown()
  .required();

/** `frame-check`: a request of `frame` and a plan for it, by whomever → what is wrong with it, place by place. */
export const frameCheckRequestSchema = object({ request: frameRequestSchema, plan: framePlanSchema })
  .noUnknown()
  .required();

/** `frame-reentry`: a built frame and cables to be added → where each goes, what must be opened, the plan after it and the steps. */
export const frameReentryRequestSchema = object({
  request: frameRequestSchema,
  plan: framePlanSchema,
  add: array().of(frameCableSchema).min(1, 'at least one cable is needed').max(200).required(),
})
  .noUnknown()
  .required();

export type MeasureRequest = InferType<typeof measureRequestSchema>;
export type ChooseRequest = InferType<typeof chooseRequestSchema>;
export type CutRequest = InferType<typeof cutRequestSchema>;
export type TightenRequest = InferType<typeof tightenRequestSchema>;
export type CompoundRequest = InferType<typeof compoundRequestSchema>;
export type CureRequest = InferType<typeof cureRequestSchema>;
export type FrameReentryRequest = InferType<typeof frameReentryRequestSchema>;
export type FrameCheckRequest = InferType<typeof frameCheckRequestSchema>;
