'use client';
import { useRouter } from 'next/navigation';
import { useSnackbar } from 'notistack';
import { useCallback, useState } from 'react';
import { fail, refuse, type Problem, type Result } from '@/core/kernel';
import { announceChange } from '../rack/summaries';
import { useActor } from '../shell/actor';

const UNREACHED =
  'The server cannot be reached. Nothing was saved, nothing is lost here: try again in a moment.';

/**
 * Runs an action of the server: one at a time, with its refusal kept for the place that asked, and the page brought up to date when it
 * was done and `changed` does not deny it. A missing name puts the cursor where it is typed.
 */
export function useRun() {
  const router = useRouter();
  const { ask, name } = useActor();
  const { enqueueSnackbar } = useSnackbar();
  const [busy, setBusy] = useState(false);
  const [problems, setProblems] = useState<readonly Problem[]>([]);

  const run = useCallback(
    async <T>(
      action: () => Promise<Result<T>>,
      said?: string,
      changed: (value: T) => boolean = () => true,
    ): Promise<Result<T>> => {
      if (name.trim() === '') {
        ask();
        const missing = refuse('actor', 'Type your name first, top right: the record says who.');
        setProblems(missing.problems);
        return missing;
      }
      setBusy(true);
      let result: Result<T>;
      try {
        result = await action();
      } catch {
        result = fail([{ path: '', message: UNREACHED }]);
      }
      setBusy(false);
      setProblems(result.ok ? [] : result.problems);
      if (result.ok && changed(result.value)) {
        if (said) enqueueSnackbar(said, { variant: 'success' });
        announceChange();
        router.refresh();
      }
      return result;
    },
    [ask, enqueueSnackbar, name, router],
  );

  return { run, busy, problems, clear: () => setProblems([]) };
}
