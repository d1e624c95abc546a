import { rectangle, textWidth, type Drawing, type DrawingItem, type Point, type Role } from '@/core/kernel';
import type { PartRole } from '@/core/catalogue';
import type { GlandShape } from './gland-shape';
import type { SlideOnItem } from './slide-on';

/** How wide a part is drawn, as a share of the hexagon, and what it is made of. */
const LOOKS: Partial<Readonly<Record<PartRole, { readonly wide: number; readonly role: Role }>>> = {
  shroud: { wide: 1.3, role: 'seal' },
  backNut: { wide: 0.75, role: 'body' },
  middleNut: { wide: 0.7, role: 'body' },
  unionNut: { wide: 0.7, role: 'body' },
  clampingRing: { wide: 0.28, role: 'metal' },
  armourEarthingRing: { wide: 0.28, role: 'metal' },
  outerSeal: { wide: 0.35, role: 'seal' },
};
const PLAIN: { readonly wide: number; readonly role: Role } = { wide: 0.5, role: 'metal' };
const SIZE = 12;
const GAP = 16;
const LINE = 18;

/**
 * What must be on the cable before its end is cut, drawn on the cable in its order: the first at the left, farthest from the cable end.
 * Parts that fit one way carry an arrow towards the side that faces the cable end, and the words that say so stand below, each with the
 * number that stands over its part. Not to scale along the cable.
 */
export function explodedDrawing(shape: GlandShape, slideOn: readonly SlideOnItem[], width: number): Drawing {
  const looks = slideOn.map((item) => LOOKS[item.role] ?? PLAIN);
  const sum = looks.reduce((total, l) => total + l.wide, 0);
  const free = width - 60 - GAP * (slideOn.length + 1);
  const unit = Math.min(64, sum > 0 ? free / sum : 64);
  const tall = Math.min(84, unit * 1.1 + 18);
  const axis = 28 + tall / 2;
  const cableHalf = tall * 0.24;
  const items: DrawingItem[] = [
    {
      kind: 'polygon',
      role: 'outerSheath',
      pattern: 'solid',
      points: rectangle(0, axis - cableHalf, width - 34, cableHalf * 2),
    },
    {
      kind: 'polygon',
      role: 'core0',
      pattern: 'plain',
      points: rectangle(width - 34, axis - cableHalf * 0.6, 34, cableHalf * 1.2),
    },
  ];
  let x = GAP;
  slideOn.forEach((item, i) => {
    const look = looks[i] ?? PLAIN;
    const w = look.wide * unit;
    const id = `part.${item.partId}`;
    items.push({
      kind: 'polygon',
      role: look.role,
      dimensionId: id,
      points: profile(item.role, x, w, axis, tall / 2),
    });
    items.push({
      kind: 'text',
      role: 'dimension',
      dimensionId: id,
      at: { x: x + w / 2, y: 16 },
      text: String(i + 1),
      size: 14,
      weight: 600,
      anchor: 'middle',
    });
    if (item.towards !== null)
      items.push(...arrow(x, w, axis + tall / 2 + 10, item.towards === 'cableEnd', id));
    x += w + GAP;
  });
  const top = axis + tall / 2 + 34;
  slideOn.forEach((item, i) => {
    items.push(...legend(item, i, top + i * LINE, width));
  });
  return {
    width,
    height: top + slideOn.length * LINE,
    items,
    description: `On the cable in this order, the first farthest from the cable end: ${slideOn
      .map((s, i) => `${i + 1} ${s.name}, ${s.facing}`)
      .join('; ')}.`,
  };
}

/** A nut has its thread at the side that goes into the next part; rings are plain; a shroud is a bell. */
function profile(role: PartRole, x: number, w: number, axis: number, r: number): Point[] {
  const at = (px: number, py: number): Point => ({ x: px, y: axis + py });
  if (role === 'shroud')
    return [
      at(x, -r * 0.5),
      at(x + w * 0.35, -r * 0.6),
      at(x + w, -r),
      at(x + w, r),
      at(x + w * 0.35, r * 0.6),
      at(x, r * 0.5),
    ];
  if (role === 'backNut' || role === 'middleNut' || role === 'unionNut') {
    const t = x + w * 0.68;
    return [
      at(x, -r),
      at(t, -r),
      at(t, -r * 0.78),
      at(x + w, -r * 0.78),
      at(x + w, r * 0.78),
      at(t, r * 0.78),
      at(t, r),
      at(x, r),
    ];
  }
  if (role === 'clampingRing')
    return [at(x, -r * 0.62), at(x + w, -r * 0.74), at(x + w, r * 0.74), at(x, r * 0.62)];
  return rectangle(x, axis - r * 0.66, w, r * 1.32);
}

function arrow(x: number, w: number, y: number, right: boolean, dimensionId: string): DrawingItem[] {
  const long = Math.max(14, Math.min(30, w));
  const from = x + w / 2 - long / 2;
  const [tail, tip] = right ? [from, from + long] : [from + long, from];
  const back = right ? -5 : 5;
  return [
    {
      kind: 'polyline',
      role: 'mark',
      dimensionId,
      strokeWidth: 2,
      points: [
        { x: tail, y },
        { x: tip, y },
      ],
    },
    {
      kind: 'polyline',
      role: 'mark',
      dimensionId,
      strokeWidth: 2,
      points: [
        { x: tip + back, y: y - 4 },
        { x: tip, y },
        { x: tip + back, y: y + 4 },
      ],
    },
  ];
}

function legend(item: SlideOnItem, i: number, y: number, width: number): DrawingItem[] {
  const dimensionId = `part.${item.partId}`;
  const words = [item.facing, item.trim].filter(Boolean).join(', ');
  const name = `${i + 1}  ${item.name}`;
  const nameWidth = textWidth(name, SIZE, 600);
  const room = width - nameWidth - 10;
  const size = textWidth(words, SIZE, 400) > room ? 10 : SIZE;
  return [
    {
      kind: 'text',
      role: 'dimension',
      dimensionId,
      at: { x: 0, y },
      text: name,
      size: SIZE,
      weight: 600,
      anchor: 'start',
    },
    {
      kind: 'text',
      role: 'label',
      dimensionId,
      at: { x: nameWidth + 10, y },
      text: words,
      size,
      weight: 400,
      anchor: 'start',
    },
  ];
}
