'use client';
import { drag as d3drag, pointer as d3pointer, select as d3select } from 'd3';
import { memo, useEffect, useMemo, useRef, useState } from 'react';
import { faceDrawing, facePlaces, type FacePlace, type Side } from '@/core/crossing';
import { sameRef, type FramePlan, type FrameRequest, type PlaceRef } from '@/core/frame-packing';
import { DrawingSvg } from '../drawing/DrawingSvg';
import { refWords } from './words';
import styles from './Crossing.module.css';

interface Props {
  readonly request: FrameRequest;
  readonly plan: FramePlan;
  readonly side: Side;
  /** Only this frame, or all of them. */
  readonly only: number | null;
  readonly lit: string | null;
  readonly picked: PlaceRef | null;
  readonly target: { readonly ref: PlaceRef; readonly good: boolean } | null;
  readonly locked: readonly PlaceRef[];
  /** Places that stay with the locked ones. */
  readonly along?: readonly PlaceRef[];
  /** Marked places are locked ones, or those of the row that is being built. */
  readonly marks?: 'locked' | 'row';
  readonly onLight: (tag: string | null) => void;
  readonly onPick: (ref: PlaceRef) => void;
  /** While a cable hangs over a place, and when it is let go there. */
  readonly onOver: (from: PlaceRef, to: PlaceRef | null) => void;
  readonly onDrop: (from: PlaceRef, to: PlaceRef) => void;
}

const MemoDrawing = memo(DrawingSvg);

/** The frames to scale from one side. A cable is dragged to another place, or picked and put with clicks or Enter. */
export function FaceView(props: Props) {
  const {
    request,
    plan,
    side,
    only,
    lit,
    picked,
    target,
    locked,
    along = [],
    marks = 'locked',
    onPick,
  } = props;
  const drawing = useMemo(() => faceDrawing(request, plan, side, only), [request, plan, side, only]);
  const places = useMemo(() => facePlaces(request, plan, side, only), [request, plan, side, only]);
  const svg = useRef<SVGSVGElement>(null);
  const [hanging, setHanging] = useState<{ tag: string; x: number; y: number } | null>(null);
  const latest = useRef({ props, places });
  useEffect(() => {
    latest.current = { props, places };
  });
  useEffect(() => {
    const node = svg.current;
    if (!node) return;
    let from: FacePlace | null = null;
    let moved = false;
    const under = ([x, y]: [number, number]): FacePlace | null =>
      latest.current.places.find((p) => x >= p.x && x < p.x + p.size && y >= p.y && y < p.y + p.size) ?? null;
    const behaviour = d3drag<SVGSVGElement, unknown>()
      .clickDistance(4)
      .container(node)
      .filter((event: MouseEvent | TouchEvent) => {
        // A finger has no button, and its place is in its touch.
        const at = 'touches' in event ? event.touches[0] : event.button === 0 ? event : undefined;
        return at !== undefined && under(d3pointer(at, node))?.place.cable !== undefined;
      })
      .on('start', (event: { x: number; y: number }) => {
        from = under([event.x, event.y]);
        moved = false;
      })
      .on('drag', (event: { x: number; y: number }) => {
        if (!from?.place.cable) return;
        moved = true;
        setHanging({ tag: from.place.cable, x: event.x, y: event.y });
        latest.current.props.onOver(from.ref, under([event.x, event.y])?.ref ?? null);
      })
      .on('end', (event: { x: number; y: number }) => {
        setHanging(null);
        const to = under([event.x, event.y]);
        if (from && moved) {
          latest.current.props.onOver(from.ref, null);
          if (to) latest.current.props.onDrop(from.ref, to.ref);
        }
        from = null;
      });
    d3select(node).call(behaviour);
    return () => {
      d3select(node).on('.drag', null);
    };
  }, []);
  return (
    <div className={styles.face} style={{ aspectRatio: `${drawing.width} / ${drawing.height}` }}>
      <MemoDrawing drawing={drawing} lit={lit} />
      <svg ref={svg} viewBox={`0 0 ${drawing.width} ${drawing.height}`} role="group" aria-label="Places">
        {places.map((p) => {
          const isLocked = locked.some((l) => sameRef(l, p.ref));
          const staysAlong = !isLocked && along.some((l) => sameRef(l, p.ref));
          const over = target !== null && sameRef(target.ref, p.ref);
          const words = `${refWords(p.ref)}, ${p.place.module}, ${p.place.cable ?? 'spare'}${isLocked ? (marks === 'row' ? ', this row' : ', locked') : staysAlong ? ', stays with it' : ''}${p.place.remeasure ? ', measure again' : ''}`;
          return (
            <g
              key={`${p.ref.frame}.${p.ref.opening}.${p.ref.row}.${p.ref.place}`}
              role="button"
              tabIndex={0}
              aria-label={words}
              aria-pressed={picked !== null && sameRef(picked, p.ref)}
              data-place={`${p.ref.frame}.${p.ref.opening}.${p.ref.row}.${p.ref.place}`}
              data-cable={p.place.cable}
              data-over={over ? (target.good ? 'good' : 'bad') : undefined}
              data-row={isLocked && marks === 'row' ? 'yes' : undefined}
              className={styles.place}
              onClick={() => onPick(p.ref)}
              onKeyDown={(e) => {
                if (e.key !== 'Enter' && e.key !== ' ') return;
                e.preventDefault();
                onPick(p.ref);
              }}
              onPointerEnter={() => props.onLight(p.place.cable ?? null)}
              onPointerLeave={() => props.onLight(null)}
            >
              <rect x={p.x} y={p.y} width={p.size} height={p.size} />
              {p.place.remeasure ? (
                <path
                  d={`M${p.x + p.size} ${p.y} l${-p.size * 0.28} 0 l${p.size * 0.28} ${p.size * 0.28} z`}
                  className={styles.again}
                />
              ) : null}
              {(isLocked && marks === 'locked') || staysAlong ? (
                <path
                  d={`M${p.x} ${p.y} l${p.size * 0.34} 0 l${-p.size * 0.34} ${p.size * 0.34} z`}
                  className={isLocked ? styles.locked : styles.along}
                />
              ) : null}
            </g>
          );
        })}
        {hanging ? (
          <text x={hanging.x} y={hanging.y - 6} className={styles.hanging} textAnchor="middle">
            {hanging.tag}
          </text>
        ) : null}
      </svg>
    </div>
  );
}
