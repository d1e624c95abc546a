'use client';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Problem, Result } from '@/core/kernel';
import type { Step } from '@/core/procedure';
import { announceChange } from '../rack/summaries';

const RETRY_MS = 3000;

/** What every confirmation says of its step. The id is its own for good: sent twice, it is stored once. */
export const confirmationOf = (step: Step) => ({
  id: crypto.randomUUID(),
  stepId: step.id,
  fingerprint: step.fingerprint,
  at: new Date().toISOString(),
});

/**
 * Sends a confirmation and sends it again, under the same id, until the server has it: it is stored once. Until then the bench stays at the
 * step and says so. `confirm` must stay the same function.
 */
export function useConfirm<E, R>(confirm: (event: E) => Promise<Result<R>>) {
  const router = useRouter();
  const [waiting, setWaiting] = useState<{ readonly event: E } | null>(null);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [reply, setReply] = useState<R | null>(null);
  const [sending, setSending] = useState(false);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);

  const send = useCallback(
    async (event: E) => {
      setSending(true);
      try {
        const result = await confirm(event);
        const away = !result.ok && result.problems.some((p) => p.path === '');
        if (away) throw new Error('away');
        setWaiting(null);
        setProblems(result.ok ? [] : result.problems);
        setReply(result.ok ? result.value : null);
        announceChange();
        router.refresh();
      } catch {
        setWaiting({ event });
      }
      setSending(false);
    },
    [confirm, router],
  );

  useEffect(() => {
    if (!waiting || sending) return undefined;
    timer.current = setTimeout(() => void send(waiting.event), RETRY_MS);
    return () => {
      if (timer.current) clearTimeout(timer.current);
    };
  }, [waiting, sending, send]);

  return { send: (event: E) => void send(event), unsent: waiting !== null, sending, problems, reply };
}
