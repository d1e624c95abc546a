'use client';
import { useState } from 'react';
import type { Reading } from '@/core/cable-measurement';
import type { Problem, Result } from '@/core/kernel';
import type { ReadingView } from '@/core/termination-view';
import { useRun } from '../termination/use-run';
import { inTurn } from './in-turn';

type Add = (reading: Reading) => Promise<Result<{ readonly id: number }>>;

export interface ReadingQueue {
  /** Typed, and not among the readings of the view yet. */
  readonly onTheWay: readonly Reading[];
  readonly add: Add;
  /** Of the last one that was answered. */
  readonly problems: readonly Problem[];
  readonly clear: () => void;
}

interface OnTheWay {
  readonly reading: Reading;
  /** Once the server has kept it. */
  readonly id: number | null;
}

/**
 * Readings in the order in which they were typed, however slow the way is. One that is kept counts as on the way until the view shows it: at
 * no moment is it in neither, or the instrument's next value would be taken for this layer's.
 */
export function useReadingQueue(shown: readonly ReadingView[], send: Add): ReadingQueue {
  const { run, problems, clear } = useRun();
  const [all, setAll] = useState<readonly OnTheWay[]>([]);
  const [turn] = useState(inTurn);
  const isLeft = ({ id }: OnTheWay) => id === null || !shown.some((r) => r.id === id);
  const left = all.filter(isLeft);
  if (left.length < all.length) setAll((now) => now.filter(isLeft));
  return {
    onTheWay: left.map(({ reading }) => reading),
    problems,
    clear,
    add: async (reading) => {
      setAll((now) => [...now, { reading, id: null }]);
      const done = await turn(() => run(() => send(reading)));
      setAll((now) =>
        done.ok
          ? now.map((one) => (one.reading === reading ? { reading, id: done.value.id } : one))
          : now.filter((one) => one.reading !== reading),
      );
      return done;
    },
  };
}
