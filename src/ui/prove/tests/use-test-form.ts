'use client';
import { useCallback, useMemo, useSyncExternalStore } from 'react';
import type { CableType } from '@/core/schedule';
import { emptyForm, keptForm, type TestForm } from './test-form';

const listeners = new Set<() => void>();
const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/**
 * What is typed of the tests of a cable, kept on this device: a page that is loaded anew, and the other end of the cable, go on with it. Not
 * `ready` while the page is still the server's, which knows nothing of this device.
 */
export function useTestForm(job: string, cable: string, type: CableType) {
  const key = `ac_test/${job}/${cable}`;
  const text = useSyncExternalStore<string | null>(
    subscribe,
    () => localStorage.getItem(key) ?? '',
    () => null,
  );
  const form = useMemo(() => keptForm(text ?? '', emptyForm(type)), [text, type]);
  const change = useCallback(
    (next: Partial<TestForm>) => {
      const now = keptForm(localStorage.getItem(key) ?? '', emptyForm(type));
      localStorage.setItem(key, JSON.stringify({ ...now, ...next }));
      for (const listener of listeners) listener();
    },
    [key, type],
  );
  return { form, change, ready: text !== null };
}
