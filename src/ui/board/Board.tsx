'use client';
import { useVirtualizer } from '@tanstack/react-virtual';
import Link from 'next/link';
import { useDeferredValue, useMemo, useRef, useState } from 'react';
import { ARC_STATES, ARC_WORDS, decodeArcs, type Arc } from '@/core/procedure';
import { STATIONS, STATION_WORDS, type ArcStation } from '@/core/record';
import type { MovedOnCount, SummaryView } from '@/core/termination-view';
import { RecordFaults } from '../common/RecordFaults';
import { Collar } from '../collar/Collar';
import { useLook } from '../data/use-look';
import { filterSummaries, stationPath, useSummaries } from '../rack/summaries';
import styles from './Board.module.css';

const ROW = 56;
type Lane = 'all' | 'blocked' | 'done' | ArcStation;

const laneOf = (row: SummaryView): Lane =>
  row.blockedBy !== null ? 'blocked' : row.next === null ? 'done' : row.next.station;

/** “3 plans stand on a sheet that has moved on, 74 are stale.” */
function movedWords({ stale, superseded }: MovedOnCount): string {
  const plans = (n: number) => `${n} ${n === 1 ? 'plan' : 'plans'}`;
  const parts = [
    ...(superseded > 0
      ? [`${plans(superseded)} ${superseded === 1 ? 'stands' : 'stand'} on a sheet that has moved on`]
      : []),
    ...(stale > 0 ? [`${plans(stale)} ${stale === 1 ? 'is' : 'are'} stale`] : []),
  ];
  return `${parts.join(', ')}.`;
}

/** What is next for each termination, and what is blocked and by what. */
export function Board({ job, moved }: { readonly job: string; readonly moved: MovedOnCount | null }) {
  const { rows, failed } = useSummaries(job);
  const { view: record } = useLook(['viewJobRecord', job], { onReturn: false });
  const [filter, setFilter] = useState('');
  const [lane, setLane] = useState<Lane>('all');
  const deferred = useDeferredValue(filter);
  const all = useMemo(() => rows ?? [], [rows]);
  const counts = useMemo(() => {
    const map = new Map<Lane, number>([['all', all.length]]);
    for (const row of all) map.set(laneOf(row), (map.get(laneOf(row)) ?? 0) + 1);
    return map;
  }, [all]);
  const shown = useMemo(
    () => filterSummaries(lane === 'all' ? all : all.filter((r) => laneOf(r) === lane), deferred),
    [all, lane, deferred],
  );
  const scroller = useRef<HTMLDivElement>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- the virtualizer re-renders through its own subscription
  const list = useVirtualizer({
    count: shown.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 8,
    initialRect: { width: 1200, height: 600 },
  });
  const lanes: readonly Lane[] = ['all', 'blocked', ...STATIONS, 'done'];
  return (
    <main className={styles.board}>
      {record && record.faults.length > 0 ? (
        <div className={styles.broken}>
          <RecordFaults faults={record.faults.map((f) => `${f.subject}: ${f.words}`)} />
        </div>
      ) : null}
      {moved && moved.stale + moved.superseded > 0 ? (
        <p className={styles.moved}>
          {movedWords(moved)}{' '}
          <Link href={`/job/${encodeURIComponent(job)}/changes`}>See what making them again would do</Link>
        </p>
      ) : null}
      <div className={styles.top}>
        <h1 className={styles.headline}>{headline(counts, rows !== null)}</h1>
        <input
          className={styles.filter}
          type="search"
          data-filter="board"
          value={filter}
          onChange={(e) => setFilter(e.target.value)}
          placeholder="Filter by tag, box, area, type  /"
          aria-label="Filter the board"
        />
      </div>
      <div className={styles.lanes} role="radiogroup" aria-label="Show">
        {lanes.map((l) => (
          <button
            key={l}
            type="button"
            role="radio"
            aria-checked={lane === l}
            className={styles.lane}
            onClick={() => setLane(l)}
            data-lane={l}
          >
            {LANE_WORDS[l]} <b>{counts.get(l) ?? 0}</b>
          </button>
        ))}
      </div>
      {failed ? (
        <p className={styles.away}>The board cannot be fetched just now. It is tried again by itself.</p>
      ) : null}
      {rows === null && !failed ? <p className={styles.empty}>Loading…</p> : null}
      {rows !== null && shown.length === 0 ? (
        <p className={styles.empty}>
          {all.length === 0 ? (
            <>
              No terminations yet.{' '}
              <Link href={`/job/${encodeURIComponent(job)}/schedule`}>Add cables or import a schedule.</Link>
            </>
          ) : (
            'Nothing here under this filter.'
          )}
        </p>
      ) : null}
      <div className={styles.scroll} ref={scroller} tabIndex={0} aria-label="Terminations">
        <div style={{ height: list.getTotalSize(), position: 'relative' }}>
          {list.getVirtualItems().map((item) => {
            const row = shown[item.index];
            if (!row) return null;
            return (
              <Link
                key={`${row.cable}/${row.end}`}
                href={stationPath(job, row.cable, row.end, row.next?.station ?? 'prove')}
                className={styles.row}
                style={{ transform: `translateY(${item.start}px)`, height: ROW }}
                prefetch={false}
              >
                <Collar arcs={decodeArcs(row.arcs)} size={40} />
                <span className={styles.tag}>
                  {row.cable}/{row.end}
                  <span className={styles.quiet}>{row.type}</span>
                </span>
                <span className={styles.box}>
                  {row.title ?? 'no entry'}
                  <span className={styles.quiet}>
                    {[row.enclosure, row.area].filter(Boolean).join(' · ')}
                  </span>
                </span>
                <span className={styles.size}>{row.size ?? ''}</span>
                <span className={styles.next}>
                  {row.next ? (
                    <>
                      <b>{STATION_WORDS[row.next.station]}</b> <span>{row.next.action}</span>
                    </>
                  ) : (
                    <b>Done</b>
                  )}
                </span>
                <span className={styles.blocked}>{row.blockedBy ?? ''}</span>
              </Link>
            );
          })}
        </div>
      </div>
      <Legend />
    </main>
  );
}

const LANE_WORDS: Readonly<Record<Lane, string>> = {
  all: 'All',
  blocked: 'Blocked',
  done: 'Done',
  ...STATION_WORDS,
};

function headline(counts: ReadonlyMap<Lane, number>, loaded: boolean): string {
  if (!loaded) return 'Board';
  const total = counts.get('all') ?? 0;
  const done = counts.get('done') ?? 0;
  const blocked = counts.get('blocked') ?? 0;
  if (total === 0) return 'Nothing on the board yet.';
  return `${done} of ${total} done${blocked > 0 ? `, ${blocked} blocked` : ''}.`;
}

/** Each state with its own shape, so that the ring can be learnt without colour. */
function Legend() {
  return (
    <div className={styles.legend} aria-label="What the arcs mean">
      {ARC_STATES.map((state) => {
        const arcs: Arc[] = STATIONS.map((station) => ({
          station,
          state,
          share: state === 'done' ? 1 : state === 'hold' ? 0.5 : 0,
          result: '',
        }));
        return (
          <span key={state} className={styles.key}>
            <Collar arcs={arcs} size={22} label={false} /> {ARC_WORDS[state]}
          </span>
        );
      })}
    </div>
  );
}
