'use client';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Problem } from '@/core/kernel';
import type { LookDecision, Step } from '@/core/procedure';
import { announceChange } from '../rack/summaries';
import type { ConfirmMore, ConfirmSend, TerminationActions, TerminationRef } from '../termination/actions';

const RETRY_MS = 3000;

/**
 * Sends a confirmation and sends it again, under the same id, until the server has it: it is stored once. Until then the bench stays at the
 * step and says so.
 */
export function useConfirm(reference: TerminationRef, confirm: TerminationActions['confirmStep']) {
  const router = useRouter();
  const [unsent, setUnsent] = useState<ConfirmSend | null>(null);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [waste, setWaste] = useState<string | null>(null);
  const [sending, setSending] = useState(false);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);

  const send = useCallback(
    async (event: ConfirmSend) => {
      setSending(true);
      try {
        const result = await confirm(reference, event);
        const away = !result.ok && result.problems.some((p) => p.path === '');
        if (away) throw new Error('away');
        setUnsent(null);
        setProblems(result.ok ? [] : result.problems);
        setWaste(result.ok ? result.value.waste : null);
        announceChange();
        router.refresh();
      } catch {
        setUnsent(event);
      }
      setSending(false);
    },
    [confirm, reference, router],
  );

  useEffect(() => {
    if (!unsent || sending) return undefined;
    timer.current = setTimeout(() => void send(unsent), RETRY_MS);
    return () => {
      if (timer.current) clearTimeout(timer.current);
    };
  }, [unsent, sending, send]);

  const confirmStep = (step: Step, decision: LookDecision | null, more: ConfirmMore = {}) =>
    void send({
      id: crypto.randomUUID(),
      stepId: step.id,
      fingerprint: step.fingerprint,
      decision,
      at: new Date().toISOString(),
      ...more,
    });

  return { confirmStep, unsent: unsent !== null, sending, problems, waste };
}
