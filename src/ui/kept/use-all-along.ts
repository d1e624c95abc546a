'use client';
import { useCallback, useEffect, useState } from 'react';
import { allAlong, dropAlong, type Along } from './kept-db';

export interface AllAlong {
  /** Null until the store has been read. */
  readonly all: readonly Along[] | null;
  /** This browser keeps nothing. */
  readonly cannot: boolean;
  readonly read: () => void;
  readonly leave: (keys: readonly string[]) => void;
}

/** Every subject that this device has with it, by job and name. */
export function useAllAlong(): AllAlong {
  const [all, setAll] = useState<readonly Along[] | null>(null);
  const [cannot, setCannot] = useState(false);
  const read = useCallback(() => {
    void allAlong().then(
      (found) => setAll([...found].sort((a, b) => a.key.localeCompare(b.key))),
      () => {
        setAll([]);
        setCannot(true);
      },
    );
  }, []);
  useEffect(read, [read]);
  const leave = useCallback((keys: readonly string[]) => void dropAlong(keys).then(read, read), [read]);
  return { all, cannot, read, leave };
}
