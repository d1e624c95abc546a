import {
  horizontalDimension,
  placeLabels,
  rectangle,
  textWidth,
  type Drawing,
  type DrawingItem,
  type Pattern,
  type Role,
} from '@/core/kernel';
import type { ArmourKind } from '@/core/catalogue';
import { ladderDrawing } from './ladder-drawing';
import { markText } from './mark-text';
import type { CutPlan } from './words';

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
  corrugated: 'rings',
  none: 'plain',
};

/** What lies over the armour is called a jacket on metal-clad cable, an outer sheath on all other. */
const COVER: Readonly<Record<ArmourKind, string>> = {
  roundWire: 'outer sheath',
  braid: 'outer sheath',
  tape: 'outer sheath',
  interlocked: 'jacket',
  corrugated: 'jacket',
  none: 'sheath',
};

/** Where the layers end along the drawing, in drawing units from its left edge. */
interface Stations {
  readonly xSheath: number;
  readonly xArmour: number;
  readonly xStub: number;
  readonly xTails: number;
  readonly xEnd: number;
  readonly scale: number;
  /** The tails are shortened; every distance within the first `shownMm` of them from the sheath is true. */
  readonly broken: boolean;
}

function stationsOf(end: StrippedEnd, width: number): Stations {
  const { cut } = end;
  const armourMm = cut.armour?.mm ?? 0;
  const stubMm = cut.stub?.mm ?? 0;
  const stripped = SHEATH_SHOWN_MM + armourMm + stubMm;
  const tailShown = Math.min(cut.tails.mm, Math.max(60, stripped * 0.6));
  const scale = Math.min((width - 4) / (stripped + tailShown), 150 / end.outerMm);
  const xSheath = width - 2 - (stripped + tailShown) * scale;
  const xArmour = xSheath + SHEATH_SHOWN_MM * scale;
  const xStub = xArmour + armourMm * scale;
  const xTails = xStub + stubMm * scale;
  return {
    xSheath,
    xArmour,
    xStub,
    xTails,
    xEnd: xTails + tailShown * scale,
    scale,
    broken: tailShown < cut.tails.mm,
  };
}

/**
 * The stripped end to one scale, sheath on the left and tails on the right, with every length from the cable end. Tails too long for the
 * sheet are broken and say so; nothing else is shortened. `width` in drawing units.
 */
export function strippedEndDrawing(end: StrippedEnd, width: number): Drawing {
  const { cut } = end;
  if (cut.ladder !== undefined)
    return ladderDrawing({ cut: { ...cut, ladder: cut.ladder }, outerMm: end.outerMm }, width);
  const at = stationsOf(end, width);
  const { scale } = at;
  const half = (end.outerMm * scale) / 2;
  const axis = TOP + half + 6;
  const rows = dimensionRows(cut, at);
  const top = axis + half + 30;
  return {
    width,
    height: top + rows.length * ROW,
    mmPerUnit: 1 / scale,
    items: [
      ...tails(end, at, axis),
      ...layers(end, at, axis),
      ...secondCut(end, at, axis),
      ...placeLabels(labelsOf(end, at, axis, half), {
        width,
        size: LABEL_SIZE,
        base: TOP - 10,
      }),
      ...rows.flatMap((row, i) =>
        row.flatMap((d) =>
          horizontalDimension(d.from, d.to, top + i * ROW, d.text, d.id, sizeFor(d.text, d.from, d.to)),
        ),
      ),
    ],
    description: describe(cut, at.broken),
  };
}

function layers(end: StrippedEnd, at: Stations, axis: number): DrawingItem[] {
  const { cut } = end;
  const { scale } = at;
  const items: DrawingItem[] = [];
  if (cut.armour === null) {
    items.push(
      layer(
        'outerSheath',
        cut.kind === 'mineral' ? 'metal' : 'outerSheath',
        'solid',
        [at.xSheath, at.xTails],
        [axis, end.outerMm * scale],
      ),
    );
    return items;
  }
  if (cut.stub !== null)
    items.push(layer('stub', 'innerSheath', 'plain', [at.xArmour, at.xTails], [axis, end.innerMm * scale]));
  // Without a jacket the armour itself is what the cable shows.
  const from = cut.jacketed ? at.xSheath + 8 : at.xSheath;
  items.push(
    layer('armour', 'armour', ARMOUR_PATTERN[end.armour], [from, at.xStub], [axis, end.overArmourMm * scale]),
  );
  if (cut.jacketed)
    items.push(
      layer('outerSheath', 'outerSheath', 'solid', [at.xSheath, at.xArmour], [axis, end.outerMm * scale]),
    );
  return items;
}

/** Where the second inner cut of a sealing fitting lies: within the tails, made when the fitting is on. */
function secondCut(end: StrippedEnd, at: Stations, axis: number): DrawingItem[] {
  const mark = end.cut.marks.find((m) => m.id === 'secondInner');
  if (!mark) return [];
  const x = at.xTails + mark.fromDatumMm * at.scale;
  const half = (end.innerMm * at.scale) / 2 + 8;
  return [
    {
      kind: 'polyline',
      role: 'mark',
      dimensionId: 'mark.secondInner',
      dashed: true,
      strokeWidth: 1.6,
      points: [
        { x, y: axis - half },
        { x, y: axis + half },
      ],
    },
  ];
}

const bareName = ({ kind }: CutPlan): string => (kind === 'mineral' ? 'metal sheath' : 'sheath');

function labelsOf(end: StrippedEnd, at: Stations, axis: number, half: number) {
  const { cut } = end;
  const inner = (end.innerMm * at.scale) / 2;
  const bare = cut.armour === null;
  const wanted = [
    {
      text: bare ? bareName(cut) : cut.jacketed ? COVER[end.armour] : 'no jacket',
      x: (at.xSheath + (bare ? at.xTails : at.xArmour)) / 2,
      y: axis - half,
    },
  ];
  if (!bare)
    wanted.push({
      text: 'armour',
      x: (at.xArmour + at.xStub) / 2,
      y: axis - (end.overArmourMm * at.scale) / 2,
    });
  if (!bare && cut.stub)
    wanted.push({ text: 'inner sheath', x: (at.xStub + at.xTails) / 2, y: axis - inner });
  wanted.push({ text: 'tails', x: (at.xTails + at.xEnd) / 2, y: axis - inner - 4 });
  return wanted;
}

interface DimensionLine {
  readonly id: string;
  readonly from: number;
  readonly to: number;
  readonly text: string;
}

/** The chain of lengths first, then one line for each mark that is measured from the cable end and not in the chain already. */
function dimensionRows(cut: CutPlan, at: Stations): DimensionLine[][] {
  const text = (mm: number) => markText(mm, cut.unit);
  const chain: DimensionLine[] = [];
  if (cut.armour) chain.push({ id: 'armour', from: at.xArmour, to: at.xStub, text: text(cut.armour.mm) });
  if (cut.stub) chain.push({ id: 'stub', from: at.xStub, to: at.xTails, text: text(cut.stub.mm) });
  const innermost = cut.marks.find((m) => m.atMm === cut.tails.mm)?.id ?? 'tails';
  chain.push({ id: `mark.${innermost}`, from: at.xTails, to: at.xEnd, text: text(cut.tails.mm) });
  const rows: DimensionLine[][] = [chain];
  const second = cut.marks.find((m) => m.id === 'secondInner');
  if (second)
    rows.push([
      {
        id: 'mark.secondInner',
        from: at.xTails,
        to: at.xTails + second.fromDatumMm * at.scale,
        text: `${text(second.fromDatumMm)} from the hub`,
      },
    ]);
  const beyond = [...cut.marks]
    .filter((m) => m.datum === 'cableEnd' && m.atMm > cut.tails.mm)
    .sort((a, b) => a.atMm - b.atMm);
  for (const mark of beyond)
    rows.push([
      {
        id: `mark.${mark.id}`,
        from: at.xTails - (mark.atMm - cut.tails.mm) * at.scale,
        to: at.xEnd,
        text: text(mark.atMm),
      },
    ]);
  return rows;
}

const sizeFor = (label: string, from: number, to: number): number =>
  textWidth(label, LABEL_SIZE, 600) <= to - from + 8 ? LABEL_SIZE : 10;

function describe(cut: CutPlan, broken: boolean): string {
  const t = (mm: number) => `${markText(mm, cut.unit)} ${cut.unit}`;
  const parts = cut.marks.map((m) => `${m.title.toLowerCase()} at ${t(m.atMm)}`).join(', ');
  return `Stripped cable end to scale: ${parts}, all from the cable end${broken ? '; the tails are drawn shortened' : ''}.`;
}

function layer(
  id: string,
  role: Role,
  pattern: Pattern,
  [x1, x2]: readonly [from: number, to: number],
  [axis, diameter]: readonly [axis: number, diameter: number],
): DrawingItem {
  return {
    kind: 'polygon',
    role,
    pattern,
    dimensionId: id,
    points: rectangle(x1, axis - diameter / 2, x2 - x1, diameter),
  };
}

function tails(end: StrippedEnd, at: Stations, axis: number): DrawingItem[] {
  const { xTails: x1, xEnd: x2, scale, broken } = at;
  const shown = Math.min(end.cores, 4);
  const roles: readonly Role[] = ['core0', 'core1', 'core2', 'core3'];
  const bundle = end.innerMm * scale * 0.92;
  const thick = Math.min(bundle / shown - 2, 16);
  const bare = end.cut.strip ? end.cut.strip.mm * scale : 14;
  const items: DrawingItem[] = [];
  for (let i = 0; i < shown; i += 1) {
    const y = axis + ((i + 0.5) / shown - 0.5) * bundle;
    const role = roles[i] ?? 'core0';
    items.push({
      kind: 'polygon',
      role,
      dimensionId: 'tails',
      points: rectangle(x1, y - thick / 2, x2 - x1 - bare, thick),
    });
    items.push({
      kind: 'polygon',
      role: 'conductor',
      dimensionId: end.cut.strip ? 'mark.cores' : 'tails',
      points: rectangle(x2 - bare, y - thick / 4, bare, thick / 2),
    });
  }
  if (broken) items.push(...breakSymbol(x1 + (x2 - x1) * 0.62, axis, bundle));
  return items;
}

/** Two slanting lines with nothing between: here a length is left out. */
function breakSymbol(at: number, axis: number, height: number): DrawingItem[] {
  const y1 = axis - height / 2 - 6;
  const y2 = axis + height / 2 + 6;
  const slash = (x: number) => [
    { x: x + 4, y: y1 },
    { x: x - 3, y: axis - 3 },
    { x: x + 3, y: axis + 3 },
    { x: x - 4, y: y2 },
  ];
  return [
    { kind: 'polygon', role: 'ground', bare: true, points: [...slash(at), ...slash(at + 9).reverse()] },
    { kind: 'polyline', role: 'guide', points: slash(at), strokeWidth: 1.2 },
    { kind: 'polyline', role: 'guide', points: slash(at + 9), strokeWidth: 1.2 },
  ];
}
