'use client';
import { useState } from 'react';
import type { Reading } from '@/core/cable-measurement';
import type { Problem, Result } from '@/core/kernel';
import { useRun } from '../termination/use-run';
import { inTurn } from './in-turn';

type Add = (reading: Reading) => Promise<Result<unknown>>;

export interface ReadingQueue {
  /** Typed, and not answered by the server yet. */
  readonly onTheWay: readonly Reading[];
  readonly add: Add;
  /** Of the last one that was answered. */
  readonly problems: readonly Problem[];
  readonly clear: () => void;
}

/** Readings in the order in which they were typed, however slow the way is. */
export function useReadingQueue(send: Add): ReadingQueue {
  const { run, problems, clear } = useRun();
  const [onTheWay, setOnTheWay] = useState<readonly Reading[]>([]);
  const [turn] = useState(inTurn);
  return {
    onTheWay,
    problems,
    clear,
    add: async (reading) => {
      setOnTheWay((all) => [...all, reading]);
      const done = await turn(() => run(() => send(reading)));
      setOnTheWay((all) => all.filter((r) => r !== reading));
      return done;
    },
  };
}
