import { ok, refuse, type Result } from '@/core/kernel';

/** A bolt of a cover, seen from the front; any unit, origin anywhere. Numbered clockwise from the top. */
export interface Bolt {
  readonly number: number;
  readonly x: number;
  readonly y: number;
}

export const COVER_SHAPES = ['circle', 'rectangle'] as const;
export type CoverShape = (typeof COVER_SHAPES)[number];

/** Most that a cover of either shape may have, and least for which an order matters. */
export const BOLTS = { min: 4, max: 16 } as const;

/** Where the bolts of a cover sit: evenly on a circle, or evenly round a rectangle half as high as wide with one in each corner. */
export function coverBolts(count: number, shape: CoverShape): Result<readonly Bolt[]> {
  if (!Number.isInteger(count) || count < BOLTS.min || count > BOLTS.max)
    return refuse('count', `must be ${BOLTS.min} to ${BOLTS.max} bolts`, count);
  if (shape === 'circle')
    return ok(
      Array.from({ length: count }, (_, i) => {
        const angle = (2 * Math.PI * i) / count;
        return { number: i + 1, x: Math.sin(angle), y: -Math.cos(angle) };
      }),
    );
  if (count % 2 === 1)
    return refuse('count', 'a rectangle with a bolt in each corner has an even number', count);
  // Corners take four; the rest is shared so that the long sides get the odd pair.
  const pairs = (count - 4) / 2;
  const along = Math.ceil(pairs * (2 / 3));
  const up = pairs - along;
  const side = (n: number, from: readonly [number, number], to: readonly [number, number]) =>
    Array.from({ length: n + 1 }, (_, i) => {
      const t = i / (n + 1);
      return [from[0] + (to[0] - from[0]) * t, from[1] + (to[1] - from[1]) * t] as const;
    });
  const round = [
    ...side(along, [-1, -0.5], [1, -0.5]),
    ...side(up, [1, -0.5], [1, 0.5]),
    ...side(along, [1, 0.5], [-1, 0.5]),
    ...side(up, [-1, 0.5], [-1, -0.5]),
  ];
  return ok(round.map(([x, y], i) => ({ number: i + 1, x, y })));
}

const distance = (a: Bolt, b: Bolt): number => Math.hypot(a.x - b.x, a.y - b.y);

/**
 * Criss-cross order: each bolt's opposite comes right after it, and the next pair begins as far as it can from all that are done. Every
 * bolt once. On a rectangle the first pair is the one nearest the middle, so that the gasket is pressed outwards.
 */
export function crissCross(bolts: readonly Bolt[], shape: CoverShape): number[] {
  const centre = {
    x: bolts.reduce((s, b) => s + b.x, 0) / bolts.length,
    y: bolts.reduce((s, b) => s + b.y, 0) / bolts.length,
  };
  const order: Bolt[] = [];
  const left = new Set(bolts);
  const fromCentre = (b: Bolt) => Math.hypot(b.x - centre.x, b.y - centre.y);
  const pick = (score: (b: Bolt) => number): Bolt | null => {
    let best: Bolt | null = null;
    for (const bolt of left) if (best === null || score(bolt) > score(best) + 1e-9) best = bolt;
    if (best) {
      left.delete(best);
      order.push(best);
    }
    return best;
  };
  while (left.size > 0) {
    const next =
      order.length === 0
        ? pick(shape === 'rectangle' ? (b) => -fromCentre(b) : () => 0)
        : pick((b) => Math.min(...order.map((done) => distance(b, done))));
    if (next === null) break;
    // The opposite is what lies nearest to the mirror image through the middle.
    const mirror = { number: 0, x: 2 * centre.x - next.x, y: 2 * centre.y - next.y };
    pick((b) => -distance(b, mirror));
  }
  return order.map((b) => b.number);
}

export interface BoltPass {
  readonly share: number;
  readonly torqueNm: number;
  readonly order: readonly number[];
}

/** Shares of the final torque, pass by pass; the last pass repeats the full torque once round. House figures. */
export const PASS_SHARES = [0.3, 0.6, 1, 1] as const;

/** All bolts in every pass, criss-cross, the last one clockwise round to catch what has settled. */
export function coverPasses(count: number, shape: CoverShape, torqueNm: number): Result<readonly BoltPass[]> {
  if (!(torqueNm > 0)) return refuse('torqueNm', 'is not a torque', torqueNm);
  const bolts = coverBolts(count, shape);
  if (!bolts.ok) return bolts;
  const order = crissCross(bolts.value, shape);
  return ok(
    PASS_SHARES.map((share, i) => ({
      share,
      torqueNm: Math.floor(torqueNm * share * 10 + 1e-9) / 10,
      order: i === PASS_SHARES.length - 1 ? bolts.value.map((b) => b.number) : order,
    })),
  );
}
