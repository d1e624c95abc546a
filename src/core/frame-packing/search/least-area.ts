import { programFor } from '../model/frame-model';
import type { FrameMultiset } from '../model/frame-multisets';
import type { FrameSetting } from '../model/frame-setting';
import { rowWidth } from '../model/row-patterns';
import { rowsWhole, solve, wholeOnly, type Computation } from './decide-frames';

/** Area, mm², that the openings of frames have for rows with a plate each. */
export const areaIn = ({ types, openingTypes }: FrameSetting, { counts }: FrameMultiset): number =>
  counts.reduce(
    (sum, n, k) =>
      sum +
      n *
        (openingTypes[k] ?? []).reduce(
          (area, t) => area + ((types[t]?.room ?? 0) * (types[t]?.width ?? 0)) / 1e6,
          0,
        ),
    0,
  );

/** What a bound by a solver may be off by, as a share of it. */
const SOLVER = 1e-6;

/** A bound so near the least is taken: it holds, and the last per cent would take longer than the frames that it refuses. */
const NEAR_ENOUGH = 0.02;

/**
 * Area, mm², that the rows of any plan take, whatever its frames: those with less hold no plan. A relaxed model with whole rows bounds it, each
 * row taking its height and the thinnest plate of its width, as in the model itself.
 */
export function* leastArea({ fit: { model }, types }: FrameSetting, nodes: number): Computation<number> {
  const plateOf = (width: number): number =>
    Math.min(...types.filter((t) => t.width === width).map((t) => t.plate));
  const area = model.columns.map(() => 0);
  for (const { column, kind } of model.rowClasses) {
    const width = rowWidth(kind);
    area[column] = ((kind.height + plateOf(width)) * width) / 1e6;
  }
  const answer = yield* solve({
    ...wholeOnly(programFor(model, area, []), rowsWhole(model)),
    nodes,
    gap: NEAR_ENOUGH,
  });
  return Math.max(0, (answer.bound ?? 0) * (1 - SOLVER));
}
