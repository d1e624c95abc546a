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

/**
 * Everything that is drawn from the store for a plan: frames, modules (those without a cable keep their solid core), plates, fillers, press units
 * and lubricant rounded up to 10 mL. By the part numbers of the sheet; a part without one is named by its measures.
 */
export function frameParts(request: FrameRequest, plan: FramePlan): FramePart[] {
  const counts = new Map<string, FramePart>();
  const add = (what: string, id: string, quantity: number) => {
    const key = `${what} ${id}`;
    const before = counts.get(key)?.quantity ?? 0;
    counts.set(key, { what, id, quantity: before + quantity, unit: 'pieces' });
  };
  const names = new Set(request.frames.map((f) => f.id));
  for (const { id, quantity } of partsOf(plan.frames)) add(names.has(id) ? 'frame' : 'module', id, quantity);
  const { lubricant } = request;
  let ml = 0;
  for (const frame of plan.frames) {
    const kind = request.frames.find((k) => k.id === frame.frame);
    frame.openings.forEach((opening, o) => {
      const spec = kind?.openings[o];
      if (!spec) return;
      const plates = platesIn(opening, spec.plateAgainstPress);
      if (plates > 0 && spec.plate > 0)
        add('plate', spec.plateId ?? `${spec.width} × ${spec.plate} mm`, plates);
      for (const filler of opening.fillers)
        add(
          'filler',
          spec.fillers.find((f) => f.thickness === filler)?.id ?? `${spec.width} × ${filler} mm`,
          1,
        );
      const press = opening.press === 'inside' ? (spec.press.insideId ?? spec.press.id) : spec.press.id;
      add('press unit', press ?? `${spec.width} mm wide, ${opening.press}`, 1);
      ml +=
        (lubricant?.openingMl ?? 0) +
        (lubricant?.moduleMl ?? 0) * opening.rows.reduce((sum, r) => sum + r.places.length, 0);
    });
  }
  const parts = [...counts.values()];
  if (lubricant && ml > 0)
    parts.push({ what: 'lubricant', id: lubricant.id, quantity: Math.ceil(ml / 10) * 10, unit: 'ml' });
  return parts;
}

/** Plates in an opening: one for each row where one lies against the press unit too, else one fewer. */
export const platesIn = (opening: PlannedFrame['openings'][number], againstPress: boolean): number =>
  Math.max(0, opening.press !== 'inside' && againstPress ? opening.rows.length : opening.rows.length - 1);
