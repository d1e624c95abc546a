'use client';
import { useSyncExternalStore } from 'react';
import { clockNow } from './server-clock';

const listeners = new Set<() => void>();
let timer: ReturnType<typeof setInterval> | null = null;
let now = 0;

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  timer ??= setInterval(() => {
    now = clockNow();
    for (const l of listeners) l();
  }, 1000);
  if (now === 0) now = clockNow();
  return () => {
    listeners.delete(listener);
    if (listeners.size === 0 && timer !== null) {
      clearInterval(timer);
      timer = null;
      now = 0;
    }
  };
}

const read = (): number => (now === 0 ? (now = clockNow()) : now);

/** The time by the server's clock, once a second; null while the page is still the server's. All clocks of a page tick together. */
export const useNow = (): number | null => useSyncExternalStore<number | null>(subscribe, read, () => null);
