import type { FramePlan, FrameRequest, PlannedOpening } from '@/core/frame-packing';
import { openingName } from '@/core/frame-building';
import {
  rectangle,
  textWidth,
  type Drawing,
  type DrawingItem,
  type Pattern,
  type Point,
  type Role,
} from '@/core/kernel';

export type Side = 'front' | 'back';

/** How a circuit is told from others: by fill and by pattern, so that a photocopy still tells them. */
export const CIRCUIT_LOOKS: readonly { readonly role: Role; readonly pattern: Pattern }[] = [
  { role: 'conductor', pattern: 'plain' },
  { role: 'innerSheath', pattern: 'tape' },
  { role: 'armour', pattern: 'dots' },
  { role: 'core3', pattern: 'wire' },
  { role: 'seal', pattern: 'rings' },
  { role: 'core1', pattern: 'braid' },
];

/** Circuits of a request in the order of their names; cables without one come under the empty name, last. */
export const circuitsOf = (request: FrameRequest): string[] =>
  [...new Set(request.cables.map((c) => c.circuit ?? ''))].sort((a, b) =>
    a === '' ? 1 : b === '' ? -1 : a < b ? -1 : 1,
  );

export const lookOf = (circuits: readonly string[], circuit: string) =>
  CIRCUIT_LOOKS[Math.max(0, circuits.indexOf(circuit)) % CIRCUIT_LOOKS.length] ?? {
    role: 'conductor' as const,
    pattern: 'plain' as const,
  };

/** Outline of a frame round its openings, between openings, and room for a heading, mm. */
const RIM = 12;
const HEADING = 14;
const BETWEEN = 30;

/** Where the openings of a plan stand in the drawing, mm from the left, by frame and opening; as wide as all of them. */
export function openingOffsets(
  request: FrameRequest,
  plan: FramePlan,
): { x: number[][]; width: number; height: number } {
  let at = RIM;
  let height = 0;
  const x = plan.frames.map((frame) => {
    const specs = request.frames.find((k) => k.id === frame.frame)?.openings ?? [];
    const mine = specs.map((spec) => {
      const here = at;
      at += spec.width + RIM;
      height = Math.max(height, spec.height);
      return here;
    });
    at += BETWEEN;
    return mine;
  });
  return { x, width: Math.max(RIM * 2, at - BETWEEN), height: height + 2 * RIM + HEADING };
}

const circle = (cx: number, cy: number, r: number): Point[] =>
  Array.from({ length: 28 }, (_, i) => ({
    x: cx + r * Math.cos((i * Math.PI) / 14),
    y: cy + r * Math.sin((i * Math.PI) / 14),
  }));

/** Height of the press unit's lower edge above the bottom of its opening, mm. */
export function pressBase(opening: PlannedOpening, height: number): number {
  if (opening.press === 'bottom') return 0;
  if (opening.press === 'top') return height - opening.closure;
  const last = opening.rows[opening.rows.length - 1];
  return height - (last?.height ?? 0) - opening.closure;
}

/** All frames of a plan to scale, seen from one side; from the back everything is mirrored. 1 drawing unit is 1 mm. */
export function faceDrawing(request: FrameRequest, plan: FramePlan, side: Side): Drawing {
  const { x: offsets, width, height } = openingOffsets(request, plan);
  const circuits = circuitsOf(request);
  const cables = new Map(request.cables.map((c) => [c.tag, c]));
  const modules = new Map(request.modules.map((m) => [m.id, m]));
  const flip = (x: number, w = 0): number => (side === 'front' ? x : width - x - w);
  const items: DrawingItem[] = [];
  const put = (role: Role, x: number, y: number, w: number, h: number, dimensionId?: string): void => {
    items.push({
      kind: 'polygon',
      role,
      points: rectangle(flip(x, w), y, w, h),
      ...(dimensionId === undefined ? {} : { dimensionId }),
    });
  };
  const say = (text: string, x: number, y: number, size: number, room: number): void => {
    const fitted = Math.min(size, (room / Math.max(1, textWidth(text, size, 600))) * size);
    if (fitted >= 1.4)
      items.push({
        kind: 'text',
        role: 'label',
        at: { x: flip(x), y: y + fitted * 0.35 },
        text,
        size: fitted,
        weight: 600,
        anchor: 'middle',
      });
  };
  plan.frames.forEach((frame, f) => {
    const specs = request.frames.find((k) => k.id === frame.frame)?.openings ?? [];
    frame.openings.forEach((opening, o) => {
      const spec = specs[o];
      const left = offsets[f]?.[o];
      if (!spec || left === undefined) return;
      const floor = HEADING + RIM + spec.height;
      put('metal', left - RIM, HEADING, spec.width + 2 * RIM, spec.height + 2 * RIM);
      put('ground', left, HEADING + RIM, spec.width, spec.height);
      say(`${openingName(f, o)}  ${frame.frame}, ${side}`, left + spec.width / 2, HEADING / 2, 8, spec.width);
      put(
        'seal',
        left,
        floor - pressBase(opening, spec.height) - opening.closure,
        spec.width,
        opening.closure,
      );
      for (const row of opening.rows)
        for (const place of row.places) {
          const size = modules.get(place.module)?.size ?? row.height;
          const top = floor - place.y - size;
          const cable = cables.get(place.cable ?? '');
          put('body', left + place.x, top, size, size, place.cable);
          const [cx, cy] = [left + place.x + size / 2, top + size / 2];
          if (!cable) continue;
          const middle = (cable.diameter.min + cable.diameter.max) / 2;
          const look = lookOf(circuits, cable.circuit ?? '');
          items.push({
            kind: 'polygon',
            role: look.role,
            pattern: look.pattern,
            points: circle(flip(cx), cy, middle / 2),
            dimensionId: cable.tag,
          });
          say(cable.tag, cx, cy, Math.min(7, size / 3), size * 0.92);
        }
    });
  });
  return {
    width,
    height,
    mmPerUnit: 1,
    items,
    description: `${plan.frames.length} frames seen from the ${side}, ${request.cables.length - plan.unplaced.length} cables in place, to scale`,
  };
}
