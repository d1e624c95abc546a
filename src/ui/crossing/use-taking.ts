'use client';
import { useCallback, useState } from 'react';
import type { Problem, Result } from '@/core/kernel';
import { useRun } from '../termination/use-run';

/** Something that may send building work back: sent once, and a second time only when that has been shown. */
interface Taking {
  readonly send: (id: string, knowing: boolean) => Promise<Result<unknown>>;
  readonly said: string;
  readonly then: () => void;
}

interface Asked {
  readonly taking: Taking;
  /** What goes, in words. */
  readonly words: string;
}

/** Takes plans into force. Where done work must be done again for it, `asked` says so until it is confirmed or left. */
export function useTaking() {
  const { run, busy, problems } = useRun();
  const [asked, setAsked] = useState<Asked | null>(null);
  const take = useCallback(
    (taking: Taking, knowing = false) => {
      setAsked(null);
      const id = crypto.randomUUID();
      void run(() => taking.send(id, knowing), taking.said).then((r) => {
        if (r.ok) {
          taking.then();
          return;
        }
        const goes = r.problems.find((p) => p.path === 'knowing');
        if (goes) setAsked({ taking, words: goes.message });
      });
    },
    [run],
  );
  return {
    take,
    busy,
    problems: problems.filter((p: Problem) => p.path !== 'knowing'),
    asked,
    confirm: () => asked && take(asked.taking, true),
    leave: () => setAsked(null),
  };
}
