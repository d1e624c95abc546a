import {
  placesOf,
  platesIn,
  type FrameOpening,
  type FramePlan,
  type FrameRequest,
  type Place,
  type PlaceRef,
  type PlannedOpening,
} from '@/core/frame-packing';
import { leftToRight, openingName } from '@/core/frame-building';
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

/**
 * Where the openings of a plan stand in the drawing, mm from the left, by frame and opening; as wide as all of them. With `only`, the other
 * frames have no openings in it.
 */
export function openingOffsets(
  request: FrameRequest,
  plan: FramePlan,
  only: number | null = null,
): { x: number[][]; width: number; height: number } {
  let at = RIM;
  let height = 0;
  const x = plan.frames.map((frame, f) => {
    if (only !== null && f !== only) return [];
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

/** Left edge of something `w` wide, as it is seen from a side of a drawing `width` wide. */
export const seenFrom = (side: Side, width: number, x: number, w: number): number =>
  side === 'front' ? x : width - x - w;

export interface FacePlace {
  readonly ref: PlaceRef;
  readonly place: Place;
  readonly x: number;
  readonly y: number;
  readonly size: number;
}

/** Where every place lies in the drawing of that side: its upper left corner and its size, in drawing units. */
export function facePlaces(
  request: FrameRequest,
  plan: FramePlan,
  side: Side,
  only: number | null = null,
): FacePlace[] {
  const { x: offsets, width } = openingOffsets(request, plan, only);
  const modules = new Map(request.modules.map((m) => [m.id, m]));
  return placesOf(plan.frames).flatMap(({ ref, place }): FacePlace[] => {
    const spec = request.frames.find((k) => k.id === plan.frames[ref.frame]?.frame)?.openings[ref.opening];
    const left = offsets[ref.frame]?.[ref.opening];
    if (!spec || left === undefined) return [];
    const size = modules.get(place.module)?.size ?? 0;
    return [
      {
        ref,
        place,
        x: seenFrom(side, width, left + place.x, size),
        y: HEADING + RIM + spec.height - place.y - size,
        size,
      },
    ];
  });
}

/** Height of letters that a text of this size has where it must fit into a room, mm. */
const fittedSize = (text: string, size: number, room: number): number =>
  Math.min(size, (room / Math.max(1, textWidth(text, size, 600))) * size);

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

/** Plates behind the rows and fillers before the press unit: how high above the bottom of the opening, and how thick, mm. */
function barsOf(spec: FrameOpening, opening: PlannedOpening): { role: Role; y: number; height: number }[] {
  const bars: { role: Role; y: number; height: number }[] = [];
  const plates = platesIn(opening, spec.plateAgainstPress);
  let edge = 0;
  opening.rows.forEach((row, r) => {
    if (opening.press === 'inside' && r === opening.rows.length - 1) return;
    edge += row.height;
    if (r < plates && spec.plate > 0) {
      bars.push({ role: 'armour', y: edge, height: spec.plate });
      edge += spec.plate;
    }
  });
  for (const filler of opening.fillers) {
    bars.push({ role: 'wall', y: edge, height: filler });
    edge += filler;
  }
  return opening.press === 'bottom' ? bars.map((b) => ({ ...b, y: spec.height - b.y - b.height })) : bars;
}

/** Letters smaller than these, in mm of the frame, are read by nobody on a screen that shows the whole of it. */
const LEAST_TAG_MM = 5;

/** Numbers of the cables in the order of the rows, from 1: what stands for a tag that would be too small to read. */
export const placeNumbers = (plan: FramePlan): ReadonlyMap<string, number> =>
  new Map(
    plan.frames
      .flatMap((f) => f.openings.flatMap((o) => o.rows.flatMap((r) => leftToRight(r.places))))
      .flatMap((p) => p.cable ?? [])
      .map((tag, i) => [tag, i + 1]),
  );

interface FaceOptions {
  readonly side: Side;
  /** Only this frame. */
  readonly only?: number | null;
  /** Names the circuits below, for paper. */
  readonly legend?: boolean;
  /** A tag that is too small to read gives way to its number (`placeNumbers`), for a screen with the list beside it. */
  readonly numbered?: boolean;
}

/** All frames of a plan to scale, seen from one side; from the back everything is mirrored. 1 drawing unit is 1 mm. */
export function faceDrawing(
  request: FrameRequest,
  plan: FramePlan,
  { side, only = null, legend = false, numbered = false }: FaceOptions,
): Drawing {
  const numbers = numbered ? placeNumbers(plan) : null;
  const { x: offsets, width, height } = openingOffsets(request, plan, only);
  const circuits = circuitsOf(request);
  const cables = new Map(request.cables.map((c) => [c.tag, c]));
  const flip = (x: number, w = 0): number => seenFrom(side, width, x, w);
  const items: DrawingItem[] = [];
  const put = (role: Role, x: number, y: number, w: number, h: number, dimensionId?: string): void => {
    items.push({
      kind: 'polygon',
      role,
      points: rectangle(flip(x, w), y, w, h),
      ...(dimensionId === undefined ? {} : { dimensionId }),
    });
  };
  const label = (text: string, x: number, y: number, size: number, room: number): void => {
    const fitted = fittedSize(text, size, room);
    if (fitted < 1.2) return;
    items.push({
      kind: 'text',
      role: 'label',
      at: { x, y: y + fitted * 0.35 },
      text,
      size: fitted,
      weight: 600,
      anchor: 'middle',
    });
  };
  plan.frames.forEach((frame, f) => {
    const specs = request.frames.find((k) => k.id === frame.frame)?.openings ?? [];
    const lefts = offsets[f] ?? [];
    const [start] = lefts;
    const end = (lefts[lefts.length - 1] ?? 0) + (specs[specs.length - 1]?.width ?? 0);
    const tall = Math.max(0, ...specs.map((spec) => spec.height));
    if (start !== undefined) put('metal', start - RIM, HEADING, end - start + 2 * RIM, tall + 2 * RIM);
    frame.openings.forEach((opening, o) => {
      const spec = specs[o];
      const left = lefts[o];
      if (!spec || left === undefined) return;
      const floor = HEADING + RIM + spec.height;
      const middle = flip(left + spec.width / 2);
      put('ground', left, HEADING + RIM, spec.width, spec.height);
      label(`${openingName(f, o)}  ${frame.frame}, ${side}`, middle, HEADING / 2, 8, spec.width);
      put(
        'seal',
        left,
        floor - pressBase(opening, spec.height) - opening.closure,
        spec.width,
        opening.closure,
      );
      for (const bar of barsOf(spec, opening))
        put(bar.role, left, floor - bar.y - bar.height, spec.width, bar.height);
    });
  });
  for (const { place, x, y, size } of facePlaces(request, plan, side, only)) {
    const cable = cables.get(place.cable ?? '');
    items.push({
      kind: 'polygon',
      role: 'body',
      points: rectangle(x, y, size, size),
      ...(cable ? { dimensionId: cable.tag } : {}),
    });
    if (!cable) {
      // The solid core of a spare.
      items.push({ kind: 'polygon', role: 'metal', points: circle(x + size / 2, y + size / 2, size / 6) });
      continue;
    }
    const middle = (cable.diameter.min + cable.diameter.max) / 2;
    const [cx, cy] = [x + size / 2, y + size / 2];
    items.push({
      kind: 'polygon',
      ...lookOf(circuits, cable.circuit ?? ''),
      points: circle(cx, cy, middle / 2),
      dimensionId: cable.tag,
    });
    // Below the cable, where the module shows: on the cable its pattern would make the tag unreadable.
    const room = size / 2 - middle / 2;
    const height = Math.min(6, size / 4);
    const below = room >= height;
    const tagSize = below
      ? fittedSize(cable.tag, height, size * 0.94)
      : fittedSize(cable.tag, Math.min(7, size / 4), middle * 0.9);
    const number = tagSize < LEAST_TAG_MM ? numbers?.get(cable.tag) : undefined;
    if (number !== undefined) label(String(number), cx, cy, Math.min(8, size * 0.42), size * 0.9);
    else if (below) label(cable.tag, cx, y + size - height * 0.6, height, size * 0.94);
    else label(cable.tag, cx, cy, Math.min(7, size / 4), middle * 0.9);
  }
  const below = legend ? legendItems(circuits, width, height) : { items: [], height: 0 };
  items.push(...below.items);
  return {
    width,
    height: height + below.height,
    mmPerUnit: 1,
    items,
    description: `${plan.frames.length} frames seen from the ${side}, ${request.cables.length - plan.unplaced.length} cables in place, to scale`,
  };
}

/** What tells the circuits apart, in lines below the frames: on paper there is no other place for it. */
function legendItems(
  circuits: readonly string[],
  width: number,
  top: number,
): { items: DrawingItem[]; height: number } {
  const items: DrawingItem[] = [];
  const [line, size] = [14, 7];
  let [x, y] = [RIM, top + line / 2 + 2];
  for (const circuit of circuits) {
    const name = circuit === '' ? 'no circuit' : circuit;
    const wide = 16 + textWidth(name, size, 400) + 14;
    if (x > RIM && x + wide > width) [x, y] = [RIM, y + line];
    items.push(
      { kind: 'polygon', ...lookOf(circuits, circuit), points: circle(x + 5, y, 5) },
      {
        kind: 'text',
        role: 'label',
        at: { x: x + 14, y: y + size * 0.35 },
        text: name,
        size,
        weight: 400,
        anchor: 'start',
      },
    );
    x += wide;
  }
  return { items, height: y - top + line / 2 + 2 };
}
