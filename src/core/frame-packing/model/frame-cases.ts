import type { IntervalMm, Said } from '@/core/kernel';

interface Cable {
  readonly diameter: IntervalMm;
}

/** Why a cable is in no module of the frames that are offered. mm. */
export interface UnplacedCases {
  /** Modules take it, and no frame that is offered has a place for one. */
  noFrameForModule: Cable & { readonly modules: readonly string[] };
  thickerThanAll: Cable & { readonly largestMm: number };
  thinnerThanAll: Cable & { readonly smallestMm: number };
  betweenRanges: Cable;
}
export type UnplacedCase = Said<UnplacedCases>;

/** The cheapest frame that could stand beside a built one; null where none is offered. */
interface Beside {
  readonly frame: string | null;
}

/** Why a cable that comes later has no place in a built frame, with what would help. mm. */
export interface ReentryCases {
  noModule: Cable;
  noSpare: Cable & { readonly modules: readonly string[] } & Beside;
  /** Empty places of a larger size could be divided into one that is wanted. */
  divideAnew: Cable & {
    readonly modules: readonly string[];
    readonly row: number;
    readonly count: number;
    readonly sizeMm: number;
  } & Beside;
  takenByOthers: { readonly spares: number; readonly modules: readonly string[] } & Beside;
  besideCircuitsKeptApart: { readonly modules: readonly string[]; readonly circuit: string | null } & Beside;
}
export type ReentryCase = Said<ReentryCases>;
