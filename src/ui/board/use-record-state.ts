'use client';
import { useEffect, useState } from 'react';
import { onChange } from '../rack/summaries';

export interface RecordState {
  readonly faults: readonly { readonly subject: string; readonly words: string }[];
  readonly entries: number;
  readonly code: string | null;
}

/** Whether the record of a job holds, audited by the server when the board is opened and after every change; null until it has been. */
export function useRecordState(job: string): RecordState | null {
  const [state, setState] = useState<RecordState | null>(null);
  const [asked, setAsked] = useState(0);
  useEffect(() => onChange(() => setAsked((n) => n + 1)), []);
  useEffect(() => {
    const left = new AbortController();
    fetch(`/api/job/${encodeURIComponent(job)}/record-state`, { signal: left.signal, cache: 'no-store' })
      .then(async (answer) => {
        if (answer.ok) setState((await answer.json()) as RecordState);
      })
      // Unreached: the board itself says that the server is away, and what was found last stays.
      .catch(() => undefined);
    return () => left.abort();
  }, [job, asked]);
  return state;
}
