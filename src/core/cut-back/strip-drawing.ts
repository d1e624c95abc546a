import { rectangle, type Drawing, type DrawingItem } from '@/core/kernel';
import type { CutPlan } from './words';
import { markText } from './mark-text';

/**
 * The strip that is laid along the cable: drawing units are real millimetres, so a renderer must print it at 1:1. Tiled into pieces
 * of `pieceMm`; each piece repeats the last `overlapMm` of the one before, and the first carries check bars of 50 mm and 2 in.
 */
export function stripDrawings(cut: CutPlan, tag: string, pieceMm: number, overlapMm = 10): Drawing[] {
  const total = cut.consumedMm + 15;
  const step = pieceMm - overlapMm;
  const count = Math.max(1, Math.ceil((total - overlapMm) / step));
  return Array.from({ length: count }, (_, i) =>
    piece(cut, tag, i, count, i * step, Math.min(pieceMm, total - i * step)),
  );
}

const HEIGHT = 46;
const RULE_Y = 8;

function piece(
  cut: CutPlan,
  tag: string,
  index: number,
  count: number,
  fromMm: number,
  lengthMm: number,
): Drawing {
  const items: DrawingItem[] = [
    {
      kind: 'polyline',
      role: 'dimension',
      points: [
        { x: 0, y: RULE_Y },
        { x: lengthMm, y: RULE_Y },
      ],
      strokeWidth: 0.3,
    },
    ...ticks(fromMm, lengthMm),
    ...cut.marks
      // Only what is marked from the cable end is marked by this strip.
      .filter((m) => m.datum === 'cableEnd')
      .filter((m) => m.atMm >= fromMm && m.atMm <= fromMm + lengthMm)
      .flatMap((m) =>
        markAt(m.atMm - fromMm, m.title, markText(m.atMm, cut.unit), cut.unit, lengthMm, `mark.${m.id}`),
      ),
    {
      kind: 'text',
      role: 'label',
      at: { x: 1, y: HEIGHT - 1.5 },
      text: `${tag} · piece ${index + 1} of ${count} · from the cable end, 1:1, print at 100 %`,
      size: 3,
      weight: 400,
      anchor: 'start',
    },
  ];
  if (index === 0) items.push(...checkBars());
  if (index > 0)
    items.push({
      kind: 'text',
      role: 'label',
      at: { x: 1, y: 5 },
      text: `lay on ${fromMm} mm of the piece before`,
      size: 3,
      weight: 400,
      anchor: 'start',
    });
  return {
    width: lengthMm,
    height: HEIGHT,
    mmPerUnit: 1,
    items,
    description: `Marking strip for ${tag}, ${fromMm} to ${Math.round(fromMm + lengthMm)} mm from the cable end.`,
  };
}

function ticks(fromMm: number, lengthMm: number): DrawingItem[] {
  const items: DrawingItem[] = [];
  for (let mm = Math.ceil(fromMm); mm <= fromMm + lengthMm; mm += 1) {
    const x = mm - fromMm;
    const size = mm % 10 === 0 ? 4 : mm % 5 === 0 ? 2.8 : 1.6;
    items.push({
      kind: 'polyline',
      role: 'dimension',
      points: [
        { x, y: RULE_Y },
        { x, y: RULE_Y + size },
      ],
      strokeWidth: 0.15,
    });
    if (mm % 10 === 0 && x > 1 && x < lengthMm - 4) {
      items.push({
        kind: 'text',
        role: 'dimension',
        at: { x, y: RULE_Y + 7.5 },
        text: String(mm),
        size: 3,
        weight: 400,
        anchor: 'middle',
      });
    }
  }
  return items;
}

function markAt(
  x: number,
  title: string,
  value: string,
  unit: string,
  lengthMm: number,
  dimensionId: string,
): DrawingItem[] {
  const atRight = x > lengthMm - 45;
  return [
    {
      kind: 'polyline',
      role: 'mark',
      dimensionId,
      points: [
        { x, y: 1 },
        { x, y: 30 },
      ],
      strokeWidth: 0.7,
    },
    {
      kind: 'text',
      role: 'label',
      dimensionId,
      at: { x: atRight ? x - 1.5 : x + 1.5, y: 22 },
      text: title,
      size: 3.6,
      weight: 600,
      anchor: atRight ? 'end' : 'start',
    },
    {
      kind: 'text',
      role: 'label',
      dimensionId,
      at: { x: atRight ? x - 1.5 : x + 1.5, y: 28 },
      text: `${value} ${unit}`,
      size: 5.5,
      weight: 600,
      anchor: atRight ? 'end' : 'start',
    },
  ];
}

function checkBars(): DrawingItem[] {
  const bar = (x: number, length: number, text: string): DrawingItem[] => [
    {
      kind: 'polygon',
      role: 'dimension',
      points: rectangle(x, 33, length, 2.4),
      pattern: 'solid',
      bare: true,
    },
    { kind: 'text', role: 'label', at: { x, y: 39.5 }, text, size: 3, weight: 400, anchor: 'start' },
  ];
  return [...bar(2, 50, 'check: this bar is 50 mm'), ...bar(60, 50.8, 'check: this bar is 2 in')];
}
