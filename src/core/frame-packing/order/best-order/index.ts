import { toUm } from '@/core/kernel';
import { rowBases } from '../../search/arrange';
import { sameCost } from '../../model/frame-multisets';
import type { PlannedFrame } from '../../model/frame-plan';
import type { FrameSetting } from '../../model/frame-setting';
import { restatePlace } from '../../replan/restate';
import { askedOf, MOST_CIRCUITS, type Asked } from './asked';
import { Budget } from './budget';
import { skeletonsOf } from './skeletons';
import { bestSpreads, type Spread } from './spread-cables';
import { placesOfBlock, uncross, type Uncrossed } from './uncross';

/** Beyond so many cables, and after so many steps of the search, the best order is not looked for. */
const MOST_CABLES = 10;
const MOST_MULTISETS = 50;
const STEPS = 400_000;

export interface BestOrder {
  readonly frames: readonly PlannedFrame[];
  readonly remeasure: number;
  /** Whether crossings are the fewest too: second measurings, spares and modules are in any case. */
  readonly crossingsToo: boolean;
}

/**
 * Frames of this cost with everything in its place, so that no other plan of that cost has fewer second measurings; of those
 * none fewer cables to take out to reach spares; of those none cheaper modules; of those none fewer crossings. By exhaustive search: null when
 * the crossing is too large for it, or when nothing fits.
 */
export function bestOrder(setting: FrameSetting, cost: number): BestOrder | null {
  const asked = askedOf(setting);
  if (asked.cables > MOST_CABLES || asked.notInRow.length > MOST_CIRCUITS) return null;
  const { multisets, all } = sameCost(setting, cost, MOST_MULTISETS);
  if (!all) return null;
  const skeletons = skeletonsOf(setting, multisets);
  if (skeletons === null) return null;
  const best = bestSpreads(asked, skeletons, new Budget(STEPS));
  if (best === null) return null;
  const budget = new Budget(STEPS);
  let found: { spread: Spread; places: Uncrossed } | null = null;
  let crossingsToo = true;
  for (const spread of best.spreads) {
    const { found: places, done } = uncross(asked, spread, found?.places.crossings ?? Infinity, budget);
    if (places !== null) found = { spread, places };
    crossingsToo = done || found?.places.crossings === 0;
    if (!done || found?.places.crossings === 0) break;
  }
  if (found === null) return null;
  const frames = framesOf(setting, asked, found.spread, found.places);
  return { frames, remeasure: best.worth.remeasure, crossingsToo };
}

function framesOf(setting: FrameSetting, asked: Asked, spread: Spread, places: Uncrossed): PlannedFrame[] {
  const { request } = setting;
  const { skeleton } = spread;
  let opening = -1;
  let row = -1;
  return skeleton.frames.map((kind) => {
    const frame = request.frames[kind];
    if (!frame) throw new Error('a frame that was not offered');
    return {
      frame: frame.id,
      openings: frame.openings.map((spec) => {
        opening += 1;
        const sequence = skeleton.openings[opening];
        if (!sequence) throw new Error('an opening of the skeleton');
        const { rows, press, filling } = sequence;
        const bases = rowBases(
          spec,
          press,
          rows.map((r) => r.height),
        );
        return {
          press,
          closure: filling.closure / 1000,
          fillers: filling.fillers,
          rows: rows.map((plan, r) => {
            row += 1;
            return {
              height: plan.height / 1000,
              places: placesOfRow({ asked, spread, places }, row, plan, {
                base: bases[r] ?? 0,
                width: toUm(spec.width),
              }),
            };
          }),
        };
      }),
    };
  });
}

function placesOfRow(
  { asked, spread, places }: { readonly asked: Asked; readonly spread: Spread; readonly places: Uncrossed },
  row: number,
  { height, corner }: Spread['skeleton']['openings'][number]['rows'][number],
  { base, width }: { readonly base: number; readonly width: number },
) {
  const { request, sizes } = asked;
  const cables = new Map(request.cables.map((c) => [c.tag, c]));
  const mine = new Map(places.stands.filter((s) => s.row === row).map((s) => [`${s.x} ${s.y}`, s]));
  const place = (module: string, x: number, y: number) => {
    const stand = mine.get(`${x} ${y}`);
    const where = { module: stand?.module ?? module, x: x / 1000, y: (base + y) / 1000 };
    return restatePlace(
      request,
      stand ? { ...where, cable: stand.tag } : where,
      cables.get(stand?.tag ?? ''),
    );
  };
  const first = (size: number): string =>
    request.modules.find((m) => !m.corner && toUm(m.size) === size)?.id ?? '';
  // What cables did not ask for goes into the blocks that are open, large places first.
  const set = places.blocks[row] ?? [];
  const open = sizes.flatMap((_, s) =>
    Array.from({ length: (spread.blocks[row]?.[s] ?? 0) - set.filter((b) => b === s).length }, () => s),
  );
  const from = corner === null ? 0 : height;
  const blocks = set.flatMap((known, b) => {
    const s = known >= 0 ? known : open.shift();
    const size = sizes[s ?? -1];
    if (size === undefined) throw new Error('every block is divided');
    return placesOfBlock(from + b * height, height, size).map(({ x, y }) => place(first(size), x, y));
  });
  if (corner === null) return blocks;
  return [place(corner, 0, 0), ...blocks, place(corner, width - height, 0)];
}
