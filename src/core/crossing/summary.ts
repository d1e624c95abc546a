import type { FrameModule, FramePlan } from '@/core/frame-packing';
import { placesOf } from '@/core/frame-packing';

export interface CrossingFill {
  readonly places: number;
  readonly taken: number;
  /** By module size, largest first; corner modules apart. */
  readonly bySize: readonly {
    readonly size: number;
    readonly corner: boolean;
    readonly taken: number;
    readonly spare: number;
  }[];
}

/** How full a plan is, size by size. */
export function fillOf(modules: readonly FrameModule[], plan: FramePlan): CrossingFill {
  const kinds = new Map(modules.map((m) => [m.id, m]));
  const sums = new Map<string, { size: number; corner: boolean; taken: number; spare: number }>();
  let [places, taken] = [0, 0];
  for (const { place } of placesOf(plan.frames)) {
    const kind = kinds.get(place.module);
    if (!kind) continue;
    const key = `${kind.size} ${Boolean(kind.corner)}`;
    const sum = sums.get(key) ?? { size: kind.size, corner: Boolean(kind.corner), taken: 0, spare: 0 };
    places += 1;
    if (place.cable === undefined) sum.spare += 1;
    else {
      sum.taken += 1;
      taken += 1;
    }
    sums.set(key, sum);
  }
  return {
    places,
    taken,
    bySize: [...sums.values()].sort((a, b) => b.size - a.size || Number(a.corner) - Number(b.corner)),
  };
}
