import type { Compound } from '@/core/catalogue';

export interface PackCount {
  readonly part: string;
  readonly ml: number;
  readonly count: number;
}

export interface PackPlan {
  readonly packs: readonly PackCount[];
  readonly totalMl: number;
  readonly leftoverMl: number;
}

/** Thousandths of a millilitre: packs are printed no finer. */
const UNITS = 1000;

const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));

/**
 * Packs that hold at least `needMl`: least left over, then fewest packs. A table over reachable volumes, so the answer is exact; it ends
 * at `need` plus the largest pack, beyond which no cheaper cover can lie.
 */
export function choosePacks(compound: Pick<Compound, 'packs'>, needMl: number): PackPlan {
  const contents = compound.packs.map((p) => Math.round(p.ml * UNITS));
  // Only multiples of what all packs share can be reached: the table is kept in that unit.
  const shared = contents.reduce(gcd);
  // The volume as it is, without a rounding of its own, against whole units of what can be reached.
  const need = Math.max(0, Math.ceil((needMl * UNITS) / shared - 1e-9));
  const sizes = contents.map((c) => c / shared);
  const limit = need + Math.max(...sizes);
  const fewest = new Int32Array(limit + 1).fill(-1);
  const last = new Int32Array(limit + 1).fill(-1);
  fewest[0] = 0;
  for (let volume = 1; volume <= limit; volume += 1) {
    sizes.forEach((size, i) => {
      const before = volume >= size ? (fewest[volume - size] ?? -1) : -1;
      const best = fewest[volume] ?? -1;
      if (before >= 0 && (best < 0 || before + 1 < best)) {
        fewest[volume] = before + 1;
        last[volume] = i;
      }
    });
  }
  let total = need;
  while ((fewest[total] ?? -1) < 0) total += 1;
  const counts = compound.packs.map(() => 0);
  for (let rest = total; rest > 0;) {
    const i = last[rest] ?? 0;
    counts[i] = (counts[i] ?? 0) + 1;
    rest -= sizes[i] ?? rest;
  }
  return {
    packs: compound.packs.flatMap((p, i) =>
      (counts[i] ?? 0) > 0 ? [{ part: p.part, ml: p.ml, count: counts[i] ?? 0 }] : [],
    ),
    totalMl: (total * shared) / UNITS,
    leftoverMl: Math.max(0, (total * shared) / UNITS - needMl),
  };
}
