import type { FrameRequest } from './frame-request';

export type ApartBy = 'row' | 'opening';

/** Sets of circuits that may be together; `all` when none was left out. */
export interface TogetherSets {
  readonly sets: readonly (readonly string[])[];
  readonly all: boolean;
}

/** Sets of circuits that an opening may hold, and for each those that one of its rows may hold. */
export interface CircuitSets {
  readonly sets: readonly {
    readonly opening: readonly string[];
    readonly rows: readonly (readonly string[])[];
  }[];
  /** Every largest set is there. Otherwise a plan with the sets that are there is one, but what they do not find may exist. */
  readonly all: boolean;
}

/** More sets than these are not told apart: with `n` pairs kept apart there may be two to the power of `n`. */
const MOST_SETS = 16;

/** Circuits that may be together in one row or one opening: every largest set without a pair that is kept apart, or few that hold each. */
export function togetherSets(
  request: FrameRequest,
  by: ApartBy,
  among: readonly string[],
  most: number = MOST_SETS,
): TogetherSets {
  const apart = apartFrom(request, by);
  const found: string[][] = [];
  // Bron–Kerbosch with a pivot over the circuits that may be together; ends when there are too many.
  const grow = (set: readonly string[], open: readonly string[], shut: readonly string[]): boolean => {
    if (open.length === 0 && shut.length === 0) {
      found.push([...set].sort());
      return found.length <= most;
    }
    const friends = (of: string) => open.filter((c) => c !== of && !apart(of, c)).length;
    const pivot = [...open, ...shut].reduce((best, c) => (friends(c) > friends(best) ? c : best));
    let [candidates, done] = [[...open], [...shut]];
    for (const circuit of open.filter((c) => c === pivot || apart(pivot, c))) {
      const friend = (other: string) => other !== circuit && !apart(circuit, other);
      if (!grow([...set, circuit], candidates.filter(friend), done.filter(friend))) return false;
      candidates = candidates.filter((c) => c !== circuit);
      done = [...done, circuit];
    }
    return true;
  };
  const all = grow([], [...among], []);
  const sets = all ? found : fewSets(among, apart);
  return { sets: [...sets].sort((a, b) => (a.join() < b.join() ? -1 : 1)), all };
}

type Apart = (a: string, b: string) => boolean;

function apartFrom(request: FrameRequest, by: ApartBy): Apart {
  const pairs = new Set(
    request.apart
      // What may not share an opening may not share a row either.
      .filter((a) => a.by === by || (by === 'row' && a.by === 'opening'))
      .flatMap((a) => [`${a.circuits[0]}\n${a.circuits[1]}`, `${a.circuits[1]}\n${a.circuits[0]}`]),
  );
  return (a, b) => pairs.has(`${a}\n${b}`);
}

/**
 * Few sets that together hold every circuit: the circuits with most others to be kept apart from first, each into the first set that takes it;
 * then each set takes in what else it can.
 */
function fewSets(among: readonly string[], apart: Apart): string[][] {
  const others = (c: string) => among.filter((o) => apart(c, o)).length;
  const sets: string[][] = [];
  for (const circuit of [...among].sort((a, b) => others(b) - others(a) || (a < b ? -1 : 1))) {
    const home = sets.find((set) => !set.some((o) => apart(circuit, o)));
    if (home) home.push(circuit);
    else sets.push([circuit]);
  }
  for (const set of sets)
    for (const circuit of among)
      if (!set.includes(circuit) && !set.some((o) => apart(circuit, o))) set.push(circuit);
  return sets.map((set) => set.sort());
}

/** The sets that openings and rows are told apart by, for these circuits. */
export function circuitSetsOf(request: FrameRequest, circuits: readonly string[]): CircuitSets {
  if (circuits.length === 0) return { sets: [{ opening: [], rows: [[]] }], all: true };
  const openings = togetherSets(request, 'opening', circuits);
  const rows = openings.sets.map((opening) => togetherSets(request, 'row', opening));
  return {
    sets: openings.sets.map((opening, i) => ({ opening, rows: rows[i]?.sets ?? [] })),
    all: openings.all && rows.every((r) => r.all),
  };
}

/** Circuits that lie in offered openings already and that others are kept apart from. */
export function circuitsBeside({ frames, apart }: FrameRequest): string[] {
  const named = new Set(apart.flatMap((a) => a.circuits));
  const beside = frames.flatMap((f) => f.openings.flatMap((o) => o.beside ?? []));
  return [...new Set(beside)].filter((c) => named.has(c)).sort();
}
