import type { DrawingItem } from './drawing';
import { textWidth } from './text-width';

export interface WantedLabel {
  readonly text: string;
  /** Where the leader ends. */
  readonly x: number;
  readonly y: number;
  readonly dimensionId?: string;
}

export interface LabelLines {
  readonly width: number;
  readonly size: number;
  /** Base line of the row nearest to the drawing. */
  readonly base: number;
}

/** From one row to the next, in drawing units. */
export const LABEL_ROW = 16;
const APART = 6;

/** Row of each name, counted from the drawing outwards: a name that would touch its neighbour goes one row up. */
function rowsOf(wanted: readonly WantedLabel[], width: number, size: number) {
  const rightEdge: number[] = [];
  return wanted.map(({ text, x }) => {
    const w = textWidth(text, size, 400);
    const centre = Math.min(Math.max(x, w / 2), width - w / 2);
    const free = rightEdge.findIndex((edge) => centre - w / 2 > edge + APART);
    const row = free < 0 ? rightEdge.length : free;
    rightEdge[row] = centre + w / 2;
    return { centre, row };
  });
}

/** How many rows so many names take at this width; the names from left to right. */
export const labelRows = (wanted: readonly WantedLabel[], width: number, size: number): number =>
  1 + Math.max(-1, ...rowsOf(wanted, width, size).map((r) => r.row));

/** Names above a drawing, from left to right, each with a leader to what it names. Never outside the width, never on one another. */
export function placeLabels(
  wanted: readonly WantedLabel[],
  { width, size, base: first }: LabelLines,
): DrawingItem[] {
  const rows = rowsOf(wanted, width, size);
  const leaders: DrawingItem[] = [];
  const names: DrawingItem[] = [];
  wanted.forEach(({ text, x, y, dimensionId }, i) => {
    const { centre = x, row = 0 } = rows[i] ?? {};
    const base = first - row * LABEL_ROW;
    const tie = dimensionId === undefined ? {} : { dimensionId };
    names.push({
      kind: 'text',
      role: 'label',
      ...tie,
      at: { x: centre, y: base },
      text,
      size,
      weight: 400,
      anchor: 'middle',
    });
    leaders.push({
      kind: 'polyline',
      role: 'guide',
      ...tie,
      points: [
        { x: centre, y: base + 4 },
        { x, y: y - 2 },
      ],
      strokeWidth: 0.8,
    });
  });
  // Names last: they stand on the leaders of others and not under them.
  return [...leaders, ...names];
}
