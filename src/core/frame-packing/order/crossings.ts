import type { FramePlan } from '../model/frame-plan';
import type { FrameRequest } from '../model/frame-request';

/** Pairs of cables in one opening whose tray order strictly opposes their `x`, on each side. */
export function countCrossings(request: Pick<FrameRequest, 'cables'>, frames: FramePlan['frames']) {
  const trays = new Map(request.cables.map((c) => [c.tag, c]));
  const count = (side: 'front' | 'back'): number => {
    let crossings = 0;
    for (const frame of frames)
      for (const opening of frame.openings) {
        const list = opening.rows
          .flatMap((r) => r.places)
          .flatMap((p) => {
            const tray = p.cable === undefined ? undefined : trays.get(p.cable)?.[side];
            return tray === undefined ? [] : [{ x: p.x, tray }];
          });
        for (let i = 0; i < list.length; i += 1)
          for (let j = i + 1; j < list.length; j += 1) {
            const [a, b] = [list[i], list[j]];
            if (a && b && (a.x - b.x) * (a.tray - b.tray) < 0) crossings += 1;
          }
      }
    return crossings;
  };
  return { front: count('front'), back: count('back') };
}
