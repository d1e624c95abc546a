import { NO_HURRY, type TimePassed } from '@/core/kernel';

/** The clock of a computation that was given so many seconds from now; without a limit it is never in a hurry. */
export function timePassed(limitSeconds: number | undefined): TimePassed {
  if (limitSeconds === undefined) return NO_HURRY;
  const from = performance.now();
  return () => (performance.now() - from) / 1000 / limitSeconds;
}
