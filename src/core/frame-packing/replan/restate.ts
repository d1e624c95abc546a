import { toUm } from '@/core/kernel';
import { countCrossings } from '../order/crossings';
import { partsOf } from '../model/frame-parts';
import type { FramePlan, Place, PlannedFrame } from '../model/frame-plan';
import type { FrameCable, FrameRequest } from '../model/frame-request';
import { carries, peelFor } from '../model/peel';
import { orderOf } from '../order/plan-order';

/** Where a place is found in a plan: all by index, rows in building order. */
export interface PlaceRef {
  readonly frame: number;
  readonly opening: number;
  readonly row: number;
  readonly place: number;
}

export const sameRef = (a: PlaceRef, b: PlaceRef): boolean =>
  a.frame === b.frame && a.opening === b.opening && a.row === b.row && a.place === b.place;

export const placeAt = (plan: FramePlan, ref: PlaceRef): Place | undefined =>
  plan.frames[ref.frame]?.openings[ref.opening]?.rows[ref.row]?.places[ref.place];

/** Every place of a plan with where it is. */
export function placesOf(
  frames: readonly PlannedFrame[],
): { readonly ref: PlaceRef; readonly place: Place }[] {
  return frames.flatMap((f, frame) =>
    f.openings.flatMap((o, opening) =>
      o.rows.flatMap((r, row) =>
        r.places.map((place, at) => ({ ref: { frame, opening, row, place: at }, place })),
      ),
    ),
  );
}

/** The frames with every place put through `change`. */
export const mapPlaces = (
  frames: readonly PlannedFrame[],
  change: (place: Place, ref: PlaceRef) => Place,
): PlannedFrame[] =>
  frames.map((f, frame) => ({
    ...f,
    openings: f.openings.map((o, opening) => ({
      ...o,
      rows: o.rows.map((r, row) => ({
        ...r,
        places: r.places.map((p, place) => change(p, { frame, opening, row, place })),
      })),
    })),
  }));

/** Writes a plan anew from its frames, rows and which cable stands where: modules that take their cables, peel, gaps, sums. */
export function restatePlan(
  request: FrameRequest,
  plan: FramePlan,
  frames: readonly PlannedFrame[],
): FramePlan {
  const cables = new Map(request.cables.map((c) => [c.tag, c]));
  const stated = mapPlaces(frames, (p) => restatePlace(request, p, cables.get(p.cable ?? '')));
  const placed = new Set(placesOf(stated).flatMap(({ place }) => place.cable ?? []));
  const cost = stated.reduce((sum, f) => sum + (request.frames.find((k) => k.id === f.frame)?.cost ?? 0), 0);
  const again = placesOf(stated).filter(({ place }) => place.remeasure).length;
  const bound = Math.min(plan.bound ?? cost, cost);
  return {
    ...plan,
    status: plan.status === 'optimal' && bound < cost - 1e-9 ? 'gap' : plan.status,
    frames: stated,
    cost,
    bound,
    unplaced: plan.unplaced.filter((u) => !placed.has(u.tag)),
    crossings: countCrossings(request, stated),
    parts: partsOf(stated),
    remeasure: { places: again, atLeast: Math.min(again, plan.remeasure?.atLeast ?? 0) },
    order: { ...orderOf(request, stated), proven: false },
  };
}

/** A place as it must be stated for its cable: with the module of its size that suits it best, if any takes it. */
export function restatePlace(request: FrameRequest, place: Place, cable: FrameCable | undefined): Place {
  const { module, x, y } = place;
  const now = request.modules.find((m) => m.id === module);
  if (!cable)
    return place.cable === undefined
      ? { module: spareModule(request, module), x, y }
      : { module, x, y, cable: place.cable };
  const fitting = request.modules
    .filter(
      (m) =>
        Boolean(m.corner) === Boolean(now?.corner) &&
        (m.corner ? m.id === module : toUm(m.size) === toUm(now?.size ?? 0)) &&
        carries(m, cable.diameter),
    )
    .map((m) => ({ id: m.id, peel: peelFor(m, cable.diameter), cost: m.cost ?? 0 }))
    .sort(
      (a, b) =>
        Number(a.peel.remeasure) - Number(b.peel.remeasure) ||
        a.cost - b.cost ||
        Number(b.id === module) - Number(a.id === module),
    );
  const [best] = fitting;
  if (!best) return { module, x, y, cable: cable.tag };
  const { layers, gap, remeasure, noPeel } = best.peel;
  return {
    module: best.id,
    x,
    y,
    cable: cable.tag,
    peel: layers,
    gap,
    ...(remeasure ? { remeasure: true as const } : {}),
    ...(noPeel ? { noPeel: true as const } : {}),
  };
}

/** The module that stands in an empty place: the cheapest of its size; in a rounded corner its own. */
export function spareModule(request: FrameRequest, module: string): string {
  const now = request.modules.find((m) => m.id === module);
  if (!now || now.corner) return module;
  const [first] = request.modules
    .filter((m) => !m.corner && toUm(m.size) === toUm(now.size))
    .sort((a, b) => (a.cost ?? 0) - (b.cost ?? 0));
  return first?.id ?? module;
}

/** The plan with the cable of one place in another; what stood there goes the other way. `checkFramePlan` says what is wrong with it. */
export function moveCable(request: FrameRequest, plan: FramePlan, from: PlaceRef, to: PlaceRef): FramePlan {
  const [there, here] = [placeAt(plan, to)?.cable, placeAt(plan, from)?.cable];
  if (here === undefined || sameRef(from, to)) return plan;
  const put = (place: Place, cable: string | undefined): Place => {
    const bare = { module: place.module, x: place.x, y: place.y };
    return cable === undefined ? bare : { ...bare, cable };
  };
  const frames = mapPlaces(plan.frames, (p, at) =>
    sameRef(at, from) ? put(p, there) : sameRef(at, to) ? put(p, here) : p,
  );
  return restatePlan(request, plan, frames);
}
