import { refuse, type Result } from '@/core/kernel';
import { UNANSWERED } from './send';

/** The answer, or that there was none in so many ms: a line that is dead without saying so is no line. What was asked for may still be done. */
export async function inTime<T>(answer: Promise<T>, ms: number, none: () => T): Promise<T> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<T>((done) => {
    timer = setTimeout(() => done(none()), ms);
  });
  try {
    return await Promise.race([answer, late]);
  } finally {
    clearTimeout(timer);
  }
}

export const noAnswer = (): Result<never> => refuse('', UNANSWERED);
