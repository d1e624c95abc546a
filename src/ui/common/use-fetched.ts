'use client';
import { useCallback, useEffect, useState } from 'react';
import { refuse, type Problem, type Result } from '@/core/kernel';
import { onChange } from '../rack/summaries';

export interface Fetched<T> {
  /** Null until it has been read once; stays while it is read anew. */
  readonly view: T | null;
  readonly problems: readonly Problem[];
  readonly reload: () => void;
}

async function read<T>(path: string, signal: AbortSignal): Promise<Result<T>> {
  try {
    const answer = await fetch(path, { signal, cache: 'no-store' });
    return (await answer.json()) as Result<T>;
  } catch {
    return refuse('', 'The server cannot be reached.');
  }
}

/** What the server works out over a whole job, read again after every change. The server stops when the page is left. */
export function useFetched<T>(path: string): Fetched<T> {
  const [loaded, setLoaded] = useState<Omit<Fetched<T>, 'reload'>>({ view: null, problems: [] });
  const [asked, setAsked] = useState(0);
  const reload = useCallback(() => setAsked((n) => n + 1), []);
  useEffect(() => {
    const left = new AbortController();
    void read<T>(path, left.signal).then((result) => {
      if (left.signal.aborted) return;
      setLoaded((was) =>
        result.ok ? { view: result.value, problems: [] } : { view: was.view, problems: result.problems },
      );
    });
    return () => left.abort();
  }, [path, asked]);
  useEffect(() => onChange(reload), [reload]);
  return { ...loaded, reload };
}
