import type { Drawing, DrawingItem, Point } from '@/core/kernel';
import { FACE_WORDS, FACES, faceOf, type Face } from './faces';
import type { PinsPlan } from './pins';

const TITLE_SIZE = 10;
const TITLE = 18;
const GAP = 14;
const ROUND = 48;

const disk = (x: number, y: number, r: number): Point[] =>
  Array.from({ length: ROUND }, (_, i) => {
    const turn = (2 * Math.PI * i) / ROUND;
    return { x: x + r * Math.cos(turn), y: y + r * Math.sin(turn) };
  });

/** How far the farthest position lies from the middle, mm; an insert with one in its middle has some size all the same. */
const reachOf = ({ positions }: PinsPlan): number =>
  Math.max(4, ...positions.map((p) => Math.hypot(p.xMm, p.yMm)));

/** One face in a square of `side`, its top left corner at `left`, `top`. */
function faceItems(
  pins: PinsPlan,
  face: Face,
  [left, top]: readonly [number, number],
  side: number,
): DrawingItem[] {
  const middle = { x: left + side / 2, y: top + TITLE + (side - TITLE) / 2 };
  const radius = (side - TITLE) / 2 - 2;
  const scale = (radius * 0.66) / reachOf(pins);
  const dot = radius * 0.17;
  const size = Math.max(9, radius * 0.12);
  const coreAt = (id: string) => pins.map.find((m) => m.position === id)?.core;
  const items: DrawingItem[] = [
    {
      kind: 'text',
      role: 'label',
      at: { x: left + side / 2, y: top + 11 },
      text: FACE_WORDS[face],
      size: TITLE_SIZE,
      weight: 600,
      anchor: 'middle',
    },
    { kind: 'polygon', role: 'body', points: disk(middle.x, middle.y, radius) },
    // The key stays on top, whichever face is looked at.
    {
      kind: 'polygon',
      role: 'mark',
      points: [
        { x: middle.x - 5, y: middle.y - radius },
        { x: middle.x + 5, y: middle.y - radius },
        { x: middle.x, y: middle.y - radius + 8 },
      ],
    },
  ];
  for (const p of faceOf(pins, face)) {
    const at = { x: middle.x + p.xMm * scale, y: middle.y - p.yMm * scale };
    const core = coreAt(p.id);
    items.push(
      {
        kind: 'polygon',
        role: core === undefined ? 'ground' : 'conductor',
        dimensionId: `pin.${p.id}`,
        points: disk(at.x, at.y, dot),
      },
      words(p.id, at.x, at.y + size * 0.36, { size, weight: 600 }),
      words(core ?? 'spare', at.x, at.y + dot + size, { size, weight: 400 }),
    );
  }
  return items;
}

const words = (
  text: string,
  x: number,
  y: number,
  { size, weight }: { readonly size: number; readonly weight: 400 | 600 },
): DrawingItem => ({ kind: 'text', role: 'label', at: { x, y }, text, size, weight, anchor: 'middle' });

/** One face, as it is held. */
export function faceDrawing(pins: PinsPlan, face: Face, side: number): Drawing {
  return {
    width: side,
    height: side + 6,
    mmPerUnit: (2 * reachOf(pins)) / side,
    items: faceItems(pins, face, [0, 2], side),
    description: `${FACE_WORDS[face]}, key on top: ${pins.map.map((m) => `${m.core} on ${m.position}`).join(', ')}.`,
  };
}

/** The four faces that a fitter can hold, two by two: pins and sockets, each from the mating face and from behind. Schematic; only the mirroring is exact. */
export function facesDrawing(pins: PinsPlan, width: number): Drawing {
  const side = Math.min(300, (width - GAP) / 2);
  const left = (width - 2 * side - GAP) / 2;
  return {
    width,
    height: 2 * side + GAP + 6,
    mmPerUnit: (2 * reachOf(pins)) / side,
    items: FACES.flatMap((face, i) =>
      faceItems(pins, face, [left + (i % 2) * (side + GAP), 2 + Math.floor(i / 2) * (side + GAP)], side),
    ),
    description: `Pin map: ${pins.map.map((m) => `${m.core} on ${m.position}`).join(', ')}; pins and sockets, each from the mating face and from behind, key on top.`,
  };
}
