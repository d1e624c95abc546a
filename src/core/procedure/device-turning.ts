import { turned, type DeviceEndPlan } from '@/core/device';
import { ok, refuse, type Result } from '@/core/kernel';
import type { BenchAct, ConfirmCommand, Step } from '@/core/record';

const STEP = 'turning';
const KEY = 'turned';

/** Turns that the record holds, in their order. What was taken back was turned all the same: it is said with a turn of its own. */
export const turnsOf = (acts: readonly BenchAct[]): number[] =>
  acts.flatMap((a) => {
    const turn = a.stepId === STEP && a.fingerprint !== null ? a.measured?.[KEY] : undefined;
    return turn === undefined ? [] : [turn];
  });

/** May this turn be taken into the record? All of them together stay within the limit, the way that is allowed. */
export function mayTurn(
  { turn }: DeviceEndPlan,
  step: Step,
  { measured = {} }: ConfirmCommand,
  acts: readonly BenchAct[],
): Result<null> {
  if (step.id !== STEP) return ok(null);
  const now = measured[KEY];
  if (now === undefined) return refuse(`measured.${KEY}`, 'say how far it was turned: nought where it stays');
  const all = turned([...turnsOf(acts), now], turn);
  return all.ok ? ok(null) : refuse(`measured.${KEY}`, all.problems[0]?.message ?? 'is too far', now);
}
