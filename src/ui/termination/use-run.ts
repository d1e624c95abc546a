'use client';
import { useRouter } from 'next/navigation';
import { useSnackbar } from 'notistack';
import { useCallback, useState } from 'react';
import { refuse, type Problem, type Result } from '@/core/kernel';
import { useShownKey } from '../data/DataProvider';
import { UNANSWERED } from '../data/send';

/**
 * Runs an action of the server: one at a time, with its refusal kept for the place that asked, and the page brought up to date when it
 * was done and `changed` does not deny it.
 */
export function useRun() {
  const router = useRouter();
  const shown = useShownKey();
  const { enqueueSnackbar } = useSnackbar();
  const [busy, setBusy] = useState(false);
  const [problems, setProblems] = useState<readonly Problem[]>([]);

  const run = useCallback(
    async <T>(
      action: () => Promise<Result<T>>,
      said?: string | ((value: T) => string),
      changed: (value: T) => boolean = () => true,
    ): Promise<Result<T>> => {
      setBusy(true);
      let result: Result<T>;
      try {
        result = await action();
      } catch {
        result = refuse('', UNANSWERED);
      }
      setBusy(false);
      setProblems(result.ok ? [] : result.problems);
      if (result.ok && changed(result.value)) {
        const words = typeof said === 'function' ? said(result.value) : said;
        if (words) enqueueSnackbar(words, { variant: 'success' });
        // A page with a view of its own has got it back already.
        if (shown.get() === null) router.refresh();
      }
      return result;
    },
    [enqueueSnackbar, router, shown],
  );

  return { run, busy, problems, clear: () => setProblems([]) };
}
