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
import type { GlandShape, ShapePart } from './gland-shape';

const LABEL = 12;
const TOP = 6;

/** How long a part is of the whole, and how far out from the axis it reaches as a share of the body; what is no part of the closed outline is left out. */
const LOOKS: Readonly<
  Partial<Record<string, { readonly long: number; readonly out: number; readonly role: Role }>>
> = {
  reliefCasting: { long: 0.16, out: 0.72, role: 'metal' },
  entranceCasting: { long: 0.2, out: 0.84, role: 'metal' },
  body: { long: 0.5, out: 1, role: 'body' },
  insulator: { long: 0.14, out: 0.78, role: 'seal' },
};
const GASKETS: Readonly<Partial<Record<string, string>>> = {
  reliefGasket: 'reliefCasting',
  entranceGasket: 'entranceCasting',
};

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
  const cableMm = shape.protrusionMm * 0.3;
  const scale = (width - 4) / (shape.protrusionMm + cableMm);
  const half = (shape.hexFlatsMm / 2) * scale;
  const jacket = Math.min((outerMm / 2) * scale, half * 0.62);
  const list = [...shape.parts].reverse().filter((p) => LOOKS[p.id] !== undefined);
  const items: DrawingItem[] = [];
  const named: WantedLabel[] = [];
  const places: {
    readonly part: ShapePart;
    readonly from: number;
    readonly to: number;
    readonly out: number;
  }[] = [];
  let x = 2 + cableMm * scale;
  for (const part of list) {
    const look = LOOKS[part.id];
    if (look === undefined) continue;
    const to = x + look.long * shape.protrusionMm * scale;
    places.push({ part, from: x, to, out: look.out * half });
    x = to;
  }
  const wanted = [
    ...places.map(({ part, from, to, out }) => ({ part, x: (from + to) / 2, up: out })),
    ...shape.parts.flatMap((part) => {
      const casting = places.find((p) => p.part.id === GASKETS[part.id]);
      return casting === undefined
        ? []
        : [{ part, x: casting.from + (casting.to - casting.from) * 0.5, up: jacket + 3 }];
    }),
  ];
  const labels = wanted.map((w): WantedLabel => ({ text: w.part.name, x: w.x, y: 0 }));
  const top = TOP + LABEL_ROW * labelRows(labels, width, LABEL) + LABEL;
  const axis = top + half;
  wanted.forEach((w) =>
    named.push({ text: w.part.name, x: w.x, y: axis - w.up, dimensionId: `part.${w.part.id}` }),
  );
  const both = (part: ShapePart, role: Role, from: number, to: number, inner: number, outer: number) => {
    const lit = part.id === highlight;
    for (const y of [axis - outer, axis + inner])
      items.push({
        kind: 'polygon',
        role: lit ? 'mark' : role,
        dimensionId: `part.${part.id}`,
        points: rectangle(from, y, to - from, outer - inner),
      });
  };
  items.push({
    kind: 'polygon',
    role: 'outerSheath',
    pattern: 'solid',
    points: rectangle(2, axis - jacket, places[2]?.from === undefined ? 40 : places[2].from - 2, jacket * 2),
  });
  for (const { part, from, to, out } of places)
    both(part, LOOKS[part.id]?.role ?? 'body', from, to, part.id === 'insulator' ? 0 : jacket + 6, out);
  for (const part of shape.parts) {
    const casting = places.find((p) => p.part.id === GASKETS[part.id]);
    if (casting === undefined) continue;
    const long = casting.to - casting.from;
    both(part, 'seal', casting.from + long * 0.25, casting.to - long * 0.25, jacket, jacket + 6);
  }
  return {
    width,
    height: axis + half + 8,
    mmPerUnit: 1 / scale,
    items: [
      ...items,
      ...placeLabels(named, { width, size: LABEL, base: TOP + LABEL_ROW * labelRows(labels, width, LABEL) }),
    ],
    description: `The closed coupler from its cable to its contacts: ${list.map((p) => p.name).join(', ')}.`,
  };
}
