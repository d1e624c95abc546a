import type { InUse } from '@/core/instrument';
import type { BenchAct } from './act';
import { lastTests } from './decide';
import type { Step } from './step';
import { replay } from './work';

/**
 * Instruments that what counts today was measured with: of each step that is done its last confirmation, of each core and path the last test from
 * either end, of a cure every temperature since its mix. What was sent back and measured anew is not relied on any more.
 */
export function usesThatCount(
  steps: readonly Step[],
  acts: readonly BenchAct[],
  across: readonly BenchAct[] = [],
): InUse[] {
  const { done } = replay(steps, acts);
  const confirmed = new Map<string, BenchAct>();
  for (const act of acts)
    if (act.fingerprint !== null && done.has(act.stepId)) confirmed.set(act.stepId, act);
  const mixed = acts.findLastIndex((a) => a.kind === 'mix');
  const warmth = acts.slice(mixed + 1).filter((a) => a.kind === 'temperature');
  return [...confirmed.values(), ...warmth, ...lastTests([...acts, ...across])].flatMap(
    ({ instrument, at }) => (instrument === undefined ? [] : [{ code: instrument, at }]),
  );
}
