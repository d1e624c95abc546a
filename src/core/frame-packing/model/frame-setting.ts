import { NO_HURRY, toUm, type TimePassed } from '@/core/kernel';
import { groupCables, type CableGroup, type Grouped } from './cable-groups';
import { circuitSetsOf, circuitsBeside, togetherSets } from './circuit-sets';
import { fitModel, type FitModel } from './fit-model';
import { frameModel, type FrameModel } from './frame-model';
import type { FrameRequest } from './frame-request';
import { carries } from './peel';
import { divides, openingPatterns, type OpeningPatterns, type RowDemand } from './row-patterns';

/** What does not change while frames are tried. */
export interface FrameSetting {
  readonly request: FrameRequest;
  readonly groups: readonly CableGroup[];
  readonly unplaced: Grouped['unplaced'];
  /** Distinct openings, and which of them each kind of frame has. */
  readonly types: readonly OpeningPatterns[];
  readonly openingTypes: readonly (readonly number[])[];
  /** Kinds of frame whose every opening can be packed, and of which there are any. */
  readonly usable: readonly number[];
  /** Rows from patterns, and rows that only fit in sum. */
  readonly exact: FrameModel;
  readonly room: FrameModel;
  readonly fit: FitModel;
  /** Every set of circuits that may be together is in the models: what they refuse cannot be had at all. */
  readonly allSets: boolean;
  readonly passed: TimePassed;
}

/** Reads a request into groups, patterns and models. `passed` tells the searches how much of their time is over. */
export function frameSetting(request: FrameRequest, passed: TimePassed = NO_HURRY): FrameSetting {
  const { types, openingTypes } = openingTypesOf(request);
  const usable = request.frames.flatMap((f, i) =>
    (f.available ?? 1) > 0 && (openingTypes[i] ?? []).every((t) => (types[t]?.patterns.length ?? 0) > 0)
      ? [i]
      : [],
  );
  const offered = usable.flatMap((i) => openingTypes[i] ?? []);
  const { sizes, corners } = placesOffered(request, offered, types);
  const { groups, unplaced } = groupCables(request, sizes, corners);
  const circuits = [
    ...new Set([...groups.flatMap((g) => g.circuit ?? []), ...circuitsBeside(request)]),
  ].sort();
  const { sets, all: allSets } = circuitSetsOf(request, circuits);
  const exact = frameModel(request, groups, types, openingTypes, 'exact', sets);
  const room = frameModel(request, groups, types, openingTypes, 'room', sets);
  const fit = fitModel(request, groups, types, openingTypes, exact);
  return { request, groups, unplaced, types, openingTypes, usable, exact, room, fit, allSets, passed };
}

/** Sizes of plain places and ids of corner modules that the offered openings have. */
function placesOffered(
  request: FrameRequest,
  offered: readonly number[],
  types: readonly OpeningPatterns[],
): { sizes: Set<number>; corners: Set<string> } {
  const sizes = new Set<number>();
  const corners = new Set<string>();
  for (const t of offered)
    for (const pattern of types[t]?.patterns ?? [])
      for (const key of pattern.rows.keys()) {
        const kind = types[t]?.kinds.get(key);
        if (!kind) continue;
        if (kind.corner !== null) corners.add(kind.corner);
        if (kind.blocks === 0) continue;
        for (const m of request.modules)
          if (!m.corner && divides(kind, toUm(m.size))) sizes.add(toUm(m.size));
      }
  return { sizes, corners };
}

function rowDemand(request: FrameRequest): RowDemand {
  const used = request.modules.filter(
    (m) => !m.corner && request.cables.some(({ diameter }) => carries(m, diameter)),
  );
  const circuits = [
    ...new Set([...request.cables.flatMap((c) => c.circuit ?? []), ...circuitsBeside(request)]),
  ].sort();
  const rowSets = togetherSets(request, 'opening', circuits).sets.map(
    (together) => togetherSets(request, 'row', together).sets.length,
  );
  const owed = (request.spare.extra ?? []).filter((e) => e.count > 0).map((e) => e.size);
  return {
    sizes: new Set([...used.map((m) => m.size), ...owed].map(toUm)),
    rowSets: Math.max(1, ...rowSets),
  };
}

/** Distinct openings over all frames, and which of them each frame has. Frames share what is alike. */
function openingTypesOf(request: FrameRequest): {
  types: OpeningPatterns[];
  openingTypes: number[][];
} {
  const known = new Map<string, number>();
  const types: OpeningPatterns[] = [];
  const demand = rowDemand(request);
  const named = new Set(request.apart.flatMap((a) => a.circuits));
  const openingTypes = request.frames.map((frame) =>
    frame.openings.map((spec) => {
      // A circuit that nothing is kept apart from is none.
      const beside = [...new Set(spec.beside ?? [])].filter((c) => named.has(c)).sort();
      const opening = { ...spec, beside };
      const key = JSON.stringify(opening);
      const at = known.get(key) ?? types.length;
      if (at === types.length) {
        types.push(openingPatterns(opening, request.modules, demand));
        known.set(key, at);
      }
      return at;
    }),
  );
  return { types, openingTypes };
}
