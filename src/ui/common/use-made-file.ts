'use client';
import { useRef, useState } from 'react';
import type { Problem } from '@/core/kernel';
import { giveFile } from './save-file';
import { readPack } from './made-file-stream';

interface Wanted {
  readonly address: string;
  readonly body: unknown;
  readonly of: number;
  readonly name: string;
  readonly type: string;
  readonly said: string;
}

/** A file that the server makes part by part: how far it is, cancelled, and what went wrong. */
export function useMadeFile() {
  const [progress, setProgress] = useState<{ readonly done: number; readonly of: number } | null>(null);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [said, setSaid] = useState('');
  const running = useRef<AbortController | null>(null);

  const fetchIt = async (wanted: Wanted, signal: AbortSignal): Promise<void> => {
    const { address, body, name, type } = wanted;
    const answer = await fetch(address, { method: 'POST', body: JSON.stringify(body), signal });
    if (!answer.ok || !answer.body) {
      const told = (await answer.json().catch(() => null)) as { problems?: Problem[] } | null;
      setProblems(told?.problems ?? [{ path: '', message: `The server answered ${answer.status}.` }]);
      return;
    }
    const made = await readPack(answer.body, (done, of) => setProgress({ done, of }));
    if (!made.ok) {
      setProblems(made.problems);
      return;
    }
    giveFile(new Blob([made.value], { type }), name);
    setSaid(wanted.said);
  };
  const make = async (wanted: Wanted) => {
    const control = new AbortController();
    running.current = control;
    setProblems([]);
    setSaid('');
    setProgress({ done: 0, of: wanted.of });
    try {
      await fetchIt(wanted, control.signal);
    } catch (error) {
      if (control.signal.aborted) setSaid('Cancelled: nothing was printed.');
      else setProblems([{ path: '', message: `The server cannot be reached: ${(error as Error).message}` }]);
    }
    running.current = null;
    setProgress(null);
  };
  return { progress, problems, said, setProblems, make, cancel: () => running.current?.abort() };
}
