import Box from '@mui/material/Box';
import { majorDiameterMm } from '@/core/catalogue';
import type { BoxView } from '@/core/termination-view';
import { layPlate } from './plate-layout';

type Entry = BoxView['entries'][number];

/** Nominal outside of tapered threads by size, mm (ASME B1.20.1); a drawing needs no more. */
const NPT_MM: Readonly<Record<string, number>> = {
  '1/2': 21,
  '3/4': 27,
  '1': 33,
  '1 1/4': 42,
  '1 1/2': 48,
  '2': 60,
};

const diameterOf = ({ entry }: Entry): number =>
  entry.holeMm ??
  (entry.thread === null ? 20 : (majorDiameterMm(entry.thread) ?? NPT_MM[entry.thread.size] ?? 73));

interface Props {
  readonly box: BoxView;
  readonly width?: number;
}

/** The holes of a box at one scale: filled where a cable goes in, open where none does. In rows, not where they were drilled. */
export function Plate({ box: { box, entries }, width = 420 }: Props) {
  const plate = layPlate(
    entries.map((e) => ({ label: e.entry.label, diameterMm: diameterOf(e) })),
    width,
  );
  const holders = new Map(entries.map((e) => [e.entry.label, e]));
  const taken = entries.filter((e) => e.holder !== null).length;
  if (entries.length === 0) return <Box sx={{ color: 'text.secondary' }}>no entry yet</Box>;
  return (
    <svg
      role="img"
      aria-label={`${box.tag}: ${entries.length} entries, ${taken} taken`}
      viewBox={`0 0 ${plate.width} ${plate.height}`}
      width={plate.width}
      height={plate.height}
      style={{ maxWidth: '100%', height: 'auto' }}
    >
      <rect
        x={1}
        y={1}
        width={plate.width - 2}
        height={plate.height - 2}
        rx={3}
        fill="var(--mui-palette-background-paper)"
        stroke="var(--mui-palette-text-primary)"
        strokeWidth={2}
      />
      {plate.holes.map(({ label, x, y, r }) => {
        const entry = holders.get(label);
        const held = (entry?.holder ?? null) !== null;
        return (
          <g key={label}>
            <title>{`${label}, ${entry?.hole ?? ''}: ${entry?.holder ?? 'free'}`}</title>
            <circle
              cx={x}
              cy={y}
              r={r - 1}
              fill={held ? 'var(--ac-amber)' : 'none'}
              stroke="var(--mui-palette-text-primary)"
              strokeWidth={2}
              strokeDasharray={entry?.entry.kind === 'clearance' ? '4 3' : undefined}
            />
            <text
              x={x}
              y={y + 4}
              textAnchor="middle"
              fontSize={Math.max(7, Math.min(12, r * 0.75))}
              fontWeight={650}
              fill={held ? 'var(--ac-on-amber)' : 'var(--mui-palette-text-primary)'}
            >
              {label}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
