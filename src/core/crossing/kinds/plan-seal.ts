import type { PackingRun } from '@/core/circle-packing';
import {
  planPlug,
  planSleeve,
  planWrap,
  type PlugPlan,
  type PlugRequest,
  type SleevePlan,
  type SleeveRequest,
  type WrapPlan,
  type WrapRequest,
} from '@/core/soft-seal';

/** What a soft seal of each kind is planned from. */
export type SealAsk =
  | { readonly kind: 'sleeve'; readonly asked: { readonly request: SleeveRequest | null } }
  | { readonly kind: 'plug'; readonly asked: { readonly request: PlugRequest | null } }
  | { readonly kind: 'wrap'; readonly asked: { readonly request: WrapRequest | null } };

export type SealPlan = SleevePlan | PlugPlan | WrapPlan;

/** Plans a soft seal by the planner of its kind. A fault of the program while something is lacking. */
export function* planSeal({ kind, asked }: SealAsk): PackingRun<SealPlan> {
  if (asked.request === null) throw new Error('nothing is planned while something is not said');
  switch (kind) {
    case 'sleeve':
      return yield* planSleeve(asked.request);
    case 'plug':
      return planPlug(asked.request);
    case 'wrap':
      return yield* planWrap(asked.request);
  }
}
