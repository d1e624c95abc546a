'use client';
import { useVirtualizer } from '@tanstack/react-virtual';
import Link from 'next/link';
import { useEffect, useRef } from 'react';
import { decodeArcs } from '@/core/procedure';
import { STATION_WORDS } from '@/core/record';
import type { SummaryView } from '@/core/termination-view';
import { Collar } from '../collar/Collar';
import { stationPath } from './summaries';
import styles from './Rack.module.css';

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
      <div className={styles.head}>
        <input
          className={styles.filter}
          value={filter}
          onChange={(e) => onFilter(e.target.value)}
          placeholder={all === null ? 'Loading…' : `Filter ${all} terminations  /`}
          aria-label="Filter terminations"
          data-filter="rack"
          type="search"
        />
      </div>
      {failed ? (
        <p className={styles.away}>The list cannot be fetched just now. It is tried again by itself.</p>
      ) : null}
      {all !== null && shown.length === 0 ? (
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
                aria-current={item.index === current ? 'true' : undefined}
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
    </>
  );
}
