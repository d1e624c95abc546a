import { boolean, number, object, string, type InferType } from 'yup';
import { certificateSchema } from './family';
import { threadSchema } from './thread';
import { MATERIALS } from './vocabulary';

/** Between entry and gland: `male` goes into the entry, the gland goes into `female`. Never two of them on one another. */
export const adaptorSchema = object({
  partNumber: string().min(2).max(40).required(),
  male: threadSchema,
  maleLengthMm: number().min(3).max(60).required(),
  female: threadSchema,
  femaleLengthMm: number().min(3).max(60).required(),
  femaleChamferMm: number().min(0).max(5).required(),
  /** Shoulder to shoulder: by how much the gland stands farther out. */
  addedLengthMm: number().min(0).max(80).required(),
  hexFlatsMm: number().min(5).max(200).required(),
  /** For tapered threads, as the sheet gives them: threads that engage wrench-tight. */
  maleTaperedTurns: number().min(0).max(20).optional(),
  femaleTaperedTurns: number().min(0).max(20).optional(),
  material: string().oneOf(MATERIALS).required(),
  certificate: certificateSchema,
})
  .noUnknown()
  .required();
export type Adaptor = InferType<typeof adaptorSchema>;

export const ACCESSORY_KINDS = [
  'sealingWasher',
  'earthTag',
  'serratedWasher',
  'locknut',
  'blankingPlug',
] as const;

/** Accessory on the entry thread, or the plug that closes an entry nobody uses. */
export const accessorySchema = object({
  partNumber: string().min(2).max(40).required(),
  kind: string().oneOf(ACCESSORY_KINDS).required(),
  thread: threadSchema,
  thicknessMm: number().min(0.2).max(30).required(),
  /** Insulating washers break the earth path and need the tag on the outside. */
  insulating: boolean().optional(),
  spannerMm: number().min(5).max(200).optional(),
  /** Blanking plugs are certified parts of their own. */
  certificate: certificateSchema.optional().default(undefined),
})
  .noUnknown()
  .required();
export type Accessory = InferType<typeof accessorySchema>;
export type AccessoryKind = (typeof ACCESSORY_KINDS)[number];
