import { toUm } from '@/core/kernel';
import { circuitsBeside } from '../../model/circuit-sets';
import { extraSpares, type FrameRequest } from '../../model/frame-request';
import type { FrameSetting } from '../../model/frame-setting';
import { plainSizes } from '../../model/row-patterns';

/** A request as the exhaustive search reads it; sizes and circuits by index. */
export interface Asked {
  readonly request: FrameRequest;
  /** Sizes of plain modules, largest first, µm; what a spare of each costs; spares of each beside the share. */
  readonly sizes: readonly number[];
  readonly spareCost: readonly number[];
  readonly extra: readonly number[];
  readonly share: number;
  readonly cables: number;
  readonly groups: readonly AskedGroup[];
  /** For each circuit those that may not be in the same row, and in the same opening, as bits. */
  readonly notInRow: readonly number[];
  readonly notInOpening: readonly number[];
  readonly circuits: readonly string[];
}

export interface AskedGroup {
  readonly tags: readonly string[];
  /** −1 for none. */
  readonly circuit: number;
  readonly options: readonly AskedOption[];
}

export interface AskedOption {
  /** Index of a size, or −1 for a corner place of `corner`. */
  readonly size: number;
  readonly corner: string | null;
  readonly module: string;
  readonly remeasure: number;
  readonly cost: number;
}

/** Circuits are told apart in the bits of a number. */
export const MOST_CIRCUITS = 30;

/** What spares of these sizes cost, and how many are asked for. */
export const spareTerms = (request: FrameRequest, sizes: readonly number[]) => ({
  spareCost: sizes.map((size) =>
    Math.min(...request.modules.filter((m) => !m.corner && toUm(m.size) === size).map((m) => m.cost ?? 0)),
  ),
  extra: sizes.map((size) => extraSpares(request, size)),
  share: request.spare.share,
});

export function askedOf({ request, groups }: FrameSetting): Asked {
  const sizes = plainSizes(request.modules);
  const circuits = [...new Set([...groups.flatMap((g) => g.circuit ?? []), ...circuitsBeside(request)])];
  const bits = (by: readonly string[]) =>
    circuits.map((circuit) =>
      request.apart
        .filter((a) => by.includes(a.by) && a.circuits.includes(circuit))
        .flatMap((a) => a.circuits.filter((c) => c !== circuit))
        .reduce((mask, c) => (circuits.includes(c) ? mask | (1 << circuits.indexOf(c)) : mask), 0),
    );
  return {
    request,
    sizes,
    ...spareTerms(request, sizes),
    cables: groups.reduce((sum, g) => sum + g.tags.length, 0),
    groups: groups.map((g) => ({
      tags: g.tags,
      circuit: g.circuit === null ? -1 : circuits.indexOf(g.circuit),
      options: g.options.map((o) => ({
        size: o.size === null ? -1 : sizes.indexOf(o.size),
        corner: o.size === null ? o.module : null,
        module: o.module,
        remeasure: Number(o.remeasure),
        cost: o.cost,
      })),
    })),
    notInRow: bits(['row', 'opening']),
    notInOpening: bits(['opening']),
    circuits,
  };
}
