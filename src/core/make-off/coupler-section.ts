import {
  LABEL_ROW,
  labelRows,
  placeLabels,
  rectangle,
  type Drawing,
  type DrawingItem,
  type Role,
  type WantedLabel,
} from '@/core/kernel';
import type { PartRole } from '@/core/catalogue';
import type { GlandShape, ShapePart } from './gland-shape';

const LABEL = 12;
const TOP = 6;
/** Cable shown behind the coupler, as a share of its length. */
const CABLE = 0.3;
/** Thickness of a gasket between jacket and casting, drawing units. */
const GASKET = 5;

/** Parts of the closed outline: how much of its length each takes, and how it is drawn. */
const OUTLINE: Partial<Readonly<Record<PartRole, { readonly long: number; readonly role: Role }>>> = {
  casting: { long: 2, role: 'metal' },
  coupling: { long: 3, role: 'body' },
};

/** A part in its place along the axis, drawing units; `inner` and `outer` are radii. */
interface Placed {
  readonly part: ShapePart;
  readonly role: Role;
  readonly from: number;
  readonly to: number;
  readonly inner: number;
  readonly outer: number;
}

/**
 * The closed coupler from its cable (left) to its contacts, schematic: as long and as thick as its sheet says, divided by the kind of part, each
 * gasket in its casting round the jacket. The part `highlight` is the one that is turned.
 */
export function couplerSection(
  shape: GlandShape,
  outerMm: number,
  highlight: string | null,
  width: number,
): Drawing {
  const scale = (width - 4) / (shape.protrusionMm * (1 + CABLE));
  const half = (shape.hexFlatsMm / 2) * scale;
  const jacket = Math.min((outerMm / 2) * scale, half * 0.62);
  const begins = 2 + shape.protrusionMm * CABLE * scale;
  const outline = outlineOf(shape, [begins, width - 2], jacket + GASKET, half);
  const placed = [...outline, ...gasketsOf(shape, outline, jacket)];
  const named = (axis: number): WantedLabel[] =>
    [...placed]
      .sort((a, b) => a.from + a.to - b.from - b.to)
      .map((p) => ({
        text: p.part.name,
        x: (p.from + p.to) / 2,
        y: axis - (p.role === 'seal' ? (p.inner + p.outer) / 2 : p.outer),
        dimensionId: `part.${p.part.id}`,
      }));
  const base = TOP + LABEL_ROW * labelRows(named(0), width, LABEL);
  const axis = base + LABEL + half;
  const cableTo = outline.findLast((p) => p.part.role === 'casting')?.to ?? begins;
  return {
    width,
    height: axis + half + 8,
    mmPerUnit: 1 / scale,
    items: [
      {
        kind: 'polygon',
        role: 'outerSheath',
        pattern: 'solid',
        points: rectangle(2, axis - jacket, cableTo - 2, jacket * 2),
      },
      ...placed.flatMap((p) => bothSides(p, axis, highlight)),
      ...placeLabels(named(axis), { width, size: LABEL, base }),
    ],
    description: `The closed coupler from its cable to its contacts: ${outline.map((p) => p.part.name).join(', ')}.`,
  };
}

/** The catalogue lists parts from the contacts outwards; the outline is read from the cable, and grows towards its body. */
function outlineOf(
  { parts }: GlandShape,
  [from, to]: readonly [number, number],
  inner: number,
  half: number,
): Placed[] {
  const list = [...parts].reverse().flatMap((part) => {
    const look = OUTLINE[part.role];
    return look === undefined ? [] : [{ part, look }];
  });
  const whole = list.reduce((sum, { look }) => sum + look.long, 0) || 1;
  const castings = list.filter((l) => l.part.role === 'casting').length;
  let x = from;
  return list.map(({ part, look }, i) => {
    const begins = x;
    x += ((to - from) * look.long) / whole;
    const thin = i < castings ? (castings - i) * 0.07 : 0;
    return { part, role: look.role, from: begins, to: x, inner, outer: half * (1 - thin) };
  });
}

/** Each gasket lies in the casting that is listed behind it. */
const gasketsOf = ({ parts }: GlandShape, outline: readonly Placed[], jacket: number): Placed[] =>
  parts.flatMap((part, i) => {
    const next = parts.slice(i + 1).find((p) => p.role === 'casting');
    const casting = outline.find((p) => p.part.id === next?.id);
    if (part.role !== 'gasket' || casting === undefined) return [];
    const long = casting.to - casting.from;
    return [
      {
        part,
        role: 'seal' as const,
        from: casting.from + long * 0.3,
        to: casting.to - long * 0.3,
        inner: jacket,
        outer: jacket + GASKET,
      },
    ];
  });

const bothSides = (
  { part, role, from, to, inner, outer }: Placed,
  axis: number,
  highlight: string | null,
): DrawingItem[] =>
  [axis - outer, axis + inner].map((y) => ({
    kind: 'polygon',
    role: part.id === highlight ? 'mark' : role,
    dimensionId: `part.${part.id}`,
    points: rectangle(from, y, to - from, outer - inner),
  }));
