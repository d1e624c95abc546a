import type { FramePlan, PlannedFrame } from '../model/frame-plan';
import type { FrameRequest } from '../model/frame-request';
import { cablesToSpares, placeBoard } from '../search/place-board';

/** What a plan is worth beyond its frames, second measurings and crossings. */
export function orderOf(
  request: FrameRequest,
  frames: readonly PlannedFrame[],
): Omit<NonNullable<FramePlan['order']>, 'proven'> {
  const price = new Map(request.modules.map((m) => [m.id, m.cost ?? 0]));
  return {
    toSpares: cablesToSpares(placeBoard(request, frames)),
    moduleCost: frames
      .flatMap((f) => f.openings.flatMap((o) => o.rows.flatMap((r) => r.places)))
      .reduce((sum, place) => sum + (price.get(place.module) ?? 0), 0),
  };
}
