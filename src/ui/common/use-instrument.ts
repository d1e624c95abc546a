'use client';
import { useSyncExternalStore } from 'react';

const KEY = 'ac_instrument';
const listeners = new Set<() => void>();

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};
const read = (): string => localStorage.getItem(KEY) ?? '';
const write = (name: string): void => {
  localStorage.setItem(KEY, name);
  for (const listener of listeners) listener();
};

/** With what is measured here: the same in every field that asks for it, and remembered on this device until somebody takes another. */
export function useInstrument(): readonly [string, (name: string) => void] {
  return [useSyncExternalStore(subscribe, read, () => ''), write];
}
