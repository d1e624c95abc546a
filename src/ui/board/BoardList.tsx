'use client';
import { useVirtualizer } from '@tanstack/react-virtual';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Link } from '../kit-of-parts/Link';
import { useRef, type ReactNode } from 'react';
import { decodeArcs } from '@/core/procedure';
import { STATION_WORDS } from '@/core/record';
import type { SummaryView } from '@/core/termination-view';
import { Collar } from '../collar/Collar';
import { stationPath } from '../rack/summaries';

const ROW = 56;

interface Props {
  readonly job: string;
  readonly rows: readonly SummaryView[];
}

/** One line for each end, of which only those in sight are drawn. */
export function BoardList({ job, rows }: Props) {
  const scroller = useRef<HTMLDivElement>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- the virtualizer re-renders through its own subscription
  const list = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 8,
    initialRect: { width: 1200, height: 600 },
  });
  return (
    <Box
      ref={scroller}
      role="group"
      tabIndex={0}
      aria-label="Terminations"
      sx={{ flex: 1, minHeight: 0, overflowY: 'auto', borderTop: '2px solid', borderColor: 'divider' }}
    >
      <div style={{ height: list.getTotalSize(), position: 'relative' }}>
        {list.getVirtualItems().map((item) => {
          const row = rows[item.index];
          return row ? <Line key={`${row.cable}/${row.end}`} job={job} row={row} top={item.start} /> : null;
        })}
      </div>
    </Box>
  );
}

interface LineProps {
  readonly job: string;
  readonly row: SummaryView;
  readonly top: number;
}

function Line({ job, row, top }: LineProps) {
  const { next } = row;
  return (
    <Box
      component={Link}
      href={stationPath(job, row.cable, row.end, next?.station ?? 'prove')}
      style={{ transform: `translateY(${top}px)`, height: ROW }}
      sx={LINE}
    >
      <Collar arcs={decodeArcs(row.arcs)} size={40} />
      <Box component="span" sx={{ fontSize: 16, fontWeight: 650 }}>
        {row.cable}/{row.end}
        <Second>{row.type}</Second>
      </Box>
      <Typography noWrap component="span" sx={{ [PHONE]: { display: 'none' } }}>
        {row.title ?? 'no entry'}
        <Second>{[row.enclosure, row.area].filter(Boolean).join(' · ')}</Second>
      </Typography>
      <Box component="span" sx={{ fontWeight: 600, color: 'var(--ac-amber-text)' }}>
        {row.size ?? ''}
      </Box>
      <Typography noWrap component="span">
        {next ? (
          <>
            <b>{STATION_WORDS[next.station]}</b> {next.action}
          </>
        ) : (
          <b>Done</b>
        )}
      </Typography>
      <Box component="span" sx={BLOCKED}>
        {row.blockedBy ?? ''}
      </Box>
    </Box>
  );
}

const Second = ({ children }: { readonly children: ReactNode }) => (
  <Typography component="span" sx={{ display: 'block', fontSize: 12.5, color: 'text.secondary' }}>
    {children}
  </Typography>
);

const NARROW = '@media (max-width: 900px)';
/** What a hand on site needs of a line: which end, which size, what next. */
const PHONE = '@media (max-width: 600px)';

const LINE = {
  position: 'absolute',
  inset: '0 0 auto',
  display: 'grid',
  gridTemplateColumns: '44px 110px minmax(170px, 1fr) 80px minmax(190px, 1fr) minmax(160px, 1.8fr)',
  alignItems: 'center',
  gap: 2,
  px: 0.75,
  color: 'inherit',
  textDecoration: 'none',
  borderBottom: '1px solid',
  borderColor: 'divider',
  '&:hover': { bgcolor: 'background.paper' },
  [NARROW]: { gridTemplateColumns: '44px 92px minmax(0, 1fr) max-content minmax(0, 1.2fr)', gap: 1.25 },
  [PHONE]: { gridTemplateColumns: '44px 78px 62px minmax(0, 1fr)' },
} as const;
const BLOCKED = {
  maxHeight: '2.7em',
  overflow: 'hidden',
  fontSize: 13,
  lineHeight: 1.3,
  color: 'error.main',
  [NARROW]: { display: 'none' },
} as const;
