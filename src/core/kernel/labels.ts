import type { DrawingItem } from './drawing';
import { textWidth } from './text-width';

export interface WantedLabel {
  readonly text: string;
  /** Where the leader ends. */
  readonly x: number;
  readonly y: number;
  readonly dimensionId?: string;
}

export interface LabelRows {
  readonly width: number;
  readonly size: number;
  /** Base lines from the nearest to the farthest; a name that would touch its neighbour takes the next. */
  readonly rows: readonly number[];
}

/** Names above a drawing, from left to right, each with a leader to what it names. Never outside the width. */
export function placeLabels(wanted: readonly WantedLabel[], { width, size, rows }: LabelRows): DrawingItem[] {
  const rightEdge = rows.map(() => -Infinity);
  return wanted.flatMap(({ text, x, y, dimensionId }) => {
    const w = textWidth(text, size, 400);
    const centre = Math.min(Math.max(x, w / 2), width - w / 2);
    const row = rightEdge.findIndex((edge) => centre - w / 2 > edge + 6);
    const use = row === -1 ? rows.length - 1 : row;
    rightEdge[use] = centre + w / 2;
    const base = rows[use] ?? 0;
    const tie = dimensionId === undefined ? {} : { dimensionId };
    return [
      {
        kind: 'text',
        role: 'label',
        ...tie,
        at: { x: centre, y: base },
        text,
        size,
        weight: 400,
        anchor: 'middle',
      },
      {
        kind: 'polyline',
        role: 'guide',
        ...tie,
        points: [
          { x: centre, y: base + 4 },
          { x, y: y - 2 },
        ],
        strokeWidth: 0.8,
      },
    ] satisfies DrawingItem[];
  });
}
