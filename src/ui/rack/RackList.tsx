'use client';
import { useVirtualizer } from '@tanstack/react-virtual';
import Box from '@mui/material/Box';
import ListItemButton from '@mui/material/ListItemButton';
import { TextField } from '../kit-of-parts/TextField';
import Typography from '@mui/material/Typography';
import { Link } from '../kit-of-parts/Link';
import { useEffect, useRef } from 'react';
import { decodeArcs } from '@/core/procedure';
import { STATION_WORDS } from '@/core/record';
import type { SummaryView } from '@/core/termination-view';
import { Coming } from '../kit-of-parts/Coming';
import { Collar } from '../collar/Collar';
import { stationPath } from './summaries';

interface Props {
  /** How many there are without a filter; null until they are known. */
  readonly all: number | null;
  readonly shown: readonly SummaryView[];
  readonly filter: string;
  readonly onFilter: (filter: string) => void;
  readonly failed: boolean;
  readonly job: string;
  /** Which of those shown is the page's, −1 when none; and the station that others are gone to at. */
  readonly current: number;
  readonly station: string;
}

const ROW = 52;

const nextWords = (row: SummaryView): string => {
  if (row.blockedBy) return row.blockedBy;
  return row.next ? STATION_WORDS[row.next.station].toLowerCase() : 'done';
};

/** The box by its title where that is short, else by its tag: the next station must stay readable. */
const boxName = (row: SummaryView): string =>
  row.title !== null && row.title.length <= 16 ? row.title : (row.enclosure ?? 'no entry');

/** The terminations of a job to be filtered and gone to, each with its collar and what is next. */
export function RackList({ all, shown, filter, onFilter, failed, job, current, station }: Props) {
  const scroller = useRef<HTMLDivElement>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- the virtualizer re-renders through its own subscription
  const list = useVirtualizer({
    count: shown.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 8,
    initialRect: { width: 236, height: 700 },
  });

  useEffect(() => {
    if (current >= 0) list.scrollToIndex(current, { align: 'auto' });
  }, [current, list]);

  return (
    <>
      <Box sx={{ p: 1.25 }}>
        <TextField
          fullWidth
          type="search"
          value={filter}
          onChange={(e) => onFilter(e.target.value)}
          placeholder={all === null ? 'Filter  /' : `Filter ${all} terminations  /`}
          slotProps={{ htmlInput: { 'aria-label': 'Filter terminations', 'data-filter': 'rack' } }}
        />
      </Box>
      {failed ? (
        <Typography sx={{ m: '8px 14px', color: 'error.main' }}>
          The list cannot be fetched just now. It is tried again by itself.
        </Typography>
      ) : null}
      {all === null && !failed ? (
        <Box sx={{ px: 1.5 }}>
          <Coming what="the terminations" lines={11} height={ROW} />
        </Box>
      ) : null}
      {all !== null && shown.length === 0 ? (
        <Typography sx={{ m: '8px 14px', color: 'text.secondary' }}>
          {filter === ''
            ? 'No terminations yet: add cables in the schedule.'
            : `Nothing matches “${filter}”.`}
        </Typography>
      ) : null}
      <Box ref={scroller} sx={{ flex: 1, minHeight: 0, overflowY: 'auto' }}>
        <div style={{ height: list.getTotalSize(), position: 'relative' }}>
          {list.getVirtualItems().map((item) => {
            const row = shown[item.index];
            if (!row) return null;
            const tag = `${row.cable}/${row.end}`;
            return (
              <ListItemButton
                key={tag}
                component={Link}
                href={stationPath(job, row.cable, row.end, station)}
                selected={item.index === current}
                aria-current={item.index === current ? 'true' : undefined}
                style={{ transform: `translateY(${item.start}px)`, height: ROW }}
                sx={LINE}
              >
                <Collar arcs={decodeArcs(row.arcs)} size={34} />
                <Box component="span" sx={{ minWidth: 0, lineHeight: 1.3 }}>
                  <Box component="span" sx={{ display: 'block', fontWeight: 600 }}>
                    {tag}
                  </Box>
                  <Typography
                    noWrap
                    component="span"
                    sx={{
                      display: 'block',
                      fontSize: 12.5,
                      lineHeight: 1.3,
                      color: row.blockedBy ? 'error.main' : 'text.secondary',
                    }}
                  >
                    {boxName(row)} · {nextWords(row)}
                  </Typography>
                </Box>
              </ListItemButton>
            );
          })}
        </div>
      </Box>
    </>
  );
}

const LINE = { position: 'absolute', inset: '0 0 auto', gap: 1.5, p: '0 10px 0 12px' } as const;
