import type { Measurement } from '@/core/cable-measurement';
import type { Size } from '@/core/catalogue';
import type { Verdict } from './verdict';

type Chamber = NonNullable<Size['chamber']>;
type ChamberCompound = Chamber['compounds'][number];

/** How many cores a compound may be used for in this chamber. */
export const compoundLimit = (chamber: Chamber, compound: ChamberCompound): number =>
  Math.min(chamber.maxCores, compound.maxCores ?? chamber.maxCores);

/** Most cores for which the chamber takes any compound at all. */
export const mostCores = (chamber: Chamber): number =>
  Math.max(0, ...chamber.compounds.map((c) => compoundLimit(chamber, c)));

/** Share of the bore's area that `cores` circles of `coreMm` leave free; negative when they do not even fit by area. */
export const freeShare = (boreMm: number, cores: number, coreMm: number): number =>
  1 - (cores * coreMm * coreMm) / (boreMm * boreMm);

/** Largest sum of squared core diameters, mm², that leaves the free share the sheet asks for. */
export const squareLimit = (chamber: Chamber): number =>
  chamber.boreMm * chamber.boreMm * (1 - (chamber.minFreeShare ?? 0)) + 1e-9;

/** Enough room for compound on the whole interval of the core's diameter, certainly too little, or something to measure again. */
export function freeAreaVerdict(chamber: Chamber, cores: number, core: Measurement | null): Verdict {
  if (core === null) return 'unknown';
  const limit = squareLimit(chamber);
  if (cores * core.interval.max ** 2 <= limit) return 'fits';
  return cores * core.certainMax ** 2 > limit ? 'misfit' : 'marginal';
}
