import { array, mixed, number, object, string, type InferType } from 'yup';
import { VERDICTS } from '@/core/kernel';
import { SEAL_PART_KINDS, type SealFinding } from './finding';
import { isSealCase } from './words';

// What is kept of a plan: codes and figures, no words of ours.

const figure = () => number().required();
const between = object({ min: figure(), max: figure() }).noUnknown().required();

/** A figure that a plan may do without: null then. */
const orNull = () => number().nullable().defined();

const findings = array()
  .of(
    mixed<SealFinding>()
      .required()
      .test('finding', 'is no finding of a seal', (f: unknown) => {
        const { verdict, case: said } = Object(f) as { readonly verdict?: unknown; readonly case?: unknown };
        return VERDICTS.some((v) => v === verdict) && isSealCase(said);
      }),
  )
  .required();

const parts = array()
  .of(
    object({
      id: string().required(),
      kind: string().oneOf(SEAL_PART_KINDS).required(),
      count: figure(),
      unit: string()
        .oneOf(['piece', 'mm'] as const)
        .required(),
    })
      .noUnknown()
      .required(),
  )
  .required();

const answer = string()
  .oneOf(['closes', 'refused', 'ask'] as const)
  .required();

export const plugPlanSchema = object({
  answer,
  plug: string().nullable().defined(),
  /** Gap between cable and bore all round, mm, whatever both measure. */
  annulus: between,
  findings,
  /** What takes the same cable where a plug does not. */
  instead: string()
    .oneOf(['sleeve'] as const)
    .nullable()
    .defined(),
  parts,
})
  .noUnknown()
  .required();
export type PlugPlan = InferType<typeof plugPlanSchema>;

/** Something round that lies in an opening; a blank has no tag. The middle of a round opening, or the lower left corner, is 0, 0. */
export const sleeveCircleSchema = object({
  tag: string().nullable().defined(),
  part: string().required(),
  x: figure(),
  y: figure(),
  d: figure(),
})
  .noUnknown()
  .required();
export type SleeveCircle = InferType<typeof sleeveCircleSchema>;

export const sleevePlanSchema = object({
  answer,
  findings,
  /** What goes round each cable, and how large it is with it. */
  wrapped: array()
    .of(
      object({
        tag: string().required(),
        /** Its sleeve, or the strip. */
        with: string().required(),
        kind: string()
          .oneOf(['sleeve', 'strip'] as const)
          .required(),
        d: figure(),
        /** Strips beside one another along the filling, and how long each layer is cut, mm. */
        strips: figure(),
        layerMm: array().of(figure()).required(),
      })
        .noUnknown()
        .required(),
    )
    .required(),
  circles: array().of(sleeveCircleSchema).max(3000).required(),
  /** Of the face that stays open between what lies there, as a share; null where nothing lies. */
  openShare: orNull(),
  /** Sealant for both faces, mL, before waste. */
  sealantMl: figure(),
  /** Of one face along the axis, and the air between, mm. */
  sealantMm: figure(),
  airMm: figure(),
  parts,
  /** From so many cables on sleeves belong on while pulling; null when all go on after it. */
  pullingFrom: orNull(),
  /** The smallest round opening that was found to take the cables as they are, and how, where this one does not; null where it does, or none was looked for. */
  wouldFit: object({ mm: figure(), circles: array().of(sleeveCircleSchema).max(600).required() })
    .noUnknown()
    .nullable()
    .defined(),
})
  .noUnknown()
  .required();
export type SleevePlan = InferType<typeof sleevePlanSchema>;
export type Wrapped = SleevePlan['wrapped'][number];

/** What lies in a round, by its middle: cables by tag, or bundles by name. */
export const roundCirclesSchema = array()
  .of(object({ name: string().required(), x: figure(), y: figure(), d: figure() }).noUnknown().required())
  .max(600)
  .required();

/** One round of a wrap: of a bundle, or of all bundles together. */
export const roundSchema = object({
  id: string().required(),
  diameter: between,
  layers: figure(),
  /** Each layer, cut to meet without a gap round the largest that it may be, mm; the rest is cut off at the fit. */
  strips: array().of(between).required(),
  /** Between what lies inside it, mL over the marked length. */
  sealantMl: between,
  /** At the largest. */
  circles: roundCirclesSchema,
})
  .noUnknown()
  .required();
export type Round = InferType<typeof roundSchema>;

export const wrapPlanSchema = object({
  answer,
  cloth: string().nullable().defined(),
  findings,
  /** From the end of the stub, mm. */
  marks: object({ first: figure(), second: figure() }).noUnknown().required(),
  rounds: array().of(roundSchema).required(),
  /** Over the strip before and under the tie, mm, and what of the tie's tail is pulled through. */
  tie: object({ before: between, target: between, pullMm: between }).noUnknown().nullable().defined(),
  /** A stub without cables: the strip that is folded into it, mm. */
  foldedMm: object({ min: figure(), max: figure() }).noUnknown().nullable().defined(),
  parts,
})
  .noUnknown()
  .required();
export type WrapPlan = InferType<typeof wrapPlanSchema>;
export type Between = InferType<typeof between>;
