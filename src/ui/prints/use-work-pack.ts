'use client';
import { useRef, useState } from 'react';
import type { Problem } from '@/core/kernel';
import { giveFile, saveFile } from '../common/save-file';
import { readPack } from './pack-stream';

interface Selection {
  readonly tags: readonly string[];
  readonly paper: string;
}

/** Cards and labels of a selection as files: how far they are, cancelled, and what went wrong. */
export function useWorkPack(job: string) {
  const [progress, setProgress] = useState<{ readonly done: number; readonly of: number } | null>(null);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [said, setSaid] = useState('');
  const running = useRef<AbortController | null>(null);
  const base = `/api/job/${encodeURIComponent(job)}`;

  const fetchPack = async ({ tags, paper }: Selection, signal: AbortSignal): Promise<void> => {
    const answer = await fetch(`${base}/pack`, {
      method: 'POST',
      body: JSON.stringify({ tags, paper }),
      signal,
    });
    if (!answer.ok || !answer.body) {
      const body = (await answer.json().catch(() => null)) as { problems?: Problem[] } | null;
      setProblems(body?.problems ?? [{ path: '', message: `The server answered ${answer.status}.` }]);
      return;
    }
    const pack = await readPack(answer.body, (done, of) => setProgress({ done, of }));
    if (!pack.ok) {
      setProblems(pack.problems);
      return;
    }
    giveFile(new Blob([pack.value], { type: 'application/pdf' }), `work-pack-${job}.pdf`);
    setSaid(`${tags.length} cards are in work-pack-${job}.pdf.`);
  };
  const print = async (selection: Selection) => {
    const control = new AbortController();
    running.current = control;
    setProblems([]);
    setSaid('');
    setProgress({ done: 0, of: selection.tags.length });
    try {
      await fetchPack(selection, control.signal);
    } catch (error) {
      if (control.signal.aborted) setSaid('Cancelled: nothing was printed.');
      else setProblems([{ path: '', message: `The server cannot be reached: ${(error as Error).message}` }]);
    }
    running.current = null;
    setProgress(null);
  };
  const labels = async (selection: Selection) => {
    const body = JSON.stringify({ ...selection, origin: window.location.origin });
    setProblems(await saveFile(`${base}/labels`, body));
  };
  return { progress, problems, said, print, labels, cancel: () => running.current?.abort() };
}
