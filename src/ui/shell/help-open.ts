import { useSyncExternalStore } from 'react';

const listeners = new Set<() => void>();
let open = false;

/** Opens or closes the help for the place where one is, from wherever it is asked for. */
export function setHelp(to: boolean): void {
  open = to;
  for (const listener of listeners) listener();
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

export const useHelpOpen = (): boolean =>
  useSyncExternalStore(
    subscribe,
    () => open,
    () => false,
  );
