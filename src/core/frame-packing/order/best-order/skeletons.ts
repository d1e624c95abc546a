import type { FrameMultiset } from '../../model/frame-multisets';
import type { PressPlace } from '../../model/frame-request';
import type { FrameSetting } from '../../model/frame-setting';
import type { Filling, OpeningPatterns, RowKind } from '../../model/row-patterns';

/** An opening with its rows in building order, before anything stands in them. */
export interface RowSequence {
  readonly rows: readonly RowKind[];
  readonly press: PressPlace;
  readonly filling: Filling;
}

/** Frames with a sequence of rows in each opening. */
export interface Skeleton {
  /** Kinds of the frames, by index. */
  readonly frames: readonly number[];
  /** One for each opening, frame after frame. */
  readonly openings: readonly RowSequence[];
}

/** More sequences or skeletons than these are too many to be looked at one by one. */
const MOST_SEQUENCES = 300;
const MOST_SKELETONS = 3000;

/** Pairs of plain rows of which the higher one stands nearer to the press unit. */
const disorder = ({ openings }: Skeleton): number =>
  openings.reduce(
    (sum, { rows }) =>
      sum +
      rows.reduce(
        (pairs, a, i) =>
          a.corner !== null
            ? pairs
            : pairs + rows.slice(i + 1).filter((b) => b.corner === null && b.height > a.height).length,
        0,
      ),
    0,
  );

/**
 * All ways to fill the openings of these multisets with rows in order, those with large rows far from the press unit first; of openings that are
 * alike only one order. Null when there are too many.
 */
export function skeletonsOf(setting: FrameSetting, multisets: readonly FrameMultiset[]): Skeleton[] | null {
  const { types, openingTypes } = setting;
  const sequences = new Map<number, RowSequence[] | null>();
  const skeletons: Skeleton[] = [];
  for (const { counts } of multisets) {
    const frames = counts.flatMap((n, kind) => Array.from({ length: n }, () => kind));
    const asked = frames.flatMap((kind) => openingTypes[kind] ?? []);
    const chosen: number[] = [];
    const walk = (at: number): boolean => {
      const type = asked[at];
      if (type === undefined) {
        if (skeletons.length >= MOST_SKELETONS) return false;
        const openings = chosen.flatMap((c, o) => sequences.get(asked[o] ?? -1)?.[c] ?? []);
        skeletons.push({ frames, openings });
        return true;
      }
      if (!sequences.has(type)) sequences.set(type, sequencesOf(types[type]));
      const mine = sequences.get(type);
      if (!mine) return false;
      const before = asked.slice(0, at).lastIndexOf(type);
      for (let c = before < 0 ? 0 : (chosen[before] ?? 0); c < mine.length; c += 1) {
        chosen[at] = c;
        if (!walk(at + 1)) return false;
      }
      chosen.length = at;
      return true;
    };
    if (!walk(0)) return null;
  }
  const ordered = skeletons.map((skeleton) => ({ skeleton, pairs: disorder(skeleton) }));
  return ordered.sort((a, b) => a.pairs - b.pairs).map(({ skeleton }) => skeleton);
}

/** Every order of rows that closes an opening; null when there are too many. At the top and at the bottom they are the same. */
function sequencesOf(type: OpeningPatterns | undefined): RowSequence[] | null {
  if (!type) return null;
  const plain = [...type.kinds.values()].filter((k) => k.corner === null);
  const [corner] = [...type.kinds.values()].filter((k) => k.corner !== null);
  const found: RowSequence[] = [];
  const seen = new Set<number>();
  for (const { press, corners, start, fill } of type.closures) {
    if (seen.has(corners)) continue;
    seen.add(corners);
    const [first, last] = [corners > 0 && corner ? [corner] : [], corners > 1 && corner ? [corner] : []];
    const walk = (rows: readonly RowKind[], left: number): boolean => {
      const filling = rows.length + corners > 0 ? fill(left) : null;
      if (filling !== null) found.push({ rows: [...first, ...rows, ...last], press, filling });
      if (found.length > MOST_SEQUENCES) return false;
      return plain.every((kind) => {
        const next = left - kind.height - type.plate;
        return next < 0 || walk([...rows, kind], next);
      });
    };
    if (!walk([], start)) return null;
  }
  return found;
}
