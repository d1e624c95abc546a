import { boolean, number, object, string, type InferType } from 'yup';

export const PART_ROLES = [
  'shroud',
  'backNut',
  'outerSeal',
  'middleNut',
  'clampingRing',
  'cone',
  'armourEarthingRing',
  'innerSeal',
  'diaphragm',
  'endStop',
  'chamber',
  'entryComponent',
  'sealingWasher',
  'earthTag',
  'serratedWasher',
  'locknut',
  'hub',
  'unionNut',
  'insert',
  'pot',
  'potCap',
  'packingRing',
  'clampPlate',
  'gasket',
  'casting',
  'tube',
  'coupling',
] as const;
export type PartRole = (typeof PART_ROLES)[number];

export const ORIENTATIONS = ['either', 'oneWay', 'facePerArmour'] as const;

/** A part of the stack. `slideOn` orders what must be on the cable before its end is made off: 1 goes on first. */
export const partSchema = object({
  id: string()
    .matches(/^[a-z][A-Za-z0-9]*$/)
    .required(),
  role: string().oneOf(PART_ROLES).required(),
  name: string().min(2).max(60).required(),
  slideOn: number().integer().min(1).max(20).optional(),
  orientation: string().oneOf(ORIENTATIONS).optional(),
  /** Which way round, in words, for `oneWay`: “open end towards the cable end”. */
  facing: string().max(120).optional(),
  /** Where the side that `facing` names looks: to the cable end, or along the cable away from it. Left out, no arrow is drawn. */
  towards: string()
    .oneOf(['cableEnd', 'cable'] as const)
    .optional(),
  /** Bought and stocked apart from the gland. */
  accessory: boolean().optional(),
})
  .noUnknown()
  .required();

export type Part = InferType<typeof partSchema>;
