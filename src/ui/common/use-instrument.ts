'use client';
import { useCallback, useSyncExternalStore } from 'react';
import type { TestKind } from '@/core/electrical-test';

/** What is measured with it: nobody takes a torque with a caliper. */
export type MeasuredHere = 'length' | 'torque' | 'temperature' | 'angle' | TestKind;

const keyOf = (what: MeasuredHere): string => (what === 'length' ? 'ac_instrument' : `ac_instrument/${what}`);
const listeners = new Set<() => void>();

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};
const nothing = () => '';

/** With what is measured here: the same in every field that asks for its kind, and remembered on this device until somebody takes another. */
export function useInstrument(what: MeasuredHere): readonly [string, (name: string) => void] {
  const key = keyOf(what);
  const read = useCallback(() => localStorage.getItem(key) ?? '', [key]);
  const write = useCallback(
    (name: string) => {
      localStorage.setItem(key, name);
      for (const listener of listeners) listener();
    },
    [key],
  );
  return [useSyncExternalStore(subscribe, read, nothing), write];
}
