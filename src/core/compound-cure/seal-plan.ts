import { ok, refuse, type Result } from '@/core/kernel';
import type { Measurement } from '@/core/cable-measurement';
import type { Compound, Family, SealRules, Size } from '@/core/catalogue';
import { compoundLimit } from '@/core/gland-selection';
import type { CableType } from '@/core/schedule';
import { trimNumber } from '@/core/units';
import { choosePacks, type PackPlan } from './packs';

/** Raised by hand whenever a change of these rules may change a volume, a pack or a time. */
export const COMPOUND_CURE_RULES = 2;

/** One compound of the fitting's approval list, with the reason it may or may not be used for this cable. */
export interface CompoundVerdict {
  readonly product: string;
  readonly kind: Compound['kind'];
  readonly allowed: boolean;
  readonly reason: string;
}

export interface SealPlan {
  readonly product: string;
  readonly kind: Compound['kind'];
  readonly reason: string;
  /** Every compound of the approval list; the others are refused with their reason. */
  readonly verdicts: readonly CompoundVerdict[];
  readonly sheet: { readonly title: string; readonly revision: string };
  readonly rules: SealRules;
  /** Room between the cores in the chamber, mL. */
  readonly netMl: number;
  /** With the allowance for crotches and waste, mL, rounded up to show; packs and stick go by the exact volume. */
  readonly needMl: number;
  readonly packs: PackPlan;
  /** Putty: length of its stick, mm, rounded up; null where the chamber is the gauge, or for resin. */
  readonly stickMm: number | null;
  /** Air that stays above it in a body that is closed at once, mL; left out where there is none. */
  readonly airMl?: number;
  readonly filledLengthMm: number;
  /** Farthest the compound may stand up the cores beyond the chamber's mouth; null where the sheet sets no limit. */
  readonly extentMm: number | null;
  readonly mixMinutes: number;
  readonly potLife: Compound['potLife'];
  readonly cure: Compound['cure'];
  readonly cautions: readonly string[];
  readonly workings: readonly { readonly label: string; readonly ml: number }[];
}

export interface SealInput {
  readonly family: Family;
  readonly size: Size;
  readonly cableType: CableType;
  /** Diameter of one core over its insulation. */
  readonly core: Measurement | null;
  /** Compounds in the catalogue. */
  readonly compounds: readonly Compound[];
  /** The product that was asked for; null takes the first of the approval list that is allowed. */
  readonly wanted: string | null;
}

const roundUp = (ml: number): number => Math.ceil(ml * 10 - 1e-9) / 10;

/** May each compound of the approval list be used for so many cores? A product that is not on it is not approved, whatever it is. */
export function compoundVerdicts(size: Size, cores: number): CompoundVerdict[] {
  const { chamber } = size;
  if (!chamber) return [];
  return chamber.compounds.map((c) => {
    const limit = compoundLimit(chamber, c);
    const allowed = cores <= limit;
    return {
      product: c.product,
      kind: c.kind,
      allowed,
      reason: allowed
        ? `approved for ${size.code} up to ${limit} cores; the cable has ${cores}`
        : `approved for ${size.code} up to ${limit} cores only; the cable has ${cores}: ${cores - limit} too many`,
    };
  });
}

/**
 * What goes into the chamber, how much of it and in which packs. Null for a gland without a chamber. Volume of the chamber less the
 * cores at their thinnest along its length (the thinner the cores, the more compound is needed), plus the sheet's allowance.
 */
export function planSeal(input: SealInput): Result<SealPlan> | null {
  const { family, size, cableType, core, wanted } = input;
  const { chamber } = size;
  if (!chamber) return null;
  if (!family.seal) return refuse('seal', `${family.code} does not say how its chamber is filled`);
  const verdicts = compoundVerdicts(size, cableType.cores);
  const asked =
    wanted === null ? verdicts.find((v) => v.allowed) : verdicts.find((v) => v.product === wanted);
  if (asked === undefined)
    return wanted === null
      ? refuse(
          'compound',
          `no compound may be used: ${verdicts.map((v) => `${v.product} is ${v.reason}`).join('; ')}`,
        )
      : refuse(
          'compound',
          `${wanted} is not on the approval list of ${size.code} (${verdicts.map((v) => v.product).join(', ')}): another compound voids the certificate`,
          wanted,
        );
  if (!asked.allowed) return refuse('compound', `${asked.product} is ${asked.reason}`, asked.product);
  const compound = input.compounds.find((c) => c.product === asked.product);
  if (!compound)
    return refuse(
      'compound',
      `${asked.product} is not in the catalogue: its packs, pot life and cure are not known. Import its sheet`,
      asked.product,
    );
  if (core === null)
    return refuse('core', 'one core is not measured: the room between the cores is not known');
  const coresMl = (cableType.cores * Math.PI * core.interval.min ** 2 * chamber.lengthMm) / 4000;
  const { airMl = 0 } = chamber;
  const netMl = chamber.volumeMl - airMl - coresMl;
  if (netMl <= 0)
    return refuse(
      'core',
      `${cableType.cores} cores of ${trimNumber(core.interval.min, 1)} mm fill ${trimNumber(coresMl, 1)} mL, the chamber holds ${trimNumber(chamber.volumeMl - airMl, 1)} mL${airMl > 0 ? ' below its air' : ''}: no room for compound`,
    );
  const exactMl = netMl * (1 + family.seal.allowanceShare);
  const { stickMm } = compound;
  return ok({
    product: compound.product,
    kind: compound.kind,
    reason: asked.reason,
    verdicts,
    sheet: { title: compound.sheet.title, revision: compound.sheet.revision },
    rules: family.seal,
    netMl: roundUp(netMl),
    needMl: roundUp(exactMl),
    packs: choosePacks(compound, exactMl),
    stickMm:
      compound.kind === 'putty' && stickMm !== undefined && family.seal.puttyGauge === 'stick'
        ? Math.ceil((exactMl * 4000) / (Math.PI * stickMm * stickMm) - 1e-9)
        : null,
    ...(airMl > 0 ? { airMl } : {}),
    filledLengthMm: chamber.lengthMm,
    extentMm: chamber.extentMm ?? null,
    mixMinutes: compound.mixMinutes,
    potLife: compound.potLife,
    cure: compound.cure,
    cautions: compound.cautions,
    workings: [
      { label: 'chamber', ml: chamber.volumeMl },
      ...(airMl > 0 ? [{ label: 'air that stays above the compound', ml: -airMl }] : []),
      {
        label: `${cableType.cores} cores along ${trimNumber(chamber.lengthMm, 1)} mm, at their thinnest`,
        ml: -coresMl,
      },
      { label: 'crotches and waste', ml: netMl * family.seal.allowanceShare },
    ],
  });
}
