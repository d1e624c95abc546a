'use client';
import { Progress } from '../kit-of-parts/Progress';
import { useProgress, type ProgressStore } from './progress-store';

/** How far the plan is, drawn by itself. */
export function ProgressBar({ store }: { readonly store: ProgressStore }) {
  const { stage, done, of } = useProgress(store);
  return (
    <>
      <Progress label="Progress" share={done / of} />
      <span role="status">{stage} …</span>
    </>
  );
}
