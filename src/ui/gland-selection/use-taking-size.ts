'use client';
import { useState } from 'react';
import type { TerminationView } from '@/core/termination-view';
import { useSend } from '../data/use-send';
import { useRun } from '../termination/use-run';

/** Takes and locks sizes of one end; one whose taking would undo work is asked about first. */
export function useTakingSize(view: TerminationView) {
  const taken = view.plan?.plan.size ?? null;
  const ref = { job: view.job.slug, cable: view.cable, end: view.end };
  // A size whose taking would undo work, with what would go.
  const [asked, setAsked] = useState<{ readonly code: string; readonly words: string } | null>(null);
  const send = useSend();
  const { run, busy, problems } = useRun();
  const take = (code: string, knowing = false) => {
    const candidate = view.choice?.candidates.find((c) => c.code === code);
    if (!candidate || busy || candidate.refusal !== null) return;
    setAsked(null);
    void run(() => send('takeSize', ref, code, knowing), `${code} taken for ${view.tag}.`).then((r) => {
      const goes = r.ok ? undefined : r.problems.find((p) => p.path === 'knowing');
      if (goes) setAsked({ code, words: goes.message });
    });
  };
  const lock = () =>
    void run(
      () => send('lockSize', ref, view.versions[view.end], !view.sizeLocked),
      view.sizeLocked ? 'Unlocked.' : `Locked: the whole-job choice leaves ${taken ?? 'it'} alone.`,
    );
  return { taken, asked, busy, problems, take, lock, leave: () => setAsked(null) };
}

export type TakingSize = ReturnType<typeof useTakingSize>;
