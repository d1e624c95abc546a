import type { Terminal } from './core-tails';

/** One core at both ends of its cable, mm from the wall to its terminal; null where it is not listed. */
export interface CoreAtBothEnds {
  readonly core: string;
  readonly aMm: number | null;
  readonly bMm: number | null;
}

export interface EndsCompared {
  readonly cores: readonly CoreAtBothEnds[];
  /**
   * What does not agree: a core that is named at one end and not at the other, where both ends list all cores. An end that lists none, or
   * some only, leaves it open which of its cores it means, and nothing is said of those.
   */
  readonly disagree: readonly string[];
}

/** Cores by the names that both ends of a cable give them. Case matters to nobody; the order is that of end A, then what only B has. */
export function compareEnds(a: readonly Terminal[], b: readonly Terminal[], cores: number): EndsCompared {
  const key = ({ core }: Terminal) => core.toUpperCase();
  const [atA, atB] = [a, b].map((list) => new Map(list.map((t) => [key(t), t])));
  const names = [...new Set([...a.map(key), ...b.map(key)])];
  const lines = names.map((name) => ({
    core: atA?.get(name)?.core ?? atB?.get(name)?.core ?? name,
    aMm: atA?.get(name)?.routeMm ?? null,
    bMm: atB?.get(name)?.routeMm ?? null,
  }));
  const whole = a.length === cores && b.length === cores;
  return {
    cores: lines,
    disagree: whole ? lines.filter((l) => l.aMm === null || l.bMm === null).map((l) => l.core) : [],
  };
}
