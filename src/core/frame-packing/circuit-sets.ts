import type { FrameRequest } from './frame-request';

export type ApartBy = 'row' | 'opening';

/** Circuits that may be together in one row or one opening: every largest set without a pair that is kept apart. */
export function togetherSets(request: FrameRequest, by: ApartBy, among: readonly string[]): string[][] {
  const apart = new Set(
    request.apart
      // What may not share an opening may not share a row either.
      .filter((a) => a.by === by || (by === 'row' && a.by === 'opening'))
      .flatMap((a) => [`${a.circuits[0]}\n${a.circuits[1]}`, `${a.circuits[1]}\n${a.circuits[0]}`]),
  );
  const found: string[][] = [];
  // Bron–Kerbosch over the circuits that may be together.
  const grow = (set: readonly string[], open: readonly string[], shut: readonly string[]): void => {
    if (open.length === 0 && shut.length === 0) {
      found.push([...set].sort());
      return;
    }
    let [candidates, done] = [[...open], [...shut]];
    for (const circuit of open) {
      const friend = (other: string) => other !== circuit && !apart.has(`${circuit}\n${other}`);
      grow([...set, circuit], candidates.filter(friend), done.filter(friend));
      candidates = candidates.filter((c) => c !== circuit);
      done = [...done, circuit];
    }
  };
  grow([], [...among], []);
  return found.sort((a, b) => (a.join() < b.join() ? -1 : 1));
}

/** Circuits that lie in offered openings already and that others are kept apart from. */
export function circuitsBeside({ frames, apart }: FrameRequest): string[] {
  const named = new Set(apart.flatMap((a) => a.circuits));
  const beside = frames.flatMap((f) => f.openings.flatMap((o) => o.beside ?? []));
  return [...new Set(beside)].filter((c) => named.has(c)).sort();
}
