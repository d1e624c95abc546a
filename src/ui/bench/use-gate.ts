'use client';
import { useCallback, useSyncExternalStore } from 'react';
import { useNow } from '../common/use-now';

const HEARD = 'amber-collar:gate';

function read(key: string): number {
  try {
    return Number(localStorage.getItem(key) ?? 0);
  } catch {
    return 0;
  }
}

function subscribe(listener: () => void): () => void {
  window.addEventListener(HEARD, listener);
  window.addEventListener('storage', listener);
  return () => {
    window.removeEventListener(HEARD, listener);
    window.removeEventListener('storage', listener);
  };
}

export interface Gate {
  readonly open: boolean;
  /** When it shut by itself, ms; null where it was never open. */
  readonly lapsedMs: number | null;
  readonly pass: (untilMs: number) => void;
}

/**
 * Whether somebody has answered for this device in an area, and it has not lapsed since: asked once for each area and device, whoever works at it, kept over a
 * reload and without a server, and asked again when the permit, the gas test or the shift is over. `key` names the area.
 */
export function useGate(key: string): Gate {
  const until = useSyncExternalStore(
    subscribe,
    () => read(key),
    () => 0,
  );
  const now = useNow();
  const pass = useCallback(
    (untilMs: number) => {
      try {
        localStorage.setItem(key, String(untilMs));
      } catch {
        // A browser that stores nothing asks every time.
      }
      window.dispatchEvent(new Event(HEARD));
    },
    [key],
  );
  const at = now ?? 0;
  return { open: at > 0 && until > at, lapsedMs: until > 0 && until <= at ? until : null, pass };
}
