'use client';
import { useSyncExternalStore } from 'react';

/** Asked once for each area and visit, before any device is used there. */
export function useGate(key: string): readonly [boolean, () => void] {
  const open = useSyncExternalStore(
    (listener) => {
      window.addEventListener('amber-collar:gate', listener);
      return () => window.removeEventListener('amber-collar:gate', listener);
    },
    () => sessionStorage.getItem(key) === 'open',
    () => false,
  );
  const pass = () => {
    sessionStorage.setItem(key, 'open');
    window.dispatchEvent(new Event('amber-collar:gate'));
  };
  return [open, pass];
}
