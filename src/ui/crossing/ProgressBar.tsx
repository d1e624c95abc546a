'use client';
import { useProgress, type ProgressStore } from './progress-store';
import styles from './Crossing.module.css';

/** How far the plan is, drawn by itself. */
export function ProgressBar({ store }: { readonly store: ProgressStore }) {
  const { stage, done, of } = useProgress(store);
  return (
    <>
      <progress className={styles.progress} max={of} value={done} aria-label="Progress" />
      <span role="status">{stage} …</span>
    </>
  );
}
