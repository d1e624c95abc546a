'use client';
import { sleeveFrame } from '@/core/crossing';
import type { Drawing } from '@/core/kernel';
import { drawnInside, overEdgeMm, smallest } from '@/core/soft-seal';
import { trimNumber } from '@/core/units';
import { Handles, type Handle, type Point } from './Handles';
import type { SealMade } from './use-seal';

type SleeveMade = Extract<SealMade, { readonly of: 'sleeve' }>;

interface Props {
  readonly made: SleeveMade;
  readonly drawing: Drawing;
  readonly busy: boolean;
  readonly lit: string | null;
  readonly onLight: (tag: string | null) => void;
  readonly onMove: (tag: string, to: Point) => void;
}

/** mm that an arrow key moves a cable; with Shift. */
const STEP = 1;
const LARGE_STEP = 5;

/** Over the section of a sleeve: each cable is laid elsewhere. While it hangs somewhere its ring says whether it lies inside. */
export function SleeveHandles({ made, onMove, ...rest }: Props) {
  const shape = smallest(made.request.opening);
  const { x0, y0 } = sleeveFrame(made.request);
  /** From the drawing to the opening, and back. */
  const turned = ({ x, y }: Point): Point => ({ x: x - x0, y: y0 - y });
  const handles = made.plan.circles.flatMap(({ tag, x, y, d }): Handle[] =>
    tag === null
      ? []
      : [
          {
            tag,
            d,
            x: x0 + x,
            y: y0 - y,
            words: `${tag}, ${trimNumber(x, 1)} across and ${trimNumber(y, 1)} up, mm`,
          },
        ],
  );
  /** What hangs a little over the edge is drawn inside: a hand is not that exact. */
  const mayHang = ({ d }: Handle, at: Point) => overEdgeMm(shape, turned(at), d) <= d / 4;
  return (
    <Handles
      {...rest}
      handles={handles}
      mayHang={mayHang}
      onDrop={(c, at) => onMove(c.tag, mayHang(c, at) ? drawnInside(shape, turned(at), c.d) : turned(at))}
      onStep={(c, [right, up], large) => {
        const step = large ? LARGE_STEP : STEP;
        const from = turned(c);
        onMove(c.tag, drawnInside(shape, { x: from.x + right * step, y: from.y + up * step }, c.d));
      }}
    />
  );
}
