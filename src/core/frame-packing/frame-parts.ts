import type { FramePlan, PlannedFrame } from './frame-plan';
import type { FrameRequest } from './frame-request';

/** Frames and modules to be drawn from the store, by id. */
export function partsOf(frames: readonly PlannedFrame[]): { id: string; quantity: number }[] {
  const counts = new Map<string, number>();
  const add = (id: string) => counts.set(id, (counts.get(id) ?? 0) + 1);
  for (const frame of frames) {
    add(frame.frame);
    for (const opening of frame.openings)
      for (const row of opening.rows) for (const place of row.places) add(place.module);
  }
  return [...counts].map(([id, quantity]) => ({ id, quantity })).sort((a, b) => (a.id < b.id ? -1 : 1));
}

export interface FramePart {
  readonly what: string;
  readonly id: string;
  readonly quantity: number;
  readonly unit: 'pieces' | 'ml';
}

/** Lubricant for one module (both halves, bore and faces) and for one opening's frame, ml. Invented figures of the demo catalogue. */
const LUBRICANT = { module: 1.2, opening: 6 } as const;

/**
 * Everything that is drawn from the store for a plan: frames, modules (those without a cable keep their solid core), plates by width and
 * thickness, fillers, press units by width, and lubricant rounded up to 10 ml.
 */
export function frameParts(request: FrameRequest, plan: FramePlan): FramePart[] {
  const counts = new Map<string, FramePart>();
  const add = (what: string, id: string, quantity: number) => {
    const before = counts.get(id)?.quantity ?? 0;
    counts.set(id, { what, id, quantity: before + quantity, unit: 'pieces' });
  };
  const names = new Set(request.frames.map((f) => f.id));
  for (const { id, quantity } of partsOf(plan.frames)) add(names.has(id) ? 'frame' : 'module', id, quantity);
  let lubricant = 0;
  for (const frame of plan.frames) {
    const kind = request.frames.find((k) => k.id === frame.frame);
    frame.openings.forEach((opening, o) => {
      const spec = kind?.openings[o];
      if (!spec) return;
      const plates = platesIn(opening, spec.plateAgainstPress);
      if (plates > 0 && spec.plate > 0) add('plate', `PL-${spec.width}-${spec.plate}`, plates);
      for (const filler of opening.fillers) add('filler', `FP-${spec.width}-${filler}`, 1);
      add('press unit', `PU-${spec.width}${opening.press === 'inside' ? '-R' : ''}`, 1);
      lubricant +=
        LUBRICANT.opening + LUBRICANT.module * opening.rows.reduce((sum, r) => sum + r.places.length, 0);
    });
  }
  const parts = [...counts.values()];
  if (lubricant > 0)
    parts.push({ what: 'lubricant', id: 'LB-1', quantity: Math.ceil(lubricant / 10) * 10, unit: 'ml' });
  return parts;
}

/** Plates in an opening: one for each row where one lies against the press unit too, else one fewer. */
export const platesIn = (opening: PlannedFrame['openings'][number], againstPress: boolean): number =>
  Math.max(0, opening.press !== 'inside' && againstPress ? opening.rows.length : opening.rows.length - 1);
