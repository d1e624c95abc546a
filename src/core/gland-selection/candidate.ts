import type { Family, Size } from '@/core/catalogue';
import type { EndStopFit } from './end-stop-fit';
import type { EntryFit } from './entry-fit';
import type { Finding, Parts } from './finding';
import type { NotCalledFor } from './purpose';
import type { RingFit } from './ring-fit';
import type { Verdict } from './verdict';

export interface CatalogueView extends Parts {
  readonly families: readonly Family[];
}

/** One gland size judged on every criterion. */
export interface Candidate {
  readonly family: Family;
  readonly size: Size;
  readonly verdict: Verdict;
  readonly findings: readonly Finding[];
  readonly ring: RingFit | null;
  readonly endStop: EndStopFit | null;
  readonly entry: EntryFit;
  /** Why this kind of gland does not compete here although it may fit; null when it does. */
  readonly notCalledFor: NotCalledFor | null;
  /** Smallest margin over the diameters compared, mm; null when none was. */
  readonly marginMm: number | null;
  /** 1 in the middle of the tightest range, 0 at its edge, below 0 outside. */
  readonly centrality: number;
  /** How many criteria refuse it, and how many of them speak of the cable and not of the place. */
  readonly refusals: number;
  readonly cableRefusals: number;
  /** Where it stands by kinds and counts, lower being better: see `standing`. */
  readonly standing: number;
}
