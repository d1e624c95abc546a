import { found, type TestFinding } from './finding';

/**
 * A resistance with the uncertainty of its instrument against a limit: it holds when all of it lies below, fails when all of it lies above; between the two it is
 * measured again. Less than a path can have comes by another way, and proves nothing of this one.
 */
export function againstLimit(
  of: string,
  ohm: number,
  uncertaintyOhm: number,
  { most, least }: { readonly most: number; readonly least: number },
): TestFinding[] {
  const [from, to] = [Math.max(0, ohm - uncertaintyOhm), ohm + uncertaintyOhm];
  if (to < least) return [found('ask', 'parallel', { of, ohm, least })];
  if (to <= most) return [found('holds', 'within', { of, ohm, most })];
  if (from > most) return [found('fails', 'above', { of, ohm, most })];
  return [found('ask', 'marginal', { of, from, to, most })];
}
