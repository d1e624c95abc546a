import { rectangle, textWidth, type DrawingItem, type Pattern, type Point, type Role } from '@/core/kernel';
import { lookOf } from '../face-drawing';

/** Points of a circle as it is drawn: short enough that no corner shows. */
export const round = (cx: number, cy: number, r: number): Point[] =>
  Array.from({ length: 60 }, (_, i) => ({
    x: cx + r * Math.cos((i * Math.PI) / 30),
    y: cy + r * Math.sin((i * Math.PI) / 30),
  }));

export const shape = (
  role: Role,
  points: readonly Point[],
  more: { readonly pattern?: Pattern; readonly dimensionId?: string; readonly bare?: boolean } = {},
): DrawingItem => ({ kind: 'polygon', role, points, ...more });

export const bar = (
  role: Role,
  x: number,
  y: number,
  w: number,
  h: number,
  dimensionId?: string,
): DrawingItem => shape(role, rectangle(x, y, w, h), dimensionId === undefined ? {} : { dimensionId });

export const line = (
  points: readonly Point[],
  more: { readonly role?: Role; readonly dashed?: boolean; readonly width?: number } = {},
): DrawingItem => ({
  kind: 'polyline',
  role: more.role ?? 'guide',
  points,
  strokeWidth: more.width ?? 0.8,
  ...(more.dashed === true ? { dashed: true } : {}),
});

export const label = (
  text: string,
  x: number,
  y: number,
  size: number,
  anchor: 'start' | 'middle' | 'end' = 'middle',
  role: Role = 'label',
): DrawingItem => ({ kind: 'text', role, at: { x, y: y + size * 0.35 }, text, size, weight: 600, anchor });

/** Letters smaller than this, as a share of the whole drawing's width, are read by nobody on a screen that shows it beside its inputs. */
const LEAST = 1 / 31;

/**
 * What a cable is called in it: its tag where it fits, else its number in the list beside the drawing, null where there is none. Null when not even that
 * fits.
 */
export function nameFor(tag: string, number: number | null, d: number, width: number) {
  const most = width / 24;
  const fitted = Math.min(most, ((d * 0.86) / Math.max(0.1, textWidth(tag, most, 600))) * most);
  // On paper, and in a file, there is no list beside it: the tag stands there, however small.
  if (fitted >= width * LEAST || number === null) return { text: tag, size: fitted };
  const small = Math.min(most, d * 0.62);
  return small >= width * LEAST * 0.8 ? { text: String(number), size: small } : null;
}

/** A cable with the look of its circuit. The name stands on a plate of its own, so that a pattern does not swallow it. */
export function cable(
  tag: string,
  circuit: string,
  circuits: readonly string[],
  at: { readonly x: number; readonly y: number; readonly d: number },
  name: { readonly text: string; readonly size: number } | null,
): DrawingItem[] {
  const items: DrawingItem[] = [
    { kind: 'polygon', ...lookOf(circuits, circuit), points: round(at.x, at.y, at.d / 2), dimensionId: tag },
  ];
  if (name !== null) {
    const w = textWidth(name.text, name.size, 600) + name.size * 0.5;
    const h = name.size * 1.25;
    items.push(
      {
        kind: 'polygon',
        role: 'ground',
        points: rectangle(at.x - w / 2, at.y - h / 2, w, h),
        dimensionId: tag,
        bare: true,
      },
      { ...label(name.text, at.x, at.y, name.size, 'middle', 'dimension'), dimensionId: tag },
    );
  }
  return items;
}

/** Circuits of what goes through, in the order of their names; cables without one under the empty name, last. */
export const circuitsIn = (cables: readonly { readonly circuit?: string | undefined }[]): string[] =>
  [...new Set(cables.map((c) => c.circuit ?? ''))].sort((a, b) =>
    a === '' ? 1 : b === '' ? -1 : a < b ? -1 : 1,
  );
