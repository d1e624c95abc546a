import { array, boolean, number, object, string, type InferType } from 'yup';
import { couplerSchema } from './coupler';
import { deviceSchema } from './device';
import { inLineSchema } from './in-line';
import { mineralSealSchema } from './mineral';
import { partSchema } from './part';
import { sizeSchema, type Size } from './size';
import { stageSchema } from './stage';
import {
  ARMOUR_KINDS,
  CLASS_GROUPS,
  CONCEPTS,
  CONSTRUCTIONS,
  CUT_KINDS,
  DIVISIONS,
  DUST_GROUPS,
  GAS_GROUPS,
  HAZARD_CLASSES,
  MATERIALS,
  PROCEDURE_KINDS,
  type ProcedureKind,
} from './vocabulary';

/** Where the figures were read: the instruction sheet, its revision and date. */
export const sheetSchema = object({
  title: string().min(3).max(120).required(),
  revision: string().min(1).max(20).required(),
  issued: string()
    .matches(/^\d{4}-\d{2}(-\d{2})?$/, 'is not a date such as 2025-04')
    .required(),
})
  .noUnknown()
  .required();

/** What the certificate of the family says, as plain facts. */
export const certificateSchema = object({
  concepts: array().of(string().oneOf(CONCEPTS).required()).min(1).required(),
  zones: array()
    .of(number().oneOf([0, 1, 2, 20, 21, 22]).required())
    .required(),
  gasGroup: string().oneOf(GAS_GROUPS).optional(),
  dustGroup: string().oneOf(DUST_GROUPS).optional(),
  /** Classes, divisions and groups of division-style codes, where the family is listed for them. */
  divisions: array()
    .of(
      object({
        hazardClass: string().oneOf(HAZARD_CLASSES).required(),
        division: number().oneOf(DIVISIONS).required(),
        groups: array().of(string().oneOf(CLASS_GROUPS).required()).min(1).required(),
      })
        .noUnknown()
        .required(),
    )
    .optional(),
  /** Two-digit IP codes that were tested, e.g. 66 and 68. */
  ip: array()
    .of(
      string()
        .matches(/^[0-6X][0-9X]$/, 'is not an IP code such as 66')
        .required(),
    )
    .min(1)
    .required(),
  serviceMinC: number().min(-100).max(50).required(),
  serviceMaxC: number().min(0).max(300).required(),
  certificateNumber: string().max(60).optional(),
})
  .noUnknown()
  .required();

export const acceptsSchema = object({
  armour: array().of(string().oneOf(ARMOUR_KINDS).required()).min(1).required(),
  /** Needs a jacket over the armour for its outer seal. */
  jacket: string()
    .oneOf(['required', 'optional'] as const)
    .required(),
  /** Takes cables whose sheath creeps under a seal. */
  coldFlow: boolean().required(),
  /** Takes cables with a gas path between the cores. */
  unfilled: boolean().required(),
  /** Made for cables of this construction, and for no others. */
  construction: string().oneOf(CONSTRUCTIONS).optional(),
})
  .noUnknown()
  .required();

/** How the armour is made off and looked at. Words of the sheet in our own language. */
export const makeOffSchema = object({
  /** Stage that clamps the armour and is undone again for the look. */
  clampStage: string().optional(),
  /** Stage at which the inner seal is compressed while the cable is pushed gently forward. */
  innerStage: string().optional(),
  /** Stage that mates the halves of a plug-in body. */
  mateStage: string().optional(),
  /** Open and look at the clamped armour. */
  look: boolean().required(),
  checks: array().of(string().min(3).max(200).required()).required(),
})
  .noUnknown()
  .required();

export const SEAL_ORDERS = ['packThenChamber', 'chamberThenPour'] as const;
export const AFTER_CURE = ['openAndLook', 'inDoubt', 'noLook'] as const;

/** How the compound goes in, by the sheet of the gland. What the compound itself does stands on its own sheet. */
export const sealSchema = object({
  /** Cores packed before the chamber goes over them, or chamber on first and filled then. */
  order: string().oneOf(SEAL_ORDERS).required(),
  /** Stage after which the compound goes in. */
  fillAfter: string().required(),
  /** Stage after which nothing moves until the compound is hard. */
  cureAfter: string().required(),
  afterCure: string().oneOf(AFTER_CURE).required(),
  /** On top of the volume between the cores: crotches and what stays in the cup. */
  allowanceShare: number().min(0).max(1).required(),
  /** Poured resin needs a dam below the chamber. */
  dam: boolean().required(),
  /** Putty is measured by the length of its stick, or the chamber itself is the gauge. */
  puttyGauge: string()
    .oneOf(['stick', 'chamber'] as const)
    .required(),
  /** How the core ends pass the chamber: under a fitted cap, or taped. */
  tips: string()
    .oneOf(['cap', 'taped'] as const)
    .required(),
}).noUnknown();
export type SealRules = InferType<typeof sealSchema>;

export const familySchema = object({
  code: string()
    .matches(/^[A-Z]{2}\d$/, 'is not a family code such as RW2')
    .required(),
  title: string().min(3).max(120).required(),
  sheet: sheetSchema,
  procedureKind: string().oneOf(PROCEDURE_KINDS).required(),
  cutKind: string().oneOf(CUT_KINDS).required(),
  material: string().oneOf(MATERIALS).required(),
  certificate: certificateSchema,
  accepts: acceptsSchema,
  /** Largest ovality (fraction) that its flameproof seal takes: the inner seal where a size has one, else the outer. */
  maxOvality: number().min(0).max(0.5).required(),
  /** Inner sheath that must stand inside the box, mm. */
  emergenceMm: number().min(0).max(100).required(),
  parts: array().of(partSchema).min(2).required(),
  stages: array().of(stageSchema).required(),
  makeOff: makeOffSchema,
  /** Present where two halves are joined in a housing. */
  inLine: inLineSchema.optional().default(undefined),
  /** Present where the sizes have a chamber. */
  seal: sealSchema.optional().default(undefined),
  /** Present where the sizes have a pot. */
  mineral: mineralSealSchema.optional().default(undefined),
  /** Present where it is the clamp of a device itself. */
  device: deviceSchema.optional().default(undefined),
  /** Present where it is a coupler on a screened trailing cable. */
  coupler: couplerSchema.optional().default(undefined),
  cautions: array().of(string().min(3).max(240).required()).required(),
  sizes: array().of(sizeSchema).min(1).max(60).required(),
})
  .noUnknown()
  .required();

/** A gland family in one revision of its sheet: data, not code. */
export type Family = InferType<typeof familySchema>;
export type Certificate = InferType<typeof certificateSchema>;

/** What a family does inside the cable: nothing, a barrier of compound in its chamber, a poured sealing fitting; or it is a plug-in body, half of an in-line joint, seals the powder of a mineral-insulated cable, is a device's own clamp, or a coupler. */
export type Purpose =
  'plain' | 'barrier' | 'sealingFitting' | 'plugIn' | 'inLine' | 'mineralSeal' | 'ownClamp' | 'coupler';

export const PURPOSE_WORDS: Readonly<Record<Purpose, string>> = {
  plain: 'gland without a barrier',
  barrier: 'barrier gland',
  sealingFitting: 'sealing fitting',
  plugIn: 'plug-in gland body',
  inLine: 'half of an in-line joint',
  mineralSeal: 'seal for mineral-insulated cable',
  ownClamp: 'device with its own clamp',
  coupler: 'coupler for a trailing cable',
};

const byChamber = ({ chamber }: Pick<Size, 'chamber'>): Purpose =>
  chamber === undefined ? 'plain' : 'barrier';

const PURPOSE_OF: Readonly<Record<ProcedureKind, (size: Pick<Size, 'chamber'>) => Purpose>> = {
  entryFirst: byChamber,
  madeOffFirst: byChamber,
  sealingFitting: () => 'sealingFitting',
  plugIn: () => 'plugIn',
  inLine: () => 'inLine',
  mineralSeal: () => 'mineralSeal',
  ownClamp: () => 'ownClamp',
  coupler: () => 'coupler',
};

/** What one size does inside the cable: a size without a chamber is no barrier, whatever its family has besides. */
export const purposeOfSize = (family: Pick<Family, 'procedureKind'>, size: Pick<Size, 'chamber'>): Purpose =>
  PURPOSE_OF[family.procedureKind](size);

/** Whether the sheet's rules are mostly not in a table of sizes (pots, plates, ladders), so that a new revision of it is typed in whole. */
export const hasOwnFigures = (family: Family): boolean =>
  family.mineral !== undefined ||
  family.device !== undefined ||
  family.coupler !== undefined ||
  family.inLine !== undefined ||
  family.sizes.some((s) => s.pot !== undefined);

/** What a family is kept under in lists: a barrier when any of its sizes is one. */
export function purposeOf(family: Family): Purpose {
  const purposes = family.sizes.map((size) => purposeOfSize(family, size));
  return purposes.find((p) => p !== 'plain') ?? 'plain';
}
