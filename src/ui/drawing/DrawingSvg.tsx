import { useId } from 'react';
import type { Drawing, DrawingItem, Pattern, Role } from '@/core/kernel';
import Box from '@mui/material/Box';

const FILL: Readonly<Record<Role, string>> = {
  outerSheath: 'var(--ac-sheath)',
  armour: 'var(--ac-armour)',
  innerSheath: 'var(--ac-inner)',
  core0: 'var(--ac-core0)',
  core1: 'var(--ac-core1)',
  core2: 'var(--ac-core2)',
  core3: 'var(--ac-core3)',
  conductor: 'var(--ac-conductor)',
  body: 'var(--ac-body)',
  metal: 'var(--ac-metal)',
  seal: 'var(--ac-seal)',
  compound: 'var(--ac-compound)',
  wall: 'var(--ac-wall)',
  dimension: 'var(--ac-ink)',
  mark: 'var(--ac-amber)',
  guide: 'var(--ac-quiet)',
  ground: 'var(--ac-surface)',
  label: 'var(--ac-ink)',
};

const join = (points: readonly { x: number; y: number }[]) =>
  points.map((p) => `${p.x.toFixed(2)},${p.y.toFixed(2)}`).join(' ');

interface Props {
  readonly drawing: Drawing;
  /** Dimension that is pointed at, here or in a table beside. */
  readonly lit?: string | null;
  readonly onLight?: (dimensionId: string | null) => void;
  /** Only this part of it, in the units of the drawing. */
  readonly part?: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
}

/** Renders a display list of the core. The same list goes to paper, so nothing is decided here but colour. */
export function DrawingSvg({ drawing, lit = null, onLight, part }: Props) {
  const id = useId();
  const seen = part ?? { x: 0, y: 0, width: drawing.width, height: drawing.height };
  return (
    <Box
      component="svg"
      sx={{ display: 'block', width: '100%', height: 'auto' }}
      viewBox={`${seen.x} ${seen.y} ${seen.width} ${seen.height}`}
      role="img"
      aria-label={drawing.description}
    >
      <defs>
        <pattern
          id={`${id}wire`}
          width="7"
          height="7"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(-28)"
        >
          <line x1="0" y1="0" x2="0" y2="7" stroke="var(--ac-armour-line)" strokeWidth="2" />
        </pattern>
        <pattern id={`${id}braid`} width="8" height="8" patternUnits="userSpaceOnUse">
          <path d="M0 8 L8 0 M0 0 L8 8" stroke="var(--ac-armour-line)" strokeWidth="1.2" />
        </pattern>
        <pattern
          id={`${id}tape`}
          width="14"
          height="14"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(-20)"
        >
          <line x1="0" y1="0" x2="0" y2="14" stroke="var(--ac-armour-line)" strokeWidth="1.4" />
        </pattern>
        <pattern id={`${id}rings`} width="6" height="6" patternUnits="userSpaceOnUse">
          <line x1="0" y1="0" x2="0" y2="6" stroke="var(--ac-armour-line)" strokeWidth="2.4" />
        </pattern>
        <pattern id={`${id}dots`} width="6" height="6" patternUnits="userSpaceOnUse">
          <circle cx="2" cy="2" r="1" fill="var(--ac-armour-line)" />
        </pattern>
      </defs>
      {drawing.items.map((item, i) => (
        <Item
          key={i}
          item={item}
          patternId={id}
          lit={lit !== null && item.dimensionId !== undefined && matches(item.dimensionId, lit)}
          onLight={onLight}
        />
      ))}
    </Box>
  );
}

/** `mark.armour` and the layer `armour` belong together: pointing at one lights the other. */
const matches = (a: string, b: string): boolean =>
  a === b || a === b.replace('mark.', '') || a.replace('mark.', '') === b;

interface ItemProps {
  readonly item: DrawingItem;
  readonly patternId: string;
  readonly lit: boolean;
  readonly onLight: Props['onLight'];
}

function Item({ item, patternId, lit, onLight }: ItemProps) {
  const { dimensionId } = item;
  const hover =
    onLight && dimensionId !== undefined
      ? { onPointerEnter: () => onLight(dimensionId), onPointerLeave: () => onLight(null) }
      : {};
  switch (item.kind) {
    case 'polygon':
      return (
        <g {...hover}>
          <Polygon item={item} patternId={patternId} lit={lit} />
        </g>
      );
    case 'polyline':
      return (
        <polyline
          {...hover}
          points={join(item.points)}
          fill="none"
          stroke={lit ? LIT : FILL[item.role]}
          strokeWidth={(item.strokeWidth ?? 1) * (lit ? 1.8 : 1)}
          strokeDasharray={item.dashed ? '4 3' : undefined}
        />
      );
    case 'text':
      return (
        <text
          {...hover}
          x={item.at.x}
          y={item.at.y}
          fontSize={item.size}
          fontWeight={item.weight}
          textAnchor={item.anchor}
          paintOrder="stroke"
          strokeLinejoin="round"
          {...(item.role === 'label' ? HALO : {})}
          fill={lit ? 'var(--ac-amber-text)' : item.role === 'label' ? 'var(--ac-quiet)' : FILL[item.role]}
        >
          {item.text}
        </text>
      );
  }
}

const LIT = 'var(--ac-amber)';
/** What a label lies over must not run through its letters. */
const HALO = { stroke: 'var(--ac-surface)', strokeWidth: 4 } as const;

interface PolygonProps extends Pick<ItemProps, 'patternId' | 'lit'> {
  readonly item: Extract<DrawingItem, { kind: 'polygon' }>;
}

function Polygon({ item, patternId, lit }: PolygonProps) {
  const overlay = patternFill(item.pattern, patternId);
  return (
    <>
      <polygon
        points={join(item.points)}
        fill={FILL[item.role]}
        stroke={item.bare ? 'none' : lit ? LIT : 'var(--ac-ink)'}
        strokeWidth={lit ? 2.5 : 0.8}
      />
      {overlay ? <polygon points={join(item.points)} fill={overlay} /> : null}
    </>
  );
}

const patternFill = (pattern: Pattern | undefined, id: string): string | null =>
  pattern === undefined || pattern === 'plain' || pattern === 'solid' ? null : `url(#${id}${pattern})`;
