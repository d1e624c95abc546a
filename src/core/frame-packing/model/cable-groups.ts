import { toUm } from '@/core/kernel';
import type { UnplacedCase } from './frame-cases';
import type { FrameCable, FrameRequest } from './frame-request';
import { carries, peelFor } from './peel';

/** Where a cable may go: into a plain place of a size, or into a corner place. With the module that suits it best there. */
export interface PlaceOption {
  /** `s30000` for a size in micrometres, `cXY` for a corner module. */
  readonly key: string;
  readonly size: number | null;
  readonly module: string;
  readonly remeasure: boolean;
  readonly cost: number;
}

/** Cables that may go into the same places, for the same price and the same need of a second measuring, and are kept apart from the same others. */
export interface CableGroup {
  readonly options: readonly PlaceOption[];
  readonly circuit: string | null;
  readonly tags: readonly string[];
}

export interface Grouped {
  readonly groups: readonly CableGroup[];
  readonly unplaced: readonly { readonly tag: string; readonly case: UnplacedCase }[];
}

/** Options of one cable: of the modules of one size the one that needs no second measuring, then the cheapest. */
export function optionsOf(
  request: FrameRequest,
  cable: FrameCable,
  corners: ReadonlySet<string>,
): PlaceOption[] {
  const best = new Map<string, PlaceOption>();
  for (const block of request.modules) {
    if (block.corner && !corners.has(block.id)) continue;
    if (!carries(block, cable.diameter)) continue;
    const size = block.corner ? null : toUm(block.size);
    const option: PlaceOption = {
      key: size === null ? `c${block.id}` : `s${size}`,
      size,
      module: block.id,
      remeasure: peelFor(block, cable.diameter).remeasure,
      cost: block.cost ?? 0,
    };
    const known = best.get(option.key);
    const better =
      known === undefined ||
      Number(option.remeasure) < Number(known.remeasure) ||
      (option.remeasure === known.remeasure && option.cost < known.cost);
    if (better) best.set(option.key, option);
  }
  return [...best.values()].sort((a, b) => (a.key < b.key ? -1 : 1));
}

/** Puts cables with the same choice together. One that no module in any offered frame takes is named with the reason. */
export function groupCables(
  request: FrameRequest,
  sizes: ReadonlySet<number>,
  corners: ReadonlySet<string>,
): Grouped {
  const groups = new Map<string, CableGroup & { tags: string[] }>();
  const unplaced: { tag: string; case: UnplacedCase }[] = [];
  const named = new Set(request.apart.flatMap((a) => a.circuits));
  for (const cable of request.cables) {
    const options = optionsOf(request, cable, corners).filter((o) => o.size === null || sizes.has(o.size));
    if (options.length === 0) {
      unplaced.push({ tag: cable.tag, case: whyNone(request, cable) });
      continue;
    }
    // A circuit that nothing is kept apart from is none.
    const circuit = cable.circuit !== undefined && named.has(cable.circuit) ? cable.circuit : null;
    const key = `${circuit ?? ''}|${options.map((o) => `${o.key}${o.module}${o.remeasure ? '?' : ''}`).join(',')}`;
    const group = groups.get(key);
    if (group) group.tags.push(cable.tag);
    else groups.set(key, { options, circuit, tags: [cable.tag] });
  }
  return { groups: [...groups.values()], unplaced };
}

/** Second measurings that no choice of places avoids. */
export const fewestRemeasured = (groups: readonly CableGroup[]): number =>
  groups.reduce((sum, g) => sum + (g.options.every((o) => o.remeasure) ? g.tags.length : 0), 0);

function whyNone(request: FrameRequest, { diameter }: FrameCable): UnplacedCase {
  const taking = request.modules.filter((m) => carries(m, diameter));
  if (taking.length > 0) return { code: 'noFrameForModule', diameter, modules: taking.map((m) => m.id) };
  const largestMm = Math.max(...request.modules.map((m) => m.bore.max));
  const smallestMm = Math.min(...request.modules.map((m) => m.bore.min));
  if (diameter.max > largestMm) return { code: 'thickerThanAll', diameter, largestMm };
  if (diameter.min < smallestMm) return { code: 'thinnerThanAll', diameter, smallestMm };
  return { code: 'betweenRanges', diameter };
}
