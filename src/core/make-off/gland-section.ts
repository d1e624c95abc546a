import {
  LABEL_ROW,
  labelRows,
  placeLabels,
  rectangle,
  textWidth,
  type Drawing,
  type DrawingItem,
  type Pattern,
  type Point,
  type Role,
  type WantedLabel,
} from '@/core/kernel';
import type { ArmourKind, PartRole } from '@/core/catalogue';
import type { GlandShape, ShapePart } from './gland-shape';

/** The cable as it lies in the closed gland, mm. */
export interface CableInGland {
  readonly outerMm: number;
  readonly overArmourMm: number;
  readonly innerMm: number;
  readonly armour: ArmourKind;
  /** Armour on the cone or under the ring; 0 without armour. */
  readonly armourMm: number;
  /** Inner sheath beyond the armour stop; 0 where it is cut level. */
  readonly stubMm: number;
  readonly wallMm: number;
  /** A metal sheath in its pot, so deep; left out for any other cable. */
  readonly potDepthMm?: number;
}

/** Bodies one sees from outside, and the share of the gland's length that each takes. */
const BODY: Partial<Readonly<Record<PartRole, number>>> = {
  backNut: 3,
  middleNut: 3,
  unionNut: 3,
  entryComponent: 4,
  hub: 5,
  clampPlate: 2,
};
const LABEL = 12;
/** Room above the labels. */
const TOP = 6;

interface Frame {
  readonly scale: number;
  readonly axis: number;
  /** Drawing units from the left for a place along the gland, mm from its outer end. */
  readonly x: (mm: number) => number;
}

/**
 * Section of the closed gland, schematic: along its axis from the sheet's own dimensions (stand-off, armour stop, thread, wall), across by
 * the hexagon and the cable; the division between its parts is drawn by the kind of part. The part `highlight` is the one that is turned.
 */
export function glandSection(
  shape: GlandShape,
  cable: CableInGland,
  highlight: string | null,
  width: number,
): Drawing {
  const inside = Math.max(shape.threadLengthMm, cable.wallMm) + 14;
  const outside = 26;
  const length = outside + shape.protrusionMm + inside;
  const scale = Math.min((width - 4) / length, 170 / Math.max(shape.hexFlatsMm, cable.outerMm));
  const left = (width - length * scale) / 2 + outside * scale;
  const half = (Math.max(shape.hexFlatsMm, cable.outerMm) / 2) * scale;
  const x = (mm: number) => left + mm * scale;
  const parts = (axis: number) => {
    const frame: Frame = { scale, axis, x };
    const bodies = bodiesOf(shape, frame, highlight);
    const inner = innerParts(shape, cable, frame, highlight);
    return { bodies, inner, named: [...bodies.named, ...inner.named].sort((a, b) => a.x - b.x) };
  };
  // How many rows the names take is settled by where they stand along the axis; only then is it known how high the axis lies.
  const rows = labelRows(parts(0).named, width, LABEL);
  const base = TOP + rows * LABEL_ROW;
  const axis = base + 20 + half;
  const frame: Frame = { scale, axis, x };
  const { bodies, inner, named } = parts(axis);
  return {
    width,
    height: frame.axis + half + 30,
    mmPerUnit: 1 / scale,
    items: [
      ...wall(shape, cable, frame, half),
      ...bodies.items,
      ...cableItems(shape, cable, frame),
      ...inner.items,
      ...placeLabels(named, { width, size: LABEL, base }),
      ...ends(width, frame, half),
    ],
    description: `Section of the closed gland, schematic: ${shape.parts.map((p) => p.name).join(', ')}${
      highlight === null
        ? ''
        : `; the ${shape.parts.find((p) => p.id === highlight)?.name ?? highlight} is marked`
    }.`,
  };
}

const both = (points: readonly Point[], axis: number): Point[][] => [
  [...points],
  points.map((p) => ({ x: p.x, y: 2 * axis - p.y })),
];

interface Drawn {
  readonly items: DrawingItem[];
  readonly named: WantedLabel[];
}

function polygons(
  part: Pick<ShapePart, 'id'>,
  role: Role,
  points: readonly Point[],
  axis: number,
  highlight: string | null,
  pattern?: Pattern,
): DrawingItem[] {
  const lit = part.id === highlight;
  return both(points, axis).map((p) => ({
    kind: 'polygon',
    role: lit ? 'mark' : role,
    points: p,
    dimensionId: `part.${part.id}`,
    ...(pattern && !lit ? { pattern } : {}),
  }));
}

/** Nuts and entry component, outer end at the left. The catalogue lists parts from the box outwards. */
function bodiesOf(shape: GlandShape, frame: Frame, highlight: string | null): Drawn {
  const list = [...shape.parts].reverse().filter((p) => BODY[p.role] !== undefined);
  const total = list.reduce((sum, p) => sum + (BODY[p.role] ?? 0), 0) || 1;
  const outer = (shape.hexFlatsMm / 2) * frame.scale;
  const items: DrawingItem[] = [];
  const named: WantedLabel[] = [];
  let from = 0;
  list.forEach((part, i) => {
    const to = from + (shape.protrusionMm * (BODY[part.role] ?? 0)) / total;
    const [x1, x2] = [frame.x(from), frame.x(to)];
    const last = i === list.length - 1;
    const chamfer = Math.min(outer * 0.16, (x2 - x1) * 0.25);
    const bore = outer * 0.72;
    const y = (r: number) => frame.axis - r;
    items.push(
      ...polygons(
        part,
        'body',
        [
          { x: x1, y: y(bore) },
          { x: x1, y: y(outer - chamfer) },
          { x: x1 + chamfer, y: y(outer) },
          { x: x2 - chamfer, y: y(outer) },
          { x: x2, y: y(last ? outer : outer - chamfer) },
          { x: x2, y: y(bore) },
        ],
        frame.axis,
        highlight,
      ),
    );
    if (last) items.push(...thread(part, shape, frame, outer * 0.7, highlight));
    named.push({ text: part.name, x: (x1 + x2) / 2, y: y(outer), dimensionId: `part.${part.id}` });
    from = to;
  });
  return { items, named };
}

function thread(
  part: ShapePart,
  shape: GlandShape,
  frame: Frame,
  radius: number,
  highlight: string | null,
): DrawingItem[] {
  const [x1, x2] = [frame.x(shape.protrusionMm), frame.x(shape.protrusionMm + shape.threadLengthMm)];
  const teeth = Math.max(4, Math.round(shape.threadLengthMm / 1.5));
  const crest = radius * 0.06;
  const points: Point[] = [{ x: x1, y: frame.axis - radius * 0.8 }];
  for (let i = 0; i <= teeth; i += 1)
    points.push({ x: x1 + ((x2 - x1) * i) / teeth, y: frame.axis - radius + (i % 2 === 0 ? 0 : crest) });
  points.push({ x: x2, y: frame.axis - radius * 0.8 });
  return polygons(part, 'body', points, frame.axis, highlight);
}

/** The wall of the box: what the thread passes through. */
function wall(shape: GlandShape, cable: CableInGland, frame: Frame, half: number): DrawingItem[] {
  const x = frame.x(shape.protrusionMm);
  const radius = (shape.hexFlatsMm / 2) * frame.scale * 0.7;
  return both(
    rectangle(x, frame.axis - half - 14, cable.wallMm * frame.scale, half + 14 - radius),
    frame.axis,
  ).map((points) => ({ kind: 'polygon', role: 'wall', pattern: 'tape', points }));
}

const ARMOUR: Readonly<Record<ArmourKind, Pattern>> = {
  roundWire: 'wire',
  braid: 'braid',
  tape: 'tape',
  interlocked: 'tape',
  corrugated: 'rings',
  none: 'plain',
};

/** Sheath up to the armour, armour up to its stop, inner sheath and cores on into the box. */
function cableItems(shape: GlandShape, cable: CableInGland, frame: Frame): DrawingItem[] {
  const stop = shape.protrusionMm - shape.innerLengthMm;
  const end = shape.protrusionMm + Math.max(shape.threadLengthMm, cable.wallMm) + 14;
  const bar = (role: Role, from: number, to: number, diameter: number, pattern: Pattern): DrawingItem => ({
    kind: 'polygon',
    role,
    pattern,
    points: rectangle(
      frame.x(from),
      frame.axis - (diameter / 2) * frame.scale,
      Math.max(0, to - from) * frame.scale,
      diameter * frame.scale,
    ),
  });
  const sheathTo = stop - cable.armourMm;
  const innerTo = Math.min(end, stop + cable.stubMm);
  const plain = cable.armour === 'none';
  const outer: Role = cable.potDepthMm === undefined ? 'outerSheath' : 'metal';
  return [
    bar('core0', plain ? innerTo : innerTo - 0.01, end, cable.innerMm * 0.8, 'plain'),
    ...(cable.stubMm > 0
      ? [
          bar(
            plain ? outer : 'innerSheath',
            stop,
            innerTo,
            plain ? cable.outerMm : cable.innerMm,
            plain ? 'solid' : 'plain',
          ),
        ]
      : []),
    ...(plain ? [] : [bar('armour', sheathTo, stop, cable.overArmourMm, ARMOUR[cable.armour])]),
    bar(outer, -26, plain ? stop : sheathTo, cable.outerMm, 'solid'),
  ];
}

/** Cone, rings, seals, chamber: where they lie is settled by the armour stop. */
function innerParts(shape: GlandShape, cable: CableInGland, frame: Frame, highlight: string | null): Drawn {
  const stop = shape.protrusionMm - shape.innerLengthMm;
  const bore = (shape.hexFlatsMm / 2) * frame.scale * 0.72;
  const r = (diameter: number) => Math.min(bore * 0.94, (diameter / 2) * frame.scale);
  const y = (radius: number) => frame.axis - radius;
  const ring = (from: number, to: number, inner: number, outer = bore): Point[] =>
    rectangle(frame.x(from), y(outer), (to - from) * frame.scale, Math.max(1.5, outer - inner));
  const grip = Math.max(6, cable.armourMm);
  const pot = cable.potDepthMm ?? 0;
  const place = (part: ShapePart): { role: Role; points: Point[]; pattern?: Pattern } | null => {
    switch (part.role) {
      case 'outerSeal':
      case 'packingRing':
        return {
          role: 'seal',
          points: ring(2, 2 + shape.protrusionMm * 0.16, r(cable.outerMm)),
          pattern: 'dots',
        };
      case 'clampingRing':
      case 'armourEarthingRing':
        return { role: 'metal', points: ring(stop - grip * 0.85, stop - grip * 0.15, r(cable.overArmourMm)) };
      case 'cone':
        return {
          role: 'metal',
          points: [
            { x: frame.x(stop - grip * 0.9), y: y(r(cable.innerMm)) },
            { x: frame.x(stop), y: y(r(cable.overArmourMm)) },
            { x: frame.x(stop + shape.innerLengthMm * 0.12), y: y(r(cable.overArmourMm)) },
            { x: frame.x(stop + shape.innerLengthMm * 0.12), y: y(r(cable.innerMm)) },
          ],
        };
      case 'innerSeal':
      case 'diaphragm':
        return {
          role: 'seal',
          points: ring(
            stop + shape.innerLengthMm * 0.25,
            stop + shape.innerLengthMm * 0.45,
            r(cable.innerMm),
          ),
          pattern: 'dots',
        };
      case 'endStop':
        return { role: 'metal', points: ring(stop, stop + 1.5, r(cable.innerMm * 0.9)) };
      case 'chamber':
        return {
          role: 'compound',
          points: ring(stop + shape.innerLengthMm * 0.14, shape.protrusionMm, r(cable.innerMm * 0.8) * 0.5),
          pattern: 'dots',
        };
      // Its lower edge lies at the stop; it seals inside the gland and stands on into the box.
      case 'pot':
        return { role: 'body', points: ring(stop, stop + pot, r(cable.outerMm), r(cable.outerMm + 5)) };
      case 'potCap':
        return {
          role: 'compound',
          points: ring(stop + cable.stubMm, stop + pot, r(cable.innerMm * 0.8), r(cable.outerMm)),
          pattern: 'dots',
        };
      case 'insert':
        return { role: 'metal', points: ring(shape.protrusionMm - 6, shape.protrusionMm + 4, 2) };
      case 'sealingWasher':
        return { role: 'seal', points: ring(shape.protrusionMm - 1.5, shape.protrusionMm, bore, bore * 1.3) };
      default:
        return null;
    }
  };
  const items: DrawingItem[] = [];
  const named: WantedLabel[] = [];
  for (const part of shape.parts) {
    const placed = place(part);
    if (placed === null) continue;
    items.push(...polygons(part, placed.role, placed.points, frame.axis, highlight, placed.pattern));
    const xs = placed.points.map((p) => p.x);
    named.push({
      text: part.name,
      x: (Math.min(...xs) + Math.max(...xs)) / 2,
      y: Math.min(...placed.points.map((p) => p.y)) + 3,
      dimensionId: `part.${part.id}`,
    });
  }
  return { items, named };
}

function ends(width: number, frame: Frame, half: number): DrawingItem[] {
  const y = frame.axis + half + 26;
  const text = (x: number, words: string, anchor: 'start' | 'middle' | 'end'): DrawingItem => ({
    kind: 'text',
    role: 'label',
    at: { x, y },
    text: words,
    size: 11,
    weight: 400,
    anchor,
  });
  const [left, right] = ['cable side', 'inside of the box'];
  const note = 'schematic: lengths by the sheet, parts by their kind';
  const room = width - textWidth(left, 11, 400) - textWidth(right, 11, 400) - 40;
  return [
    text(2, left, 'start'),
    text(width - 2, right, 'end'),
    ...(textWidth(note, 11, 400) < room ? [text(width / 2, note, 'middle')] : []),
  ];
}
