import { fitInRange, type RangeFit } from '@/core/kernel';
import type { MineralCable, MineralSheet, Pot } from './sheet';

/** A pot that was looked at for a cable. */
export interface PotFit extends RangeFit {
  readonly size: string;
  /** Does it take this number of conductors? */
  readonly takesConductors: boolean;
}

/** Every pot of the sheet for this cable, in its order. */
export const potsFor = ({ pots }: MineralSheet, { sheathMm, conductors }: MineralCable): PotFit[] =>
  pots.map((pot) => {
    const takesConductors = pot.conductors.includes(conductors);
    const fit = fitInRange(pot.sheathMm, sheathMm);
    return { ...fit, size: pot.size, takesConductors, verdict: takesConductors ? fit.verdict : 'misfit' };
  });

/** The pot that fits with the least room to spare: the compound closest round the cable. Null where none certainly fits. */
export function choosePot(sheet: MineralSheet, cable: MineralCable): Pot | null {
  const [best] = potsFor(sheet, cable)
    .filter((p) => p.verdict === 'fits')
    .map((p) => sheet.pots.find((pot) => pot.size === p.size))
    .filter((p): p is Pot => p !== undefined)
    .sort((a, b) => a.volumeMl - b.volumeMl);
  return best ?? null;
}

/**
 * Compound for one end, mL: the pot above the sheath less its conductors, and the overfill. Of the sheath the least that may stand inside, since more
 * compound is needed then; the pot's own volume is spread over its depth.
 */
export function compoundMl(
  pot: Pick<Pot, 'depthMm' | 'insideMm' | 'volumeMl'>,
  cable: Pick<MineralCable, 'conductors' | 'conductorMm'>,
  overfillShare: number,
): number {
  const above = pot.depthMm - pot.insideMm.min;
  const cores = (cable.conductors * Math.PI * (cable.conductorMm / 2) ** 2 * above) / 1000;
  const room = (pot.volumeMl * above) / pot.depthMm - cores;
  return Math.max(0, room) * (1 + overfillShare);
}

/** Packs for so many ends that are sealed each for itself, since a pack that is open does not wait for the next; and what is left of them, mL. */
export function packsFor(
  mlPerEnd: number,
  ends: number,
  packMl: number,
): { readonly packs: number; readonly leftMl: number } {
  const each = Math.ceil(mlPerEnd / packMl - 1e-9);
  const packs = each * ends;
  return { packs, leftMl: packs * packMl - mlPerEnd * ends };
}

/** The first test of a sheet whose rating reaches that of the cable; undefined where the sheet names none, or nobody said what the cable is rated for. */
export const testFor = (tests: MineralSheet['tests'], ratedV: number | undefined) =>
  ratedV === undefined
    ? undefined
    : [...tests].sort((a, b) => a.upToV - b.upToV).find((t) => ratedV <= t.upToV);
