import { mostFrames } from './frame-request';
import type { FrameSetting } from './frame-setting';

/** How many of each kind of frame, in the order of the request. */
export interface FrameMultiset {
  readonly counts: readonly number[];
  readonly cost: number;
}

/** More multisets than this between two costs are too many to be told apart one by one. */
const MOST = 60_000;

/**
 * Multisets of frames in order of cost from `least` on, window by window: dear ones are only made when all cheaper ones have been refused. Of
 * those with the same openings only the cheapest comes. Ends with `true` when there are no more, with `false` when there are too many to go on.
 */
export function* multisetsByCost(setting: FrameSetting, least: number): Generator<FrameMultiset, boolean> {
  const { request, usable } = setting;
  const placed = setting.groups.reduce((sum, g) => sum + g.tags.length, 0);
  const prices = usable.map((i) => request.frames[i]?.cost ?? 0);
  const caps = usable.map((i) =>
    Math.min(request.frames[i]?.available ?? Infinity, mostFrames(request, placed)),
  );
  const dearest = prices.reduce((sum, p, i) => sum + p * (caps[i] ?? 0), 0);
  const seen = new Set<string>();
  let from = least;
  for (let step = Math.max(1, Math.min(...prices.filter((p) => p > 0))); ; step *= 2) {
    const to = Math.min(dearest, from + step);
    const found = between(setting, prices, caps, from, to);
    if (found === null) return false;
    for (const multiset of found) {
      const key = openingsKey(setting, multiset);
      if (seen.has(key)) continue;
      seen.add(key);
      yield multiset;
    }
    if (to >= dearest) return true;
    from = to + 1e-6;
  }
}

/**
 * Multisets of one cost, of those with the same openings one; up to `most` of them. `all` says that there are no others: a proof over them
 * needs that.
 */
export function sameCost(
  setting: FrameSetting,
  cost: number,
  most: number,
): { readonly multisets: readonly FrameMultiset[]; readonly all: boolean } {
  const multisets: FrameMultiset[] = [];
  const inOrder = multisetsByCost(setting, cost);
  for (;;) {
    const next = inOrder.next();
    if (next.done === true) return { multisets, all: next.value };
    if (next.value.cost > cost + 1e-9) return { multisets, all: true };
    if (multisets.length >= most) return { multisets, all: false };
    multisets.push(next.value);
  }
}

function between(
  { request, usable }: FrameSetting,
  prices: readonly number[],
  caps: readonly number[],
  least: number,
  most: number,
): FrameMultiset[] | null {
  const found: FrameMultiset[] = [];
  const counts = request.frames.map(() => 0);
  let steps = 0;
  const walk = (at: number, cost: number, frames: number): void => {
    steps += 1;
    if (steps > 20 * MOST || found.length > MOST) return;
    const kind = usable[at];
    if (kind === undefined) {
      if (cost >= least - 1e-9 && frames > 0) found.push({ counts: [...counts], cost });
      return;
    }
    const price = prices[at] ?? 0;
    const cap = caps[at] ?? 0;
    const limit = price > 0 ? Math.min(cap, Math.floor((most - cost) / price + 1e-9)) : cap;
    for (let n = 0; n <= limit; n += 1) {
      counts[kind] = n;
      walk(at + 1, cost + n * price, frames + n);
    }
    counts[kind] = 0;
  };
  walk(0, 0, 0);
  if (steps > 20 * MOST || found.length > MOST) return null;
  return found.sort((a, b) => a.cost - b.cost);
}

function openingsKey({ openingTypes }: FrameSetting, { counts }: FrameMultiset): string {
  const openings = new Map<number, number>();
  counts.forEach((n, k) => {
    for (const t of openingTypes[k] ?? []) openings.set(t, (openings.get(t) ?? 0) + n);
  });
  return [...openings]
    .filter(([, n]) => n > 0)
    .sort(([a], [b]) => a - b)
    .join(';');
}
