/**
 * A drawing is a plain list of items in drawing units (y grows downwards). It knows nothing of a screen or of paper: the
 * SVG component and the PDF writer render the same list, so a print cannot differ from the screen.
 */
export interface Drawing {
  readonly width: number;
  readonly height: number;
  /** Real millimetres per drawing unit, when the drawing is to one scale. */
  readonly mmPerUnit?: number;
  readonly items: readonly DrawingItem[];
  /** The drawing in words, for those who cannot see it. */
  readonly description: string;
}

/** What a shape stands for; renderers choose colour from it. */
export type Role =
  | 'outerSheath'
  | 'armour'
  | 'innerSheath'
  | 'core0'
  | 'core1'
  | 'core2'
  | 'core3'
  | 'conductor'
  | 'body'
  | 'metal'
  | 'seal'
  | 'compound'
  | 'wall'
  | 'dimension'
  | 'mark'
  | 'guide'
  | 'ground'
  | 'label';

/** A fill pattern, so that layers stay apart in a photocopy. */
export type Pattern = 'solid' | 'wire' | 'braid' | 'tape' | 'rings' | 'plain' | 'dots';

export interface Point {
  readonly x: number;
  readonly y: number;
}

interface ItemBase {
  readonly role: Role;
  /** Ties the item to a number on the screen: hovering one lights the other. */
  readonly dimensionId?: string;
}

export type DrawingItem =
  | (ItemBase & {
      readonly kind: 'polygon';
      readonly points: readonly Point[];
      readonly pattern?: Pattern;
      /** Fill without an outline, for bands whose edge carries no meaning. */
      readonly bare?: boolean;
    })
  | (ItemBase & {
      readonly kind: 'polyline';
      readonly points: readonly Point[];
      readonly strokeWidth?: number;
      readonly dashed?: boolean;
    })
  | (ItemBase & {
      readonly kind: 'text';
      readonly at: Point;
      readonly text: string;
      readonly size: number;
      readonly weight: TextWeight;
      readonly anchor: 'start' | 'middle' | 'end';
    });

export type TextWeight = 400 | 600;

export const rectangle = (x: number, y: number, width: number, height: number): Point[] => [
  { x, y },
  { x: x + width, y },
  { x: x + width, y: y + height },
  { x, y: y + height },
];

/** A horizontal dimension line with end ticks and its label above the middle. */
export function horizontalDimension(
  from: number,
  to: number,
  y: number,
  label: string,
  dimensionId: string,
  size = 12,
): DrawingItem[] {
  const tick = 5;
  return [
    {
      kind: 'polyline',
      role: 'dimension',
      dimensionId,
      points: [
        { x: from, y },
        { x: to, y },
      ],
      strokeWidth: 1.5,
    },
    {
      kind: 'polyline',
      role: 'dimension',
      dimensionId,
      points: [
        { x: from, y: y - tick },
        { x: from, y: y + tick },
      ],
      strokeWidth: 1.5,
    },
    {
      kind: 'polyline',
      role: 'dimension',
      dimensionId,
      points: [
        { x: to, y: y - tick },
        { x: to, y: y + tick },
      ],
      strokeWidth: 1.5,
    },
    {
      kind: 'text',
      role: 'dimension',
      dimensionId,
      at: { x: (from + to) / 2, y: y - 6 },
      text: label,
      size,
      weight: 600,
      anchor: 'middle',
    },
  ];
}
