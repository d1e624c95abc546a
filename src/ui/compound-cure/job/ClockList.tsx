'use client';
import Link from 'next/link';
import { compoundClock } from '@/core/procedure';
import type { CompoundEnd } from '@/core/termination-view';
import { useNow } from '../../common/use-now';
import { stationPath } from '../../rack/summaries';
import { countdown, timeOfDay } from '../station/clock-words';
import styles from './CompoundPage.module.css';

const MINUTE = 60_000;

/** What is mixed or curing, each with its own clock. */
export function ClockList({ job, ends }: { readonly job: string; readonly ends: readonly CompoundEnd[] }) {
  const now = useNow();
  return (
    <ul className={styles.clocks}>
      {ends.map((end) => (
        <li key={end.tag}>
          <Link className={styles.link} href={stationPath(job, end.cable, end.end, 'seal')}>
            {end.tag}
          </Link>
          {now === null ? null : <Clock end={end} now={now} />}
        </li>
      ))}
    </ul>
  );
}

function Clock({ end, now }: { readonly end: CompoundEnd; readonly now: number }) {
  const clock = compoundClock(end.seal, end.acts, now);
  if (clock.filledMs === null && clock.mix !== null) {
    const left = clock.mix.endsMs - now;
    return (
      <>
        <span className={styles.count} data-late={left <= 0 ? 'yes' : undefined}>
          {countdown(left)}
        </span>
        <span className={styles.quiet}>
          {left > 0 ? `pot life until ${timeOfDay(clock.mix.endsMs)}` : 'pot life over: waste'}
        </span>
      </>
    );
  }
  if (clock.cure === null) return null;
  const { progress, ready, standing } = clock.cure;
  return (
    <>
      <span className={styles.count}>{Math.floor(progress * 100)} %</span>
      <progress className={styles.bar} value={progress} max={1} aria-label={`Cure of ${end.tag}`} />
      <span className={styles.quiet}>
        {progress >= 1
          ? 'hard: try the test dab'
          : standing
            ? `stands still: ${standing.words}`
            : ready
              ? `hard at about ${timeOfDay(ready.at * MINUTE)}`
              : 'too cold to say when'}
      </span>
    </>
  );
}
