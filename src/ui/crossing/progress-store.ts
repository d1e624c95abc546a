import { useSyncExternalStore } from 'react';

export interface Progress {
  readonly stage: string;
  readonly done: number;
  readonly of: number;
  /** It is there, and only being drawn: too late to cancel. */
  readonly found?: boolean;
}

export interface ProgressStore {
  readonly set: (next: Progress) => void;
  readonly get: () => Progress;
  readonly subscribe: (listener: () => void) => () => void;
}

const BEGIN: Progress = { stage: 'loading the solver', done: 0, of: 4 };

/** What a running plan reports, beside the page's own state: only the bar is drawn anew when it moves, not a page of places. */
export function progressStore(): ProgressStore {
  let now = BEGIN;
  const listeners = new Set<() => void>();
  return {
    get: () => now,
    set: (next) => {
      now = next;
      listeners.forEach((listener) => listener());
    },
    subscribe: (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
  };
}

export const useProgress = (store: ProgressStore): Progress =>
  useSyncExternalStore(store.subscribe, store.get, () => BEGIN);

export const restart = (store: ProgressStore): void => store.set(BEGIN);
