'use client';
import { useSyncExternalStore } from 'react';

const listeners = new Set<() => void>();
let timer: ReturnType<typeof setInterval> | null = null;
let now = 0;

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  timer ??= setInterval(() => {
    now = Date.now();
    for (const l of listeners) l();
  }, 1000);
  if (now === 0) now = Date.now();
  return () => {
    listeners.delete(listener);
    if (listeners.size === 0 && timer !== null) {
      clearInterval(timer);
      timer = null;
      now = 0;
    }
  };
}

const read = (): number => (now === 0 ? (now = Date.now()) : now);

/** The time, once a second; null while the page is still the server's. All clocks of a page tick together. */
export const useNow = (): number | null => useSyncExternalStore<number | null>(subscribe, read, () => null);
