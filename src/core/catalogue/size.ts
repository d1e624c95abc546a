import { array, boolean, mixed, number, object, string, type InferType } from 'yup';
import { positionsSchema } from '@/core/pin-map';
import { couplerSizeSchema } from './coupler';
import { potSchema } from './mineral';
import { printedRangeSchema } from './range';
import { stageMethodSchema } from './stage';
import { threadSchema } from './thread';
import { ARMOUR_KINDS, COMPOUND_KINDS, RING_FACES } from './vocabulary';

const length = (max = 400) => number().min(0).max(max);

/** One face of one ring: which armour it clamps, and how thick a wire or tape. `ring` names an alternative ring's part number. */
export const ringOptionSchema = object({
  face: string().oneOf(RING_FACES).required(),
  armour: array().of(string().oneOf(ARMOUR_KINDS).required()).min(1).required(),
  range: printedRangeSchema,
  /** Part number of the ring when it is not the one in the bag. */
  ring: string().max(30).optional(),
})
  .noUnknown()
  .required();
export type RingOption = InferType<typeof ringOptionSchema>;

/** Length of armour on the cone or under the ring, two-sided, by kind of armour. */
export const armourLengthSchema = object({
  armour: array().of(string().oneOf(ARMOUR_KINDS).required()).min(1).required(),
  minMm: length().required(),
  maxMm: length().required(),
  /** What this variant adds to the length: a longer cone, an extended ring. */
  addedMm: length(100).optional(),
})
  .noUnknown()
  .required();

/** Cuts of a sealing fitting, mm: the first jacket cut lets the saw at the armour, the second inner cut is made with the fitting on. */
export const sealingCutSchema = object({
  /** Armour laid bare by the first jacket cut; less than the final length. */
  firstJacketMm: length(200).required(),
  /** From the hub's edge towards the cable end: where wraps, fillers and inner jacket end inside the chamber. */
  secondInnerMm: length(200).required(),
}).noUnknown();

/** How a contact holds its core. */
export const CONTACT_JOINTS = ['crimp', 'setScrew'] as const;

/** Contact insert of a plug-in gland body: cores end in it, so it and not the box settles their length. */
export const insertSchema = object({
  contacts: number().integer().min(1).max(400).required(),
  tailMinMm: length().required(),
  tailMaxMm: length().required(),
  /** Insulation off the end of each core. */
  stripMinMm: length(60).required(),
  stripMaxMm: length(60).required(),
  /** Its positions as they lie on the pins; left out where the sheet does not number them. */
  positions: positionsSchema.optional(),
  /** How its contacts hold a core; left out where the sheet does not say. */
  joint: string().oneOf(CONTACT_JOINTS).optional(),
  /** Die and form of the crimp, and how much bare copper may show between it and the insulation. */
  crimp: object({
    die: string().trim().min(1).max(40).required(),
    form: string().trim().min(3).max(60).required(),
    bareMaxMm: length(20).required(),
  })
    .noUnknown()
    .optional()
    .default(undefined),
  /** Part numbers of the two halves of an in-line joint; left out in any other. */
  halves: object({
    sockets: string().min(2).max(40).required(),
    pins: string().min(2).max(40).required(),
  })
    .noUnknown()
    .optional()
    .default(undefined),
  /** A metal cap closes the half at the plant while the cable half is away. */
  liveCap: boolean().optional(),
}).noUnknown();

export const chamberSchema = object({
  boreMm: length().required(),
  lengthMm: length().required(),
  volumeMl: number().min(0).max(5000).required(),
  /** Of that, what stays air above the compound, mL; nothing when left out. */
  airMl: number().min(0).max(5000).optional(),
  maxCores: number().integer().min(1).max(400).required(),
  maxOverCoresMm: length().required(),
  /** Farthest that compound may stand up the cores beyond the chamber's mouth. */
  extentMm: length(200).optional(),
  /** Share of the bore's area that must be left for compound between the cores. */
  minFreeShare: number().min(0).max(1).optional(),
  compounds: array()
    .of(
      object({
        kind: string().oneOf(COMPOUND_KINDS).required(),
        product: string().required(),
        maxCores: number().integer().min(1).optional(),
      })
        .noUnknown()
        .required(),
    )
    .min(1)
    .required(),
}).noUnknown();

export const END_STOP_TESTS = ['cableRange', 'conductorsPass', 'slidesPastArmour'] as const;

export const endStopSchema = object({
  test: string().oneOf(END_STOP_TESTS).required(),
  /** The end stop stays for an outside diameter within this range. */
  stays: printedRangeSchema.optional().default(undefined),
  boreMm: length().optional(),
  leaves: string()
    .oneOf(['forGood', 'beforeCompound'] as const)
    .required(),
}).noUnknown();

export const sizeSchema = object({
  code: string()
    .matches(/^[A-Z0-9][A-Z0-9-]{1,20}$/, 'is not a size code such as RW2-32')
    .required(),
  partNumber: string().min(2).max(40).required(),
  /** The entry thread and its length as delivered, in mm from shoulder to end. */
  entry: object({
    thread: threadSchema,
    lengthMm: length(80).required(),
    undercutMm: length(10).required(),
    /** Threads of a tapered entry that engage wrench-tight, as the sheet gives them. */
    taperedTurns: number().min(0).max(20).optional(),
  })
    .noUnknown()
    .required(),
  outerSeal: printedRangeSchema.optional().default(undefined),
  innerSeal: printedRangeSchema.optional().default(undefined),
  rings: array().of(ringOptionSchema).required(),
  armourLengths: array().of(armourLengthSchema).required(),
  endStop: endStopSchema.optional().default(undefined),
  chamber: chamberSchema.optional().default(undefined),
  sealingCut: sealingCutSchema.optional().default(undefined),
  insert: insertSchema.optional().default(undefined),
  pot: potSchema.optional().default(undefined),
  coupler: couplerSizeSchema.optional().default(undefined),
  /** Across flats and across corners of the largest hexagon, mm. */
  hexFlatsMm: length().required(),
  hexCornersMm: length().required(),
  /** From the armour stop to the shoulder of the entry component. */
  innerLengthMm: length().required(),
  /** How far the closed gland stands off the wall. */
  protrusionMm: length().required(),
  /** Spanner across flats for each part that is turned or held, mm. */
  spanners: mixed<Record<string, number>>()
    .test('spanners', 'must give a spanner size in mm for each part id', (value) => {
      if (value === undefined || value === null || typeof value !== 'object' || Array.isArray(value))
        return false;
      return Object.values(value).every((v) => typeof v === 'number' && v > 0 && v < 300);
    })
    .meta({
      jsonSchema: {
        type: 'object',
        additionalProperties: { type: 'number', exclusiveMinimum: 0, exclusiveMaximum: 300 },
      },
    })
    .required(),
  /** Figures of this size that replace the family's, by stage id. */
  stageMethods: mixed<Record<string, InferType<typeof stageMethodSchema>>>()
    .test('stageMethods', 'must map stage ids to tightening methods', function check(value) {
      if (value === undefined) return true;
      if (value === null || typeof value !== 'object' || Array.isArray(value)) return false;
      for (const [id, method] of Object.entries(value)) {
        try {
          stageMethodSchema.validateSync(method, { strict: true });
        } catch (error) {
          return this.createError({ message: `${id}: ${(error as Error).message}` });
        }
      }
      return true;
    })
    .meta({ jsonSchema: { type: 'object', additionalProperties: { type: 'object', required: ['kind'] } } })
    .optional(),
  /** Shroud by outer diameter: the step to cut it at. */
  shroudSteps: array()
    .of(
      object({ upToMm: length().required(), step: string().min(1).max(10).required() })
        .noUnknown()
        .required(),
    )
    .optional(),
  /** Part number of the shroud for this size, where one is offered. */
  shroudPart: string().min(2).max(40).optional(),
  massKg: number().min(0).max(100).optional(),
})
  .noUnknown()
  .required();

export type Size = InferType<typeof sizeSchema>;
