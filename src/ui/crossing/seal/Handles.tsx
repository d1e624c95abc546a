'use client';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { Drawing } from '@/core/kernel';
import styles from './Handles.module.css';

export interface Point {
  readonly x: number;
  readonly y: number;
}

/** A cable that is taken by hand: where it stands in the drawing, mm, and what is said of it. */
export interface Handle extends Point {
  readonly tag: string;
  readonly d: number;
  readonly words: string;
}

interface Props {
  readonly drawing: Drawing;
  readonly handles: readonly Handle[];
  readonly busy: boolean;
  readonly lit: string | null;
  readonly onLight: (tag: string | null) => void;
  /** May it hang there? Its ring says so while it does. */
  readonly mayHang: (handle: Handle, at: Point) => boolean;
  readonly onDrop: (handle: Handle, at: Point) => void;
  /** One step to the right and up, or with Shift a large one. */
  readonly onStep: (handle: Handle, way: readonly [right: number, up: number], large: boolean) => void;
}

const ARROWS: Readonly<Record<string, readonly [right: number, up: number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

/** Over a section: each cable is taken by pointer, finger or arrow keys. */
export function Handles({ drawing, handles, busy, lit, onLight, mayHang, onDrop, onStep }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const [held, setHeld] = useState<(Point & { readonly tag: string }) | null>(null);
  const at = ({ clientX, clientY }: PointerEvent) => {
    const box = svg.current?.getBoundingClientRect();
    if (box === undefined) return null;
    const mm = drawing.width / box.width;
    return { x: (clientX - box.left) * mm, y: (clientY - box.top) * mm };
  };
  const down = (c: Handle) => (e: PointerEvent<SVGCircleElement>) => {
    if (busy || e.button !== 0) return;
    e.currentTarget.setPointerCapture(e.pointerId);
    setHeld({ tag: c.tag, x: c.x, y: c.y });
  };
  const go = (e: PointerEvent<SVGCircleElement>) => {
    const to = held === null ? null : at(e);
    if (held !== null && to !== null) setHeld({ tag: held.tag, ...to });
  };
  const drop = (c: Handle) => () => {
    if (held === null) return;
    setHeld(null);
    if (Math.hypot(held.x - c.x, held.y - c.y) >= 0.5) onDrop(c, { x: held.x, y: held.y });
  };
  const key = (c: Handle) => (e: KeyboardEvent) => {
    const way = ARROWS[e.key];
    if (way === undefined || busy) return;
    e.preventDefault();
    onStep(c, way, e.shiftKey);
  };
  return (
    <svg
      ref={svg}
      className={styles.over}
      viewBox={`0 0 ${drawing.width} ${drawing.height}`}
      role="group"
      aria-label="Cables, to be moved"
      aria-busy={busy}
    >
      {handles.map((c) => {
        const hung = held?.tag === c.tag ? held : null;
        const place = hung ?? c;
        return (
          <circle
            key={c.tag}
            className={styles.handle}
            data-tag={c.tag}
            data-hung={hung === null ? undefined : mayHang(c, hung) ? 'inside' : 'outside'}
            data-lit={lit === c.tag ? 'yes' : undefined}
            cx={place.x}
            cy={place.y}
            r={c.d / 2}
            tabIndex={0}
            role="button"
            aria-label={c.words}
            onPointerDown={down(c)}
            onPointerMove={go}
            onPointerUp={drop(c)}
            onPointerCancel={() => setHeld(null)}
            onPointerEnter={() => onLight(c.tag)}
            onPointerLeave={() => onLight(null)}
            onKeyDown={key(c)}
          />
        );
      })}
    </svg>
  );
}
