'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import useMediaQuery from '@mui/material/useMediaQuery';
import dynamic from 'next/dynamic';
import { useParams, useRouter } from 'next/navigation';
import { useDeferredValue, useMemo, useState } from 'react';
import { useShortcuts } from '../shell/shortcuts';
import { RackList } from './RackList';
import { filterSummaries, stationPath, useSummaries } from './summaries';
import { RACK_BESIDE } from '../shell/widths';

/** “All 72 ends”, or “7 of 72 ends” where a filter leaves so many. */
const endsWords = (all: number | null, left: number | null): string =>
  all === null ? 'All ends' : left === null ? `All ${all} ends` : `${left} of ${all} ends`;

const SideDrawer = dynamic(() => import('../kit-of-parts/SideDrawer').then((m) => m.SideDrawer), {
  ssr: false,
});

/** The terminations of the job; `j` and `k` walk through those that the filter leaves, at the same station. */
export function Rack({ job }: { readonly job: string }) {
  const params = useParams<{ cable?: string; end?: string; station?: string }>();
  const router = useRouter();
  const { rows, failed } = useSummaries(job);
  const beside = useMediaQuery(RACK_BESIDE, { defaultMatches: true });
  const [open, setOpen] = useState(false);
  const current = params.cable === undefined ? '' : `${decodeURIComponent(params.cable)}/${params.end ?? ''}`;
  const station = params.station ?? 'measure';
  const [filter, setFilter] = useState('');
  const deferred = useDeferredValue(filter);
  const shown = useMemo(() => filterSummaries(rows ?? [], deferred), [rows, deferred]);
  const at = shown.findIndex((r) => `${r.cable}/${r.end}` === current);
  const go = (step: number) => {
    const row = shown[Math.min(shown.length - 1, Math.max(0, at + step))];
    if (row) router.push(stationPath(job, row.cable, row.end, station));
  };
  useShortcuts({ j: () => go(1), k: () => go(-1) });
  const list = (
    <RackList
      all={rows === null ? null : rows.length}
      shown={shown}
      filter={filter}
      onFilter={setFilter}
      failed={failed}
      job={job}
      current={at}
      station={station}
    />
  );
  if (beside)
    return (
      <Box component="aside" aria-label="Terminations" sx={BESIDE}>
        {list}
      </Box>
    );
  return (
    <Box role="group" aria-label="Terminations" sx={SLIM}>
      <Button size="small" variant="text" onClick={() => go(-1)} disabled={at <= 0}>
        ‹ before
      </Button>
      <Button size="small" variant="outlined" onClick={() => setOpen(true)} aria-haspopup="dialog">
        {endsWords(rows?.length ?? null, filter === '' ? null : shown.length)} ▾
      </Button>
      <Button size="small" variant="text" onClick={() => go(1)} disabled={at >= shown.length - 1}>
        next ›
      </Button>
      {open ? (
        <SideDrawer label="Terminations" width="min(320px, 88vw)" onClose={() => setOpen(false)}>
          {/* Going to another end closes it: each has a list of its own. */}
          <Box
            sx={{ display: 'flex', flexDirection: 'column', height: '100%' }}
            onClickCapture={(e) => e.target instanceof Element && e.target.closest('a') && setOpen(false)}
          >
            {list}
          </Box>
        </SideDrawer>
      ) : null}
    </Box>
  );
}

const NOT_ON_PAPER = { '@media print': { display: 'none' } } as const;
const BESIDE = {
  display: 'flex',
  flexDirection: 'column',
  flex: 'none',
  width: 236,
  minHeight: 0,
  borderRight: '2px solid',
  borderColor: 'divider',
  // Until the script knows how wide the window is.
  [`@media not all and ${RACK_BESIDE}`]: { display: 'none' },
  ...NOT_ON_PAPER,
} as const;
const SLIM = {
  display: 'flex',
  justifyContent: 'space-between',
  p: '6px 14px',
  borderBottom: '2px solid',
  borderColor: 'divider',
  ...NOT_ON_PAPER,
} as const;
