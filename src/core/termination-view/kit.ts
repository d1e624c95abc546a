import type { Kit } from '@/core/kit';

/** What a job takes from the store, with the ends that take nothing yet. */
export interface KitView {
  readonly kit: Kit;
  readonly fitted: readonly string[];
  readonly unplanned: readonly string[];
  readonly unplugged: readonly string[];
}

/** An end for which nothing in the catalogue fits, and what a supplier has to be asked for. */
export interface WantedView {
  readonly tag: string;
  readonly area: string;
  readonly needs: readonly (readonly [what: string, figure: string])[];
  readonly provisional: boolean;
  readonly nearest: {
    readonly size: string;
    readonly reasons: readonly string[];
    readonly remedies: readonly string[];
  } | null;
}
