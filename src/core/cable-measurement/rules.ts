import { number, object, string, type InferType } from 'yup';

const positive = () => number().min(0).max(10).required();

/**
 * How far each way of measuring can be trusted. Editable values of the code profile, never constants: `source` says where a
 * company's figures come from.
 */
export const measurementRulesSchema = object({
  source: string().required(),
  /** Half-width of one reading in mm of diameter. */
  uncertaintyMm: object({
    caliper: positive(),
    wrapTape: positive(),
    diameterTape: positive(),
    /** Caliper on a single armour wire or tape, which is finer work than a sheath. */
    armourWire: positive(),
  })
    .noUnknown()
    .required(),
  /** Share of the diameter added on both sides where the method cannot see that the cable is oval. */
  ovalityAllowance: number().min(0).max(0.2).required(),
  /** Half tolerance of a datasheet diameter as a share of it, when the datasheet gives none. */
  nominalTolerance: number().min(0).max(0.3).required(),
  /** Thickness of a wrap tape in mm, once round: `d = C/π − thickness`. */
  tapeThicknessMm: positive(),
})
  .noUnknown()
  .required();

export type MeasurementRules = InferType<typeof measurementRulesSchema>;
