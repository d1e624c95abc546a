'use client';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { sleeveFrame } from '@/core/crossing';
import type { Drawing } from '@/core/kernel';
import { drawnInside, overEdgeMm, smallest, type SleeveCircle } from '@/core/soft-seal';
import { trimNumber } from '@/core/units';
import type { SealMade } from './use-seal';
import styles from './SleeveHandles.module.css';

type SleeveMade = Extract<SealMade, { readonly of: 'sleeve' }>;

interface Props {
  readonly made: SleeveMade;
  readonly drawing: Drawing;
  readonly busy: boolean;
  readonly lit: string | null;
  readonly onLight: (tag: string | null) => void;
  readonly onMove: (tag: string, to: { readonly x: number; readonly y: number }) => void;
}

interface Held {
  readonly tag: string;
  readonly x: number;
  readonly y: number;
}

/** mm that an arrow key moves a cable; with Shift. */
const STEP = 1;
const LARGE_STEP = 5;

const ARROWS: Readonly<Record<string, readonly [x: number, y: number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

/** Over the section of a sleeve: each cable is taken by hand or by arrow keys. While it hangs somewhere its ring says whether it lies inside. */
export function SleeveHandles({ made, drawing, busy, lit, onLight, onMove }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const [held, setHeld] = useState<Held | null>(null);
  const shape = smallest(made.request.opening);
  const { x0, y0 } = sleeveFrame(made.request);
  const at = ({ clientX, clientY }: PointerEvent) => {
    const box = svg.current?.getBoundingClientRect();
    if (box === undefined) return null;
    const mm = drawing.width / box.width;
    return { x: (clientX - box.left) * mm - x0, y: y0 - (clientY - box.top) * mm };
  };
  const down = (c: SleeveCircle, tag: string) => (e: PointerEvent<SVGCircleElement>) => {
    if (busy || e.button !== 0) return;
    e.currentTarget.setPointerCapture(e.pointerId);
    setHeld({ tag, x: c.x, y: c.y });
  };
  const go = (e: PointerEvent<SVGCircleElement>) => {
    const to = held === null ? null : at(e);
    if (held !== null && to !== null) setHeld({ tag: held.tag, ...to });
  };
  const drop = (c: SleeveCircle) => () => {
    if (held === null) return;
    setHeld(null);
    if (Math.hypot(held.x - c.x, held.y - c.y) < 0.5) return;
    onMove(held.tag, reached(c, held));
  };
  /** What hangs a little over the edge is drawn inside: a hand is not that exact. */
  const reached = ({ d }: SleeveCircle, to: Held) =>
    overEdgeMm(shape, to, d) <= d / 4 ? drawnInside(shape, to, d) : { x: to.x, y: to.y };
  const key = (c: SleeveCircle, tag: string) => (e: KeyboardEvent) => {
    const way = ARROWS[e.key];
    if (way === undefined || busy) return;
    e.preventDefault();
    const step = e.shiftKey ? LARGE_STEP : STEP;
    onMove(tag, drawnInside(shape, { x: c.x + way[0] * step, y: c.y + way[1] * step }, c.d));
  };
  return (
    <svg
      ref={svg}
      className={styles.over}
      viewBox={`0 0 ${drawing.width} ${drawing.height}`}
      role="group"
      aria-label="Cables, to be moved"
    >
      {made.plan.circles.map((c, i) => {
        const { tag } = c;
        if (tag === null) return null;
        const hung = held?.tag === tag ? held : null;
        const place = hung ?? c;
        const inside = hung === null || overEdgeMm(shape, hung, c.d) <= c.d / 4;
        return (
          <circle
            key={i}
            className={styles.handle}
            data-tag={tag}
            data-hung={hung === null ? undefined : inside ? 'inside' : 'outside'}
            data-lit={lit === tag ? 'yes' : undefined}
            cx={x0 + place.x}
            cy={y0 - place.y}
            r={c.d / 2}
            tabIndex={0}
            role="button"
            aria-label={`${tag}, ${trimNumber(c.x, 1)} across and ${trimNumber(c.y, 1)} up, mm`}
            onPointerDown={down(c, tag)}
            onPointerMove={go}
            onPointerUp={drop(c)}
            onPointerCancel={() => setHeld(null)}
            onPointerEnter={() => onLight(tag)}
            onPointerLeave={() => onLight(null)}
            onKeyDown={key(c, tag)}
          />
        );
      })}
    </svg>
  );
}
