import { array, number, object, string, type InferType } from 'yup';
import { measurementRulesSchema } from '@/core/cable-measurement';
import { DIVISIONS, HAZARD_CLASSES, MATERIALS } from '@/core/catalogue';
import { CABLE_LISTINGS } from './cable-listings';

/** How a profile decides about a barrier inside the cable; see `decideBarrier`. */
export const BARRIER_RULES = ['flow', 'lengthFilling', 'division', 'none'] as const;
export type BarrierRule = (typeof BARRIER_RULES)[number];

export const PROFILE_SYSTEMS = ['zones', 'divisions', 'industrial'] as const;

/**
 * The rules a job works to. Every figure is an editable value with its source, so that an edition change is an edit and not a
 * release. The text of a standard is never copied: the number and the edition say where to look.
 */
export const codeProfileSchema = object({
  key: string()
    .matches(/^[a-z][a-z0-9-]*$/, 'is not a key such as iec-flow')
    .max(40)
    .required(),
  title: string().min(3).max(80).required(),
  /** Standard and year of the edition the rules were taken from. */
  edition: string().min(3).max(80).required(),
  system: string().oneOf(PROFILE_SYSTEMS).required(),
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
        })
          .noUnknown()
          .required(),
      )
      .min(1)
      .required(),
  })
    .noUnknown()
    .required(),
  /** Tapered threads wrench-tight; how many engage stands on the sheets of both parts. */
  taperedThreads: object({
    source: string().required(),
    minTurns: number().min(1).max(12).required(),
  })
    .noUnknown()
    .required(),
  otherThreads: object({
    source: string().required(),
    minFullThreads: number().integer().min(0).max(20).required(),
  })
    .noUnknown()
    .required(),
  clearanceHole: object({
    source: string().required(),
    maxClearanceMm: number().min(0).max(5).required(),
  })
    .noUnknown()
    .required(),
  /** Is a barrier inside the cable called for? Figures that a rule does not use are left out. */
  barrier: object({
    rule: string().oneOf(BARRIER_RULES).required(),
    source: string().required(),
    /** `lengthFilling`: a filled, compact cable from this length on needs none. */
    minLengthM: number().min(0).max(1000).optional(),
    /** `flow`: a box of more than this volume needs one in zone 1. */
    maxVolumeCm3: number().min(0).max(1_000_000).optional(),
  })
    .noUnknown()
    .required(),
  /** Which listing of the cable itself each place asks for. Empty where the code has no such rule. */
  cableListing: object({
    source: string().required(),
    rows: array()
      .of(
        object({
          hazardClass: string().oneOf(HAZARD_CLASSES).required(),
          division: number().oneOf(DIVISIONS).required(),
          accepts: array().of(string().oneOf(CABLE_LISTINGS).required()).min(1).required(),
        })
          .noUnknown()
          .required(),
      )
      .required(),
  })
    .noUnknown()
    .required(),
  /** Pairs of metals that are refused: gland against the wall of the box, or against the armour. */
  corrosion: object({
    source: string().required(),
    pairs: array()
      .of(
        object({
          gland: string().oneOf(MATERIALS).required(),
          against: string()
            .oneOf(['wall', 'armour'] as const)
            .required(),
          material: string().oneOf(MATERIALS).required(),
          where: string()
            .oneOf(['wet', 'everywhere'] as const)
            .required(),
        })
          .noUnknown()
          .required(),
      )
      .required(),
  })
    .noUnknown()
    .required(),
  singleCore: object({
    source: string().required(),
    /** Armour that lets no current be induced in it worth speaking of. */
    nonMagnetic: array().of(string().oneOf(MATERIALS).required()).required(),
    /** Walls in which a hole for one phase alone gets hot. */
    ferrous: array().of(string().oneOf(MATERIALS).required()).required(),
  })
    .noUnknown()
    .required(),
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
  })
    .noUnknown()
    .required(),
})
  .noUnknown()
  .required();

export type CodeProfile = InferType<typeof codeProfileSchema>;
