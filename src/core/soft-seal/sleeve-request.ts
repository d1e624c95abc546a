import { array, number, object, string, type InferType } from 'yup';
import { circleArea, type Shape } from '@/core/circle-packing';
import { eachOnce } from '@/core/kernel';
import {
  effort,
  facesSchema,
  intervalOf,
  ratingSchema,
  sleeveSheetSchema,
  tempSchema,
  throughSchema,
} from './sheet';

/** A measure that only one kind of opening has. */
const only = (kind: 'circle' | 'rectangle') =>
  intervalOf()
    .optional()
    .default(undefined)
    .when('kind', {
      is: kind,
      then: (s) => s.required(),
      otherwise: (s) => s.test('none', `is for a ${kind}`, (v) => v === undefined),
    });

const openingSchema = object({
  kind: string()
    .oneOf(['circle', 'rectangle'] as const)
    .required(),
  d: only('circle'),
  w: only('rectangle'),
  h: only('rectangle'),
})
  .noUnknown()
  .required();

export const LIES = ['level', 'upright'] as const;
export const SLEEVE_SCHOOLS = ['afterPulling', 'whilePulling'] as const;

export const sleeveRequestSchema = object({
  sheet: sleeveSheetSchema,
  opening: openingSchema,
  /** Along the axis of the opening. */
  depth: intervalOf(),
  /** Its axis out of square to the wall at most, degrees; not known when left out. */
  slantDeg: number().min(0).max(80).optional(),
  faces: facesSchema,
  ratingKnown: ratingSchema,
  tempC: tempSchema,
  /** The cables run up and down: what is loose falls out. */
  lies: string().oneOf(LIES).required(),
  cables: array()
    .of(throughSchema)
    .min(1)
    .max(300)
    .test('once', 'names a cable twice', (cables) => eachOnce(cables, 'tag'))
    .required(),
  /** Sleeves go on after the cables are pulled, or while. */
  school: string().oneOf(SLEEVE_SCHOOLS).required(),
  ...effort,
})
  .noUnknown()
  .required();
export type SleeveRequest = InferType<typeof sleeveRequestSchema>;
type Opening = SleeveRequest['opening'];

/** The smallest that an opening may be. */
export const smallest = ({ kind, d, w, h }: Opening): Shape =>
  kind === 'circle' ? { kind, d: d?.min ?? 0 } : { kind, w: w?.min ?? 0, h: h?.min ?? 0 };

/** Its area square to the axis at most, mm². */
export const largestArea = ({ kind, d, w, h }: Opening): number =>
  kind === 'circle' ? circleArea(d?.max ?? 0) : (w?.max ?? 0) * (h?.max ?? 0);

/** Depth of sealant along the axis for the sheet's depth square to the wall: more where the opening is aslant. */
export const sealantAlongMm = ({ sheet, slantDeg = 0 }: SleeveRequest): number =>
  sheet.sealantDepthMm / Math.cos((slantDeg * Math.PI) / 180);

/** Air between the fillings that a deep opening asks for, mm. */
export const airMm = ({ sheet, depth }: SleeveRequest): number =>
  sheet.air !== undefined && depth.max >= sheet.air.fromDepthMm ? sheet.air.gapMm : 0;
