'use client';
import { useRef, useState } from 'react';
import { subjectKey } from '@/core/kept-work';
import type { Problem } from '@/core/kernel';
import type { SummaryView } from '@/core/termination-view';
import { look } from '../data/send';
import { useActor } from '../shell/actor';
import { putAlong } from './kept-db';

interface TakeAlong {
  readonly progress: { readonly done: number; readonly of: number } | null;
  readonly said: string | null;
  readonly problems: readonly Problem[];
  readonly take: (rows: readonly SummaryView[]) => Promise<void>;
  readonly cancel: () => void;
}

/** Fetches ends one after the other and keeps them on this device. What has come when it is cancelled stays. */
export function useTakeAlong(job: string, onTaken: () => void): TakeAlong {
  const me = useActor();
  const [progress, setProgress] = useState<TakeAlong['progress']>(null);
  const [said, setSaid] = useState<string | null>(null);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const stop = useRef<AbortController | null>(null);
  const take = async (rows: readonly SummaryView[]) => {
    if (me === null) return;
    const control = new AbortController();
    stop.current = control;
    setSaid(null);
    setProblems([]);
    let done = 0;
    try {
      for (const { cable, end } of rows) {
        setProgress({ done, of: rows.length });
        const seen = await look(['viewTermination', { job, cable, end }], control.signal);
        if (control.signal.aborted) break;
        if (!seen.ok) {
          setProblems(seen.problems.map((p) => ({ ...p, message: `${cable}/${end}: ${p.message}` })));
          break;
        }
        const subject = { kind: 'termination', job, cable, end } as const;
        await putAlong({
          subject,
          view: seen.value,
          key: subjectKey(subject),
          seenAt: Date.now(),
          person: { id: me.id, name: me.name },
        });
        done += 1;
      }
      setSaid(`${done} of ${rows.length} with this device.`);
    } catch {
      setProblems([{ path: '', message: 'This browser has no room to keep them.' }]);
    }
    setProgress(null);
    onTaken();
  };
  return { progress, said, problems, take, cancel: () => stop.current?.abort() };
}
