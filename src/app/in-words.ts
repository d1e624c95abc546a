import { inWords } from '@/core/field-words';
import type { Result } from '@/core/kernel';

/** What a page is refused, as its person reads it. Programs have the paths. */
export const resultInWords = <T>(result: Result<T>): Result<T> =>
  result.ok ? result : { ok: false, problems: result.problems.map(inWords) };
