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
/** Room between a name and a leader that passes it. */
const PASSING = 3;
/** How far inside its name a leader leaves at least. */
const EDGE = 2;
/** More rows than this are not tried: then names stand as they come. */
const MOST_ROWS = 8;
/** Places looked at before a number of rows is given up. */
const MOST_TRIES = 20_000;

interface Placed {
  readonly left: number;
  readonly right: number;
  readonly row: number;
  /** Where the leader leaves the row. */
  readonly x: number;
}

/** May two names stand so? In one row apart; else no leader of the upper one goes through the lower one. */
function clear(a: Placed, b: Placed): boolean {
  if (a.row === b.row) return a.right + APART <= b.left || b.right + APART <= a.left;
  const [low, high] = a.row < b.row ? [a, b] : [b, a];
  return high.x < low.left - PASSING || high.x > low.right + PASSING;
}

/** Leaders that would leave at one place leave beside one another. */
function tops(wanted: readonly WantedLabel[], width: number): number[] {
  let last = -Infinity;
  return wanted.map(({ x }) => {
    last = Math.min(width - 1, Math.max(x, last + 2 * PASSING));
    return last;
  });
}

/** Names in so few rows as can be, each over its leader, none on another, no leader through a name. Null when there is no such way. */
function arrange(wanted: readonly WantedLabel[], width: number, size: number, rows: number): Placed[] | null {
  const xs = tops(wanted, width);
  const placed: Placed[] = [];
  let tries = 0;
  const place = (i: number): boolean => {
    const label = wanted[i];
    const x = xs[i];
    if (label === undefined || x === undefined) return true;
    const w = textWidth(label.text, size, 400);
    // In the middle over the leader, else as far to its left or to its right as it reaches, else between.
    for (const before of [w / 2, w - EDGE, EDGE, w * 0.75, w * 0.25])
      for (let row = 0; row < rows; row += 1) {
        tries += 1;
        if (tries > MOST_TRIES) return false;
        const left = Math.min(Math.max(0, x - before), Math.max(0, width - w));
        const here = { left, right: left + w, row, x };
        if (x < left || x > left + w || !placed.every((other) => clear(other, here))) continue;
        placed.push(here);
        if (place(i + 1)) return true;
        placed.pop();
      }
    return false;
  };
  return place(0) ? placed : null;
}

/** As they come, where no arrangement leaves every leader free: a name that would touch its neighbour goes one row up. */
function asTheyCome(wanted: readonly WantedLabel[], width: number, size: number): Placed[] {
  const rightEdge: number[] = [];
  return wanted.map(({ text, x }) => {
    const w = textWidth(text, size, 400);
    const left = Math.min(Math.max(0, x - w / 2), Math.max(0, width - w));
    const free = rightEdge.findIndex((edge) => left > edge + APART);
    const row = free < 0 ? rightEdge.length : free;
    rightEdge[row] = left + w;
    return { left, right: left + w, row, x };
  });
}

function rowsOf(wanted: readonly WantedLabel[], width: number, size: number): readonly Placed[] {
  for (let rows = 1; rows <= MOST_ROWS; rows += 1) {
    const found = arrange(wanted, width, size, rows);
    if (found) return found;
  }
  return asTheyCome(wanted, width, size);
}

/** How many rows so many names take at this width; the names from left to right. */
export const labelRows = (wanted: readonly WantedLabel[], width: number, size: number): number =>
  1 + Math.max(-1, ...rowsOf(wanted, width, size).map((r) => r.row));

/**
 * Names above a drawing, from left to right, each with a leader to what it names. Never outside the width, never on one another, and, where there
 * is a way, with no leader through another's name.
 */
export function placeLabels(
  wanted: readonly WantedLabel[],
  { width, size, base: first }: LabelLines,
): DrawingItem[] {
  const placed = rowsOf(wanted, width, size);
  const leaders: DrawingItem[] = [];
  const names: DrawingItem[] = [];
  wanted.forEach(({ text, x, y, dimensionId }, i) => {
    const at = placed[i];
    if (at === undefined) throw new Error('every name has its place');
    const base = first - at.row * LABEL_ROW;
    const tie = dimensionId === undefined ? {} : { dimensionId };
    names.push({
      kind: 'text',
      role: 'label',
      ...tie,
      at: { x: (at.left + at.right) / 2, y: base },
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
        { x: at.x, y: base + 4 },
        // Straight down past the lower rows, and only then to its part.
        ...(at.x === x || at.row === 0 ? [] : [{ x: at.x, y: first + 4 }]),
        { x, y: y - 2 },
      ],
      strokeWidth: 0.8,
    });
  });
  // Names last: they stand on the leaders of others and not under them.
  return [...leaders, ...names];
}
