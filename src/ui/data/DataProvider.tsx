'use client';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { createContext, useContext, useState, type ReactNode } from 'react';
import type { LookKey } from './contract';

/** The view that the page is about: every command brings it back with its answer. */
export interface Shown {
  readonly get: () => LookKey | null;
  readonly set: (key: LookKey | null) => void;
  /** The number of a command, in the order in which they are sent. */
  readonly turn: () => number;
  /** Whether a command that was sent after this one has been answered already: its view is the newer one. */
  readonly overtaken: (turn: number) => boolean;
}

export function shownHolder(): Shown {
  let shown: LookKey | null = null;
  let turns = 0;
  let answered = 0;
  return {
    get: () => shown,
    set: (key) => (shown = key),
    turn: () => (turns += 1),
    overtaken: (turn) => {
      const late = turn < answered;
      answered = Math.max(answered, turn);
      return late;
    },
  };
}

const ShownContext = createContext<Shown | null>(null);

export function useShownKey(): Shown {
  const shown = useContext(ShownContext);
  if (shown === null) throw new Error('useShownKey is used outside of DataProvider');
  return shown;
}

const FRESH_MS = 5000;

const newClient = () =>
  new QueryClient({
    defaultOptions: {
      queries: {
        staleTime: FRESH_MS,
        // Refusals are answers; what is unreached is asked again by whoever shows it.
        retry: false,
        // The server may be this very machine, with no network at all.
        networkMode: 'always',
      },
    },
  });

/** Keeps what the pages have looked up. */
export function DataProvider({ children }: { readonly children: ReactNode }) {
  const [client] = useState(newClient);
  const [shown] = useState(shownHolder);
  return (
    <QueryClientProvider client={client}>
      <ShownContext value={shown}>{children}</ShownContext>
    </QueryClientProvider>
  );
}
