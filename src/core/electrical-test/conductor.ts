import { number, object, string, type InferType } from 'yup';
import { intervalSchema } from '@/core/kernel';

/**
 * Resistivity at 20 °C, Ω·mm²/m, and the share by which it rises with each kelvin. Source: IEC 60287-1-1, table of materials of conductors,
 * screens and armour.
 */
export const CONDUCTORS = {
  copper: { ohmMm2PerM: 0.017241, perKelvin: 0.00393 },
  aluminium: { ohmMm2PerM: 0.028264, perKelvin: 0.00403 },
  bronze: { ohmMm2PerM: 0.035, perKelvin: 0.003 },
  steel: { ohmMm2PerM: 0.138, perKelvin: 0.0045 },
  stainlessSteel: { ohmMm2PerM: 0.7, perKelvin: 0 },
} as const;
export type ConductorMaterial = keyof typeof CONDUCTORS;
export const CONDUCTOR_MATERIALS = Object.keys(CONDUCTORS) as ConductorMaterial[];

/** What a resistance is expected of: a conductor along the cable, measured from one end to the other. */
export const pathSchema = object({
  material: string().oneOf(CONDUCTOR_MATERIALS).required(),
  areaMm2: number().min(0.05).max(5000).required(),
  lengthM: intervalSchema(100_000),
  /** Of the conductor while it is measured. */
  tempC: number().min(-60).max(120).required(),
  /** By how much more it may be, as a share: lay of the wires, clamps, joints. */
  overShare: number().min(0).max(2).required(),
})
  .noUnknown()
  .required();
export type ConductorPath = InferType<typeof pathSchema>;

/** Ω of a conductor: `ρ₂₀ · L / A · (1 + α (T − 20))`. */
export function conductorOhm(
  { material, areaMm2, tempC }: Pick<ConductorPath, 'material' | 'areaMm2' | 'tempC'>,
  lengthM: number,
): number {
  const { ohmMm2PerM, perKelvin } = CONDUCTORS[material];
  return ((ohmMm2PerM * lengthM) / areaMm2) * (1 + perKelvin * (tempC - 20));
}

/** The most that a path may have, of the shortest it may be; and what is less than it can have, of the shortest too. */
export function ohmLimits(path: ConductorPath): { readonly most: number; readonly least: number } {
  const own = conductorOhm(path, path.lengthM.min);
  return { most: own * (1 + path.overShare), least: own * LESS_THAN_IT_CAN };
}

/** A conductor of its full section has no less than this share of what its figures give: less comes by another way. */
const LESS_THAN_IT_CAN = 0.7;
