import { boolean, number, object, string, type InferType } from 'yup';
import { ARMOUR_KINDS } from '@/core/catalogue';

/** A cable by construction. Thicknesses are the maker's nominal figures in mm and only ever narrow a depth guard. */
export const cableTypeSchema = object({
  code: string().min(1).max(40).required(),
  title: string().max(120).required(),
  armour: string().oneOf(ARMOUR_KINDS).required(),
  cores: number().integer().min(1).max(200).required(),
  coreSectionMm2: number().min(0.2).max(1000).required(),
  /** A jacket over the armour. */
  jacketed: boolean().required(),
  /** A bedding or inner sheath under the armour. */
  innerSheath: boolean().required(),
  /** No gas path between the cores. */
  effectivelyFilled: boolean().required(),
  /** The sheath creeps under lasting pressure. */
  coldFlow: boolean().required(),
  screened: boolean().required(),
  outerSheathThicknessMm: number().min(0.2).max(10).optional(),
  innerSheathThicknessMm: number().min(0.2).max(10).optional(),
})
  .noUnknown()
  .required();

export type CableType = InferType<typeof cableTypeSchema>;
