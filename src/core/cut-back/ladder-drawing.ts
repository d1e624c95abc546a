import {
  horizontalDimension,
  LABEL_ROW,
  labelRows,
  placeLabels,
  rectangle,
  type Drawing,
  type DrawingItem,
  type Pattern,
  type Role,
} from '@/core/kernel';
import type { LadderRung } from './cut';
import { markText } from './mark-text';
import { rungWords, type CutPlan } from './words';

interface LadderEnd {
  readonly cut: CutPlan & { readonly ladder: readonly LadderRung[] };
  /** Diameter over the jacket, mm. */
  readonly outerMm: number;
}

const JACKET_SHOWN_MM = 40;
/** Room above the names, and between them and the cores. */
const HEAD = 6;
const LEADERS = 22;
/** Left of the jacket, for the names of the rows. */
const NAMES = 48;
const CORE_ROW = 30;
const DIMENSION_ROW = 25;
const SIZE = 11;

type PhaseRung = 'bare' | 'insulation' | 'semiconducting' | 'screened';
type ShortCore = 'earth' | 'pilot';

interface Layer {
  readonly name: string;
  readonly role: Role;
  readonly pattern: Pattern;
  /** How much of the row's height it takes: each stands out over the one that lies in it. */
  readonly share: number;
}

const LAYERS: Readonly<Record<PhaseRung, Layer>> = {
  bare: { name: 'conductor', role: 'conductor', pattern: 'solid', share: 0.36 },
  insulation: { name: 'insulation', role: 'core0', pattern: 'plain', share: 0.64 },
  semiconducting: { name: 'semiconducting', role: 'outerSheath', pattern: 'solid', share: 0.72 },
  screened: { name: 'screen', role: 'armour', pattern: 'braid', share: 0.84 },
};
const ALONG: readonly PhaseRung[] = ['bare', 'insulation', 'semiconducting', 'screened'];

const SHORT: Readonly<Record<ShortCore, Layer>> = {
  earth: { name: 'earth', role: 'conductor', pattern: 'wire', share: 0.4 },
  pilot: { name: 'pilot', role: 'core1', pattern: 'plain', share: 0.4 },
};
const SHORT_CORES: readonly ShortCore[] = ['earth', 'pilot'];

/** A layer between two places, mm from the cable end: nearer to the jacket first. */
interface Stretch extends Layer {
  readonly id: string;
  readonly from: number;
  readonly to: number;
}

/** The rungs of a phase one behind the other. */
function alongPhase(ladder: readonly LadderRung[]): Stretch[] {
  let atMm = 0;
  return ALONG.map((id) => {
    const to = atMm;
    atMm += ladder.find((r) => r.id === id)?.mm ?? 0;
    return { ...LAYERS[id], id: `rung.${id}`, from: atMm, to };
  });
}

/** Earth and pilot cores, each from the jacket. */
const shortCores = (ladder: readonly LadderRung[], jacketMm: number): Stretch[] =>
  SHORT_CORES.flatMap((id) => {
    const rung = ladder.find((r) => r.id === id);
    return rung === undefined
      ? []
      : [{ ...SHORT[id], id: `rung.${id}`, from: jacketMm, to: jacketMm - rung.mm }];
  });

/**
 * The cores of a coupler's end, a ladder for each kind of them, to one scale: jacket on the left, the cable end on the right, and below them every
 * rung and every mark from the cable end. Nothing is shortened. `width` in drawing units.
 */
export function ladderDrawing({ cut, outerMm }: LadderEnd, width: number): Drawing {
  const { ladder, unit } = cut;
  const jacketMm = cut.tails.mm;
  const scale = (width - 4 - NAMES) / (jacketMm + JACKET_SHOWN_MM);
  const x = (mm: number) => width - 2 - mm * scale;
  const phase = alongPhase(ladder);
  const short = shortCores(ladder, jacketMm);
  const rows = [phase, ...short.map((s) => [s])];
  const named = (top: number) => [
    { text: 'jacket', x: x(jacketMm + JACKET_SHOWN_MM / 2), y: top },
    // From left to right, as labels are placed.
    ...[...phase].reverse().map((s) => ({
      text: s.name,
      x: x((s.from + s.to) / 2),
      y: top + (CORE_ROW * (1 - s.share)) / 2,
    })),
  ];
  const base = HEAD + LABEL_ROW * labelRows(named(0), width, SIZE);
  const top = base + LEADERS;
  const bottom = top + rows.length * CORE_ROW;
  const text = (mm: number) => markText(mm, unit);
  const line = (s: Pick<Stretch, 'id' | 'from' | 'to'>) => ({ ...s, text: text(s.from - s.to) });
  const lines = dimensionLines(phase, short, cut.marks).map((row) => row.map(line));
  const first = bottom + 26;
  return {
    width,
    height: first + lines.length * DIMENSION_ROW,
    mmPerUnit: 1 / scale,
    items: [
      jacket(top - 2, bottom + 2, JACKET_SHOWN_MM * scale),
      ...rows.flatMap((row, i) => row.map((s) => stretch(s, x, top + i * CORE_ROW))),
      ...rows.map((_, i) => rowName(i === 0 ? 'phases' : (short[i - 1]?.name ?? ''), top + i * CORE_ROW)),
      ...placeLabels(named(top), { width, size: SIZE, base }),
      ...lines.flatMap((line, i) =>
        line.flatMap((d) =>
          horizontalDimension(x(d.from), x(d.to), first + i * DIMENSION_ROW, d.text, d.id, SIZE),
        ),
      ),
    ],
    description: `Cut-back of each core to scale, ${text(outerMm)} ${unit} over the jacket: ${[
      ...cut.marks.map((m) => `${m.title.toLowerCase()} at ${text(m.atMm)} ${unit}`),
    ].join(', ')}, all from the cable end; ${short
      .map((s) => `${rungWords(s.id === 'rung.earth' ? 'earth' : 'pilot')} ${text(s.from - s.to)} ${unit}`)
      .join(', ')}.`,
  };
}

/** The rungs in a chain, each short core with the mark where it ends, and the marks that are not in these yet. */
function dimensionLines(
  phase: readonly Stretch[],
  short: readonly Stretch[],
  marks: CutPlan['marks'],
): Pick<Stretch, 'id' | 'from' | 'to'>[][] {
  const of = (atMm: number) => marks.find((m) => Math.abs(m.atMm - atMm) < 1e-6);
  const rows = short.map((s) => {
    const mark = of(s.to);
    return mark === undefined ? [s] : [s, { id: `mark.${mark.id}`, from: mark.atMm, to: 0 }];
  });
  const shown = [phase[0]?.from, ...short.map((s) => s.to)];
  const rest = [...marks]
    .sort((a, b) => a.atMm - b.atMm)
    .filter((m) => !shown.some((mm) => mm !== undefined && Math.abs(mm - m.atMm) < 1e-6))
    .map((m) => [{ id: `mark.${m.id}`, from: m.atMm, to: 0 }]);
  return [[...phase], ...rows, ...rest];
}

const jacket = (top: number, bottom: number, wide: number): DrawingItem => ({
  kind: 'polygon',
  role: 'outerSheath',
  pattern: 'solid',
  dimensionId: 'mark.outerSheath',
  points: rectangle(2 + NAMES, top, wide, bottom - top),
});

const stretch = (
  { id, from, to, role, pattern, share }: Stretch,
  x: (mm: number) => number,
  top: number,
): DrawingItem => ({
  kind: 'polygon',
  role,
  pattern,
  dimensionId: id,
  points: rectangle(x(from), top + (CORE_ROW * (1 - share)) / 2, x(to) - x(from), CORE_ROW * share),
});

/** What a row shows, left of the jacket that all of them come out of. */
const rowName = (text: string, top: number): DrawingItem => ({
  kind: 'text',
  role: 'label',
  at: { x: 2, y: top + CORE_ROW / 2 + 4 },
  text,
  size: SIZE,
  weight: 600,
  anchor: 'start',
});
