'use client';
import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import type { Problem } from '@/core/kernel';
import type { LookKey, LookName, Looks } from './contract';
import { useShownKey } from './DataProvider';
import { look } from './send';

/** An answer that is a refusal, or no answer. */
class NotSeen extends Error {
  constructor(readonly problems: readonly Problem[]) {
    super(problems[0]?.message ?? 'refused');
  }
}

const AGAIN_MS = 3000;

export interface Looked<T> {
  /** Null until it has been seen once; stays while it is looked up anew. */
  readonly view: T | null;
  readonly problems: readonly Problem[];
  readonly reload: () => void;
}

interface LookOptions {
  /** Asks again every few seconds while there is no answer. */
  readonly insist?: boolean;
  /** Looks again when somebody comes back to the window; true when left out. Not for what goes over a whole job. */
  readonly onReturn?: boolean;
}

/** What the server says to a question now: asked anew after every change, and when somebody comes back to the window. */
export function useLook<N extends LookName>(
  key: LookKey<N>,
  options: LookOptions = {},
): Looked<Looks[N]['value']> {
  const { data, error, refetch } = useQuery<Looks[N]['value'], NotSeen>({
    queryKey: key,
    queryFn: async ({ signal }) => {
      const seen = await look<N>(key, signal);
      if (!seen.ok) throw new NotSeen(seen.problems);
      return seen.value;
    },
    refetchOnWindowFocus: options.onReturn ?? true,
    refetchInterval: ({ state }) => (options.insist === true && state.error !== null ? AGAIN_MS : false),
  });
  return { view: data ?? null, problems: error?.problems ?? [], reload: () => void refetch() };
}

/** The view that a page is about, which came with the page: every command of the page brings it back with its answer. */
export function useShown<N extends 'viewTermination' | 'viewCrossing'>(key: LookKey<N>): Looks[N]['value'] {
  const { set } = useShownKey();
  const text = JSON.stringify(key);
  useEffect(() => {
    set(JSON.parse(text) as LookKey);
    return () => set(null);
  }, [set, text]);
  // What hands are typing into does not change under them by itself; versions say when somebody else was faster.
  const { view } = useLook(key, { onReturn: false });
  if (view === null) throw new Error(`${key[0]} did not come with the page`);
  return view;
}
