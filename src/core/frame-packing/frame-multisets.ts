import type { FrameRequest } from './frame-request';

/** How many of each kind of frame, in the order of the request. */
export interface FrameMultiset {
  readonly counts: readonly number[];
  readonly cost: number;
}

/** More multisets than this are not looked at between two costs. */
const MOST = 200_000;

/**
 * Multisets of frames in order of cost, from `least` to `most`. One whose openings another has as well, for no more money, is left out.
 */
export function frameMultisets(
  request: FrameRequest,
  usable: readonly number[],
  openingTypes: readonly (readonly number[])[],
  least: number,
  most: number,
): FrameMultiset[] {
  const found: FrameMultiset[] = [];
  const counts = request.frames.map(() => 0);
  const walk = (at: number, cost: number): void => {
    if (found.length >= MOST) return;
    const kind = usable[at];
    if (kind === undefined) {
      if (cost >= least - 1e-9 && cost > 0) found.push({ counts: [...counts], cost });
      return;
    }
    const frame = request.frames[kind];
    const price = frame?.cost ?? 0;
    // A frame that costs nothing is still taken a bounded number of times.
    const limit = Math.min(
      frame?.available ?? Infinity,
      price > 0 ? Math.floor((most - cost) / price + 1e-9) : request.cables.length,
    );
    for (let n = 0; n <= limit; n += 1) {
      counts[kind] = n;
      walk(at + 1, cost + n * price);
    }
    counts[kind] = 0;
  };
  walk(0, 0);
  found.sort((a, b) => a.cost - b.cost);
  // Of multisets with the same openings only the cheapest can be best.
  const seen = new Set<string>();
  return found.filter((m) => {
    const openings = new Map<number, number>();
    m.counts.forEach((n, k) => {
      for (const t of openingTypes[k] ?? []) openings.set(t, (openings.get(t) ?? 0) + n);
    });
    const key = [...openings]
      .filter(([, n]) => n > 0)
      .sort(([a], [b]) => a - b)
      .join(';');
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  });
}
