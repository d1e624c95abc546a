'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Problem } from '@/core/kernel';
import type { SubjectRef, WorkCommand, WorkInput, WorkOutcome } from '@/core/record';
import { useSend } from '../data/use-send';

const RETRY_MS = 3000;

/** A command with an id of its own for good: sent twice, it is stored once. */
export const workInput = (command: WorkCommand): WorkInput => ({
  id: crypto.randomUUID(),
  at: new Date().toISOString(),
  command,
});

/**
 * Sends what a hand did at the bench and sends it again, under the same id, until the server has it: it is stored once. Until then the bench
 * stays at the step and says so. `subject` must stay the same.
 */
export function useWork(subject: SubjectRef) {
  const say = useSend();
  const [waiting, setWaiting] = useState<WorkInput | null>(null);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [reply, setReply] = useState<WorkOutcome | null>(null);
  const [sending, setSending] = useState(false);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);

  const send = useCallback(
    async (input: WorkInput) => {
      setSending(true);
      const result = await say('work', subject, input);
      const away = !result.ok && result.problems.some((p) => p.path === '');
      setWaiting(away ? input : null);
      if (!away) {
        setProblems(result.ok ? [] : result.problems);
        setReply(result.ok ? result.value : null);
      }
      setSending(false);
    },
    [say, subject],
  );

  useEffect(() => {
    if (!waiting || sending) return undefined;
    timer.current = setTimeout(() => void send(waiting), RETRY_MS);
    return () => {
      if (timer.current) clearTimeout(timer.current);
    };
  }, [waiting, sending, send]);

  return {
    command: (command: WorkCommand) => void send(workInput(command)),
    unsent: waiting !== null,
    busy: sending || waiting !== null,
    problems,
    /** What was said to the last attempt is over as soon as something else is typed or ticked. */
    clear: () => setProblems([]),
    waste: reply?.waste ?? null,
  };
}
