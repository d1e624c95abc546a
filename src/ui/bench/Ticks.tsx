'use client';
import styles from './Bench.module.css';

/** What has to be seen, each ticked by itself: a whole line is the target, so that a glove hits it. */
export function Ticks({
  checks,
  ticked,
  onTick,
}: {
  readonly checks: readonly string[];
  readonly ticked: ReadonlySet<number>;
  readonly onTick: (index: number) => void;
}) {
  return (
    <ul className={styles.ticks}>
      {checks.map((check, i) => (
        <li key={check}>
          <button
            type="button"
            role="checkbox"
            aria-checked={ticked.has(i)}
            className={styles.tick}
            onClick={() => onTick(i)}
          >
            <svg viewBox="0 0 24 24" aria-hidden="true">
              <rect x="2" y="2" width="20" height="20" rx="2" />
              {ticked.has(i) ? <path d="M6 12.5l4 4 8-9" /> : null}
            </svg>
            {check}
          </button>
        </li>
      ))}
    </ul>
  );
}
