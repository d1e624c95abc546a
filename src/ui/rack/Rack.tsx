'use client';
import Button from '@mui/material/Button';
import Drawer from '@mui/material/Drawer';
import useMediaQuery from '@mui/material/useMediaQuery';
import { useParams, useRouter } from 'next/navigation';
import { useDeferredValue, useMemo, useState } from 'react';
import { useShortcuts } from '../shell/shortcuts';
import { RackList } from './RackList';
import { filterSummaries, stationPath, useSummaries } from './summaries';
import styles from './Rack.module.css';

/** “All 72 ends”, or “7 of 72 ends” where a filter leaves so many. */
const endsWords = (all: number | null, left: number | null): string =>
  all === null ? 'All ends' : left === null ? `All ${all} ends` : `${left} of ${all} ends`;

/** Below this there is no room for the list beside the page: it comes out of the side. */
const BESIDE = '(min-width: 1100px)';

/** The terminations of the job; `j` and `k` walk through those that the filter leaves, at the same station. */
export function Rack({ job }: { readonly job: string }) {
  const params = useParams<{ cable?: string; end?: string; station?: string }>();
  const router = useRouter();
  const { rows, failed } = useSummaries(job);
  const beside = useMediaQuery(BESIDE, { defaultMatches: true });
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
      <aside className={styles.rack} aria-label="Terminations">
        {list}
      </aside>
    );
  return (
    <div className={styles.slim} role="group" aria-label="Terminations">
      <Button size="small" variant="text" onClick={() => go(-1)} disabled={at <= 0}>
        ‹ before
      </Button>
      <Button size="small" variant="outlined" onClick={() => setOpen(true)} aria-haspopup="dialog">
        {endsWords(rows?.length ?? null, filter === '' ? null : shown.length)} ▾
      </Button>
      <Button size="small" variant="text" onClick={() => go(1)} disabled={at >= shown.length - 1}>
        next ›
      </Button>
      <Drawer
        open={open}
        onClose={() => setOpen(false)}
        slotProps={{ paper: { 'aria-label': 'Terminations', className: styles.drawer } }}
      >
        {/* Going to another end closes it: each has a list of its own. */}
        <div
          className={styles.inDrawer}
          onClickCapture={(e) => e.target instanceof Element && e.target.closest('a') && setOpen(false)}
        >
          {list}
        </div>
      </Drawer>
    </div>
  );
}
