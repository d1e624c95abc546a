import { array, boolean, number, object, string, type InferType } from 'yup';
import { ARMOUR_KINDS, CONSTRUCTIONS, MATERIALS, type ArmourKind, type Construction } from '@/core/catalogue';
import { CABLE_LISTINGS } from './cable-listings';
import { coreNamesSchema } from './core-names';
import { nominalProblem, nominalSchema } from './nominal';

/** A cable by construction. Thicknesses are the maker's nominal figures in mm and only ever narrow a depth guard. */
export const cableTypeSchema = object({
  code: string().min(1).max(40).required(),
  title: string().max(120).required(),
  armour: string().oneOf(ARMOUR_KINDS).required(),
  cores: number().integer().min(1).max(200).required(),
  coreSectionMm2: number().min(0.2).max(1000).required(),
  /** Where the cable is of a construction that only families made for it take; left out, it is told by armour and sheaths. */
  construction: string().oneOf(CONSTRUCTIONS).optional(),
  /** Rated voltage between conductors, V. Not known when left out. */
  ratedV: number().positive().max(36_000).optional(),
  /** Colours or marks of its phases, where each is told from the others by them. Not known when left out. */
  phaseColours: array()
    .of(string().max(20).matches(/^\S+$/, 'is a word without spaces').required())
    .min(1)
    .max(4)
    .optional(),
  /** What its cores are called, and what each is for. Not known when left out. */
  coreNames: coreNamesSchema.optional(),
  /** Bare or covered earth cores, and pilots, besides the phases. Not known when left out. */
  earthCores: number().integer().min(0).max(6).optional(),
  pilotCores: number().integer().min(0).max(6).optional(),
  /** A semiconducting layer over the insulation of each phase. Not known when left out. */
  semiconducting: boolean().optional(),
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
  /** Round and without hollows between sheath and cores. Not known when it is left out: then it is asked for. */
  compact: boolean().optional(),
  armourMaterial: string().oneOf(MATERIALS).optional(),
  /** One core of an alternating-current circuit: its armour and the metal round its entry carry induced currents. */
  singleCoreAc: boolean()
    .optional()
    .test('cores', 'is said of a cable with several cores', function cores(value) {
      const { cores: count } = this.parent as { cores?: unknown };
      return value !== true || typeof count !== 'number' || count === 1;
    }),
  /** Hazardous-location listings printed on the cable; not known when left out. */
  listings: array().of(string().oneOf(CABLE_LISTINGS).required()).optional(),
  /** Diameters by the datasheet. They stand in for what nobody has measured yet, and all that is planned on them is provisional. */
  nominal: nominalSchema,
})
  .noUnknown()
  .test('construction', function ofOneKind(type) {
    const wrong = ownConstructionProblem(type);
    return wrong === null || this.createError(wrong);
  })
  .test('coreNames', function asMany(type: { readonly coreNames?: unknown; readonly cores?: unknown }) {
    const { coreNames, cores } = type;
    const named: readonly unknown[] = Array.isArray(coreNames) ? coreNames : [];
    return (
      named.length === 0 ||
      named.length === cores ||
      typeof cores !== 'number' ||
      this.createError({
        path: 'coreNames',
        message: `name ${named.length} cores, and the cable has ${cores}`,
      })
    );
  })
  .test('nominal', function nesting(type) {
    const problem = nominalProblem(type);
    return problem === null || this.createError({ path: 'nominal', message: problem });
  })
  .required();

export type CableType = InferType<typeof cableTypeSchema>;

/** Asked before each of them is known to be what it should be. */
interface OwnConstruction {
  readonly construction?: Construction | undefined;
  readonly armour: ArmourKind;
  readonly innerSheath: boolean;
  readonly jacketed: boolean;
  readonly cores: unknown;
  readonly phaseColours?: unknown;
  readonly earthCores?: unknown;
  readonly pilotCores?: unknown;
}

/** What a construction of its own contradicts; null when nothing. What is not said yet contradicts nothing. */
function ownConstructionProblem(type: OwnConstruction): { path: string; message: string } | null {
  const { construction, armour, innerSheath, jacketed, cores, phaseColours, earthCores, pilotCores } = type;
  const colours: readonly unknown[] = Array.isArray(phaseColours) ? phaseColours : [];
  const over = armour !== 'none' || innerSheath;
  if (construction === 'mineralInsulated' && (over || jacketed))
    return {
      path: 'construction',
      message: 'a mineral-insulated cable has its metal sheath and nothing over or under it',
    };
  if (construction !== 'screenedTrailing') return null;
  if (over)
    return {
      path: 'construction',
      message: 'a trailing cable has its sheath, and neither armour nor bedding',
    };
  const plain = colours.map((c) => String(c).toUpperCase());
  if (new Set(plain).size < plain.length) return { path: 'phaseColours', message: 'names a phase twice' };
  if (colours.length === 0 || typeof cores !== 'number') return null;
  if (typeof earthCores !== 'number' || typeof pilotCores !== 'number') return null;
  const told = colours.length + earthCores + pilotCores;
  return told === cores
    ? null
    : {
        path: 'cores',
        message: `are ${cores}, but phases, earth and pilot cores are ${told} together`,
      };
}
