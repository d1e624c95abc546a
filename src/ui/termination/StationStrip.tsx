'use client';
import { Link } from '../kit-of-parts/Link';
import { useEffect, useRef } from 'react';
import { ARC_WORDS } from '@/core/procedure';
import { STATIONS, STATION_WORDS, type ArcStation } from '@/core/record';
import type { TerminationView } from '@/core/termination-view';
import { stationPath } from '../rack/summaries';
import styles from './StationStrip.module.css';

/** The stations in working order, each with its result, so that the whole plan reads in one line. */
export function StationStrip({
  view,
  station,
}: {
  readonly view: TerminationView;
  readonly station: ArcStation;
}) {
  const strip = useRef<HTMLElement>(null);
  useEffect(() => {
    strip.current
      ?.querySelector('[aria-current="page"]')
      ?.scrollIntoView({ block: 'nearest', inline: 'center' });
  }, [station]);
  return (
    <nav className={styles.strip} aria-label="Stations" ref={strip}>
      {STATIONS.map((s, i) => {
        const arc = view.collar.arcs[i];
        const words = arc ? (arc.result === '' ? ARC_WORDS[arc.state] : arc.result) : '';
        return (
          <Link
            key={s}
            href={stationPath(view.job.slug, view.cable, view.end, s)}
            className={styles.station}
            data-station={i + 1}
            data-state={arc?.state}
            aria-current={s === station ? 'page' : undefined}
            aria-keyshortcuts={`Alt+${i + 1}`}
          >
            <span className={styles.name}>{STATION_WORDS[s]}</span>
            <span className={styles.result}>{words}</span>
            <span className={styles.bar} aria-hidden="true">
              <span style={{ width: `${(arc?.share ?? 0) * 100}%` }} />
            </span>
          </Link>
        );
      })}
    </nav>
  );
}
