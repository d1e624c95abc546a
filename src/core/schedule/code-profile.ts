import { array, number, object, string, type InferType } from 'yup';
import { measurementRulesSchema } from '@/core/cable-measurement';

/**
 * The rules a job works to. Every figure is an editable value with its source, so that an edition change is an edit and not a
 * release. The text of a standard is never copied: the number and the edition say where to look.
 */
export const codeProfileSchema = object({
  key: string()
    .matches(/^[a-z][a-z0-9-]*$/)
    .required(),
  title: string().required(),
  caution: string().required(),
  measurement: measurementRulesSchema,
  flameproofThreads: object({
    source: string().required(),
    minFullThreads: number().integer().min(1).max(20).required(),
    /** Least axial length by free volume; the last row holds for every larger volume. */
    minAxial: array()
      .of(
        object({
          upToCm3: number().min(0).nullable().default(null),
          mm: number().min(0).max(50).required(),
        }).required(),
      )
      .min(1)
      .required(),
  }).required(),
  otherThreads: object({
    source: string().required(),
    minFullThreads: number().integer().min(0).max(20).required(),
  }).required(),
  clearanceHole: object({
    source: string().required(),
    maxClearanceMm: number().min(0).max(5).required(),
  }).required(),
  cut: object({
    source: string().required(),
    /** Left uncut under a blade in a sheath, mm. */
    sheathGuardMm: number().min(0).max(3).required(),
    /** Share of a wire that may be sawn before it is snapped. */
    wireDepthShare: number().min(0.1).max(0.9).required(),
    kerfMm: number().min(0).max(5).required(),
    /** Slack for the bend to the terminals, mm. */
    bendSlackMm: number().min(0).max(500).required(),
    /** How much longer than planned the inner sheath may stand in the box. */
    stubToleranceMm: number().min(0).max(50).required(),
    tailToleranceMm: number().min(0).max(100).required(),
  }).required(),
})
  .noUnknown()
  .required();

export type CodeProfile = InferType<typeof codeProfileSchema>;
