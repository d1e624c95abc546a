import {
  horizontalDimension,
  rectangle,
  textWidth,
  type Drawing,
  type DrawingItem,
  type Pattern,
  type Role,
} from '@/core/kernel';
import { formatInchFraction, trimNumber, type LengthUnit } from '@/core/units';
import type { ArmourKind } from '@/core/catalogue';
import type { CutPlan } from './cut-plan';

export interface StrippedEnd {
  readonly cut: CutPlan;
  readonly outerMm: number;
  readonly overArmourMm: number;
  readonly innerMm: number;
  readonly armour: ArmourKind;
  readonly cores: number;
}

const SHEATH_SHOWN_MM = 34;
const TOP = 46;
const LABEL_SIZE = 12;
const ROW = 32;

const ARMOUR_PATTERN: Readonly<Record<ArmourKind, Pattern>> = {
  roundWire: 'wire',
  braid: 'braid',
  tape: 'tape',
  interlocked: 'tape',
  corrugated: 'tape',
  none: 'plain',
};

/** A mark in the cut's own unit, as the fitter's rule shows it. */
export const markText = (mm: number, unit: LengthUnit): string =>
  unit === 'mm' ? trimNumber(mm, 1) : formatInchFraction(mm, 32);

/**
 * The stripped end to one scale, sheath on the left and tails on the right, with every length from the cable end. Tails too long for the
 * sheet are broken and say so; nothing else is shortened. `width` in drawing units.
 */
export function strippedEndDrawing(end: StrippedEnd, width: number): Drawing {
  const { cut } = end;
  const stripped = SHEATH_SHOWN_MM + cut.armour.mm + cut.stub.mm;
  const tailShown = Math.min(cut.tails.mm, Math.max(60, stripped * 0.6));
  const broken = tailShown < cut.tails.mm;
  const scale = Math.min((width - 4) / (stripped + tailShown), 150 / end.outerMm);
  const x0 = width - 2 - (stripped + tailShown) * scale;
  const xArmour = x0 + SHEATH_SHOWN_MM * scale;
  const xStub = xArmour + cut.armour.mm * scale;
  const xTails = xStub + cut.stub.mm * scale;
  const xEnd = xTails + tailShown * scale;
  const half = (end.outerMm * scale) / 2;
  const axis = TOP + half + 6;
  const items: DrawingItem[] = [
    ...tails(end, xTails, xEnd, axis, scale, broken),
    layer('innerSheath', 'plain', xArmour, xTails, axis, end.innerMm * scale, 'stub'),
    layer('armour', ARMOUR_PATTERN[end.armour], x0 + 8, xStub, axis, end.overArmourMm * scale, 'armour'),
    layer('outerSheath', 'solid', x0, xArmour, axis, end.outerMm * scale, 'outerSheath'),
    ...labels(
      [
        { text: 'outer sheath', x: (x0 + xArmour) / 2, y: axis - half },
        { text: 'armour', x: (xArmour + xStub) / 2, y: axis - (end.overArmourMm * scale) / 2 },
        { text: 'inner sheath', x: (xStub + xTails) / 2, y: axis - (end.innerMm * scale) / 2 },
        { text: 'tails', x: (xTails + xEnd) / 2, y: axis - (end.innerMm * scale) / 2 - 4 },
      ],
      width,
    ),
    ...dimensions(cut, { xArmour, xStub, xTails, xEnd }, axis + half + 30),
  ];
  return {
    width,
    height: axis + half + 30 + 3 * ROW,
    mmPerUnit: 1 / scale,
    items,
    description: describe(cut, broken),
  };
}

function describe(cut: CutPlan, broken: boolean): string {
  const t = (mm: number) => `${markText(mm, cut.unit)} ${cut.unit}`;
  const parts = cut.marks.map((m) => `${m.title.toLowerCase()} at ${t(m.atMm)}`).join(', ');
  return `Stripped cable end to scale: ${parts}, all from the cable end${broken ? '; the tails are drawn shortened' : ''}.`;
}

function layer(
  role: Role,
  pattern: Pattern,
  x1: number,
  x2: number,
  axis: number,
  diameter: number,
  id: string,
): DrawingItem {
  return {
    kind: 'polygon',
    role,
    pattern,
    dimensionId: id,
    points: rectangle(x1, axis - diameter / 2, x2 - x1, diameter),
  };
}

function tails(
  end: StrippedEnd,
  x1: number,
  x2: number,
  axis: number,
  scale: number,
  broken: boolean,
): DrawingItem[] {
  const shown = Math.min(end.cores, 4);
  const roles: readonly Role[] = ['core0', 'core1', 'core2', 'core3'];
  const bundle = end.innerMm * scale * 0.92;
  const thick = Math.min(bundle / shown - 2, 16);
  const items: DrawingItem[] = [];
  for (let i = 0; i < shown; i += 1) {
    const y = axis + ((i + 0.5) / shown - 0.5) * bundle;
    const role = roles[i] ?? 'core0';
    items.push({
      kind: 'polygon',
      role,
      dimensionId: 'tails',
      points: rectangle(x1, y - thick / 2, x2 - x1 - 14, thick),
    });
    items.push({
      kind: 'polygon',
      role: 'conductor',
      dimensionId: 'tails',
      points: rectangle(x2 - 14, y - thick / 4, 14, thick / 2),
    });
  }
  if (broken) {
    const at = x1 + (x2 - x1) * 0.45;
    const y1 = axis - bundle / 2 - 6;
    const y2 = axis + bundle / 2 + 6;
    const slash = (x: number) => [
      { x: x + 4, y: y1 },
      { x: x - 3, y: axis - 3 },
      { x: x + 3, y: axis + 3 },
      { x: x - 4, y: y2 },
    ];
    items.push({
      kind: 'polygon',
      role: 'ground',
      bare: true,
      points: [...slash(at), ...slash(at + 9).reverse()],
    });
    items.push({ kind: 'polyline', role: 'guide', points: slash(at), strokeWidth: 1.2 });
    items.push({ kind: 'polyline', role: 'guide', points: slash(at + 9), strokeWidth: 1.2 });
  }
  return items;
}

/** Names above the layers; a name that would touch its neighbour goes one line up, with a leader to its layer. */
function labels(wanted: readonly { text: string; x: number; y: number }[], width: number): DrawingItem[] {
  const rows = [TOP - 10, TOP - 10 - 18];
  const rightEdge = rows.map(() => -Infinity);
  return wanted.flatMap(({ text, x, y }) => {
    const w = textWidth(text, LABEL_SIZE, 400);
    const centre = Math.min(Math.max(x, w / 2), width - w / 2);
    const row = rightEdge.findIndex((edge) => centre - w / 2 > edge + 6);
    const use = row === -1 ? rows.length - 1 : row;
    rightEdge[use] = centre + w / 2;
    const base = rows[use] ?? TOP;
    return [
      {
        kind: 'text',
        role: 'label',
        at: { x: centre, y: base },
        text,
        size: LABEL_SIZE,
        weight: 400,
        anchor: 'middle',
      },
      {
        kind: 'polyline',
        role: 'guide',
        points: [
          { x: centre, y: base + 4 },
          { x, y: y - 2 },
        ],
        strokeWidth: 0.8,
      },
    ] satisfies DrawingItem[];
  });
}

interface Stations {
  readonly xArmour: number;
  readonly xStub: number;
  readonly xTails: number;
  readonly xEnd: number;
}

function dimensions(cut: CutPlan, at: Stations, y: number): DrawingItem[] {
  const text = (mm: number) => markText(mm, cut.unit);
  const fits = (label: string, from: number, to: number) =>
    textWidth(label, LABEL_SIZE, 600) <= to - from + 8 ? LABEL_SIZE : 10;
  const chain = [
    { id: 'armour', from: at.xArmour, to: at.xStub, mm: cut.armour.mm },
    { id: 'stub', from: at.xStub, to: at.xTails, mm: cut.stub.mm },
    { id: 'mark.innerSheath', from: at.xTails, to: at.xEnd, mm: cut.tails.mm },
  ];
  return [
    ...chain.flatMap((d) =>
      horizontalDimension(d.from, d.to, y, text(d.mm), d.id, fits(text(d.mm), d.from, d.to)),
    ),
    ...horizontalDimension(at.xStub, at.xEnd, y + ROW, text(cut.tails.mm + cut.stub.mm), 'mark.armour'),
    ...horizontalDimension(
      at.xArmour,
      at.xEnd,
      y + 2 * ROW,
      text(cut.tails.mm + cut.stub.mm + cut.armour.mm),
      'mark.outerSheath',
    ),
  ];
}
