import { toUm } from '@/core/kernel';
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
  readonly unplaced: readonly { readonly tag: string; readonly reason: string }[];
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
  const unplaced: { tag: string; reason: string }[] = [];
  const named = new Set(request.apart.flatMap((a) => a.circuits));
  for (const cable of request.cables) {
    const options = optionsOf(request, cable, corners).filter((o) => o.size === null || sizes.has(o.size));
    if (options.length === 0) {
      unplaced.push({ tag: cable.tag, reason: whyNone(request, cable) });
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

function whyNone(request: FrameRequest, { diameter }: FrameCable): string {
  const words = diameter.min === diameter.max ? `${diameter.min} mm` : `${diameter.min}–${diameter.max} mm`;
  const taking = request.modules.filter((m) => carries(m, diameter));
  if (taking.length > 0)
    return `${words} goes into ${taking.map((m) => m.id).join(', ')}, which no offered frame has a place for`;
  const largest = Math.max(...request.modules.map((m) => m.bore.max));
  const smallest = Math.min(...request.modules.map((m) => m.bore.min));
  if (diameter.max > largest) return `${words} is thicker than every module takes (up to ${largest} mm)`;
  if (diameter.min < smallest) return `${words} is thinner than every module takes (from ${smallest} mm)`;
  return `${words} lies in no module’s range as a whole: measure again, or look for a module between`;
}
