'use client';
import { useVirtualizer } from '@tanstack/react-virtual';
import Link from 'next/link';
import { useParams, useRouter } from 'next/navigation';
import { useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { decodeArcs } from '@/core/procedure';
import { STATION_WORDS } from '@/core/record';
import type { SummaryView } from '@/core/termination-view';
import { Collar } from '../collar/Collar';
import { useShortcuts } from '../shell/shortcuts';
import { filterSummaries, stationPath, useSummaries } from './summaries';
import styles from './Rack.module.css';

const ROW = 52;

const nextWords = (row: SummaryView): string => {
  if (row.blockedBy) return row.blockedBy;
  return row.next ? STATION_WORDS[row.next.station].toLowerCase() : 'done';
};

/** The box by its title where that is short, else by its tag: the next station must stay readable. */
const boxName = (row: SummaryView): string =>
  row.title !== null && row.title.length <= 16 ? row.title : (row.enclosure ?? 'no entry');

/** The terminations of the job, filterable; `j` and `k` walk through them at the same station. */
export function Rack({ job }: { readonly job: string }) {
  const params = useParams<{ cable?: string; end?: string; station?: string }>();
  const router = useRouter();
  const { rows, failed } = useSummaries(job);
  const [filter, setFilter] = useState('');
  const deferred = useDeferredValue(filter);
  const shown = useMemo(() => filterSummaries(rows ?? [], deferred), [rows, deferred]);
  const current = params.cable === undefined ? '' : `${decodeURIComponent(params.cable)}/${params.end ?? ''}`;
  const station = params.station ?? 'measure';
  const index = shown.findIndex((r) => `${r.cable}/${r.end}` === current);
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
    if (index >= 0) list.scrollToIndex(index, { align: 'auto' });
  }, [index, list]);

  const go = (step: number) => {
    const row = shown[Math.min(shown.length - 1, Math.max(0, index + step))];
    if (row) router.push(stationPath(job, row.cable, row.end, station));
  };
  useShortcuts({ j: () => go(1), k: () => go(-1) });

  return (
    <aside className={styles.rack} aria-label="Terminations">
      <div className={styles.head}>
        <input
          className={styles.filter}
          value={filter}
          onChange={(e) => setFilter(e.target.value)}
          placeholder={rows === null ? 'Loading…' : `Filter ${rows.length} terminations  /`}
          aria-label="Filter terminations"
          data-filter="rack"
          type="search"
        />
      </div>
      {failed ? (
        <p className={styles.away}>The list cannot be fetched just now. It is tried again by itself.</p>
      ) : null}
      {rows !== null && shown.length === 0 ? (
        <p className={styles.empty}>
          {filter === ''
            ? 'No terminations yet: add cables in the schedule.'
            : `Nothing matches “${filter}”.`}
        </p>
      ) : null}
      <div className={styles.list} ref={scroller}>
        <div style={{ height: list.getTotalSize(), position: 'relative' }}>
          {list.getVirtualItems().map((item) => {
            const row = shown[item.index];
            if (!row) return null;
            const tag = `${row.cable}/${row.end}`;
            return (
              <Link
                key={tag}
                href={stationPath(job, row.cable, row.end, station)}
                className={styles.row}
                style={{ transform: `translateY(${item.start}px)`, height: ROW }}
                aria-current={tag === current ? 'true' : undefined}
                prefetch={false}
              >
                <Collar arcs={decodeArcs(row.arcs)} size={34} />
                <span className={styles.text}>
                  <span className={styles.tag}>{tag}</span>
                  <span className={styles.sub} data-blocked={row.blockedBy ? 'yes' : undefined}>
                    {boxName(row)} · {nextWords(row)}
                  </span>
                </span>
              </Link>
            );
          })}
        </div>
      </div>
    </aside>
  );
}
