import type { Kit } from '@/core/kit';

/** What a job takes from the store, with the ends that take nothing yet. */
export interface KitView {
  readonly kit: Kit;
  readonly fitted: readonly string[];
  readonly unplanned: readonly string[];
  readonly unplugged: readonly string[];
}
