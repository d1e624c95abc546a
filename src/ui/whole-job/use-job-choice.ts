'use client';
import { useCallback, useEffect, useState } from 'react';
import { refuse, type Problem, type Result } from '@/core/kernel';
import type { JobChoiceView } from '@/core/termination-view';
import { onChange } from '../rack/summaries';

interface Loaded {
  /** Null until it has been read once; stays while it is read anew. */
  readonly view: JobChoiceView | null;
  readonly problems: readonly Problem[];
  readonly reload: () => void;
}

async function read(job: string, signal: AbortSignal): Promise<Result<JobChoiceView>> {
  try {
    const answer = await fetch(`/api/job/${encodeURIComponent(job)}/choice`, { signal, cache: 'no-store' });
    return (await answer.json()) as Result<JobChoiceView>;
  } catch {
    return refuse('', 'The server cannot be reached.');
  }
}

/** What may be chosen for every end of a job. The server judges all of them for it, and stops when this page is left. */
export function useJobChoice(job: string): Loaded {
  const [loaded, setLoaded] = useState<Omit<Loaded, 'reload'>>({ view: null, problems: [] });
  const [asked, setAsked] = useState(0);
  const reload = useCallback(() => setAsked((n) => n + 1), []);
  useEffect(() => {
    const left = new AbortController();
    void read(job, left.signal).then((result) => {
      if (left.signal.aborted) return;
      setLoaded((was) =>
        result.ok ? { view: result.value, problems: [] } : { view: was.view, problems: result.problems },
      );
    });
    return () => left.abort();
  }, [job, asked]);
  useEffect(() => onChange(reload), [reload]);
  return { ...loaded, reload };
}
