import type { End } from '@/core/schedule';

/** How many plans in force do not stand on what is in force today. */
export interface MovedOnCount {
  /** A measurement, the place, the profile or the rules have changed under them. */
  readonly stale: number;
  /** Their sheet has a newer revision. */
  readonly superseded: number;
}

/** One end whose plan does not stand on what is in force today, and what making it again would do. */
export interface MovedOnLine {
  readonly tag: string;
  readonly cable: string;
  readonly end: End;
  readonly size: string;
  readonly stale: boolean;
  readonly sheet: { readonly code: string; readonly from: string; readonly to: string } | null;
  /** Why the size cannot be kept; null when it can. */
  readonly refusal: string | null;
  /** Decisions that would change, in words. */
  readonly changed: readonly string[];
  /** Steps that would have to be done again. */
  readonly redo: number;
  readonly signedBy: string | null;
  /** May be made again with others at once: the size stays and no work is undone. */
  readonly restamp: boolean;
}
