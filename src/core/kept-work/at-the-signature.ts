import type { BenchAct, Step } from '@/core/record';

const RUNS = new Set(['mix', 'waste', 'temperature']);

const timeOfDay = (at: string): string => `${at.slice(0, 10)} ${at.slice(11, 16)} UTC`;

/** Does what was done here hang on a clock: a mixing, the filling within its pot life, a cure, a reading that counts for so long? */
function isTimed(act: BenchAct, steps: ReadonlyMap<string, Step>): boolean {
  const confirmed = act.kind === 'confirm' || act.kind === 'look';
  return RUNS.has(act.kind) || (confirmed && steps.get(act.stepId)?.timer !== undefined);
}

/**
 * The steps, with what an inspector must have looked at before signing: a time of a mixing, a filling or a cure that no server has seen
 * stands on the clock of a device alone. Each is a check of its own at the signature, which does not pass before it is ticked.
 */
export function withDeviceTimes(steps: readonly Step[], acts: readonly BenchAct[]): readonly Step[] {
  const byId = new Map(steps.map((s) => [s.id, s]));
  const timed = acts.filter((a) => a.byDevice === true && isTimed(a, byId));
  if (timed.length === 0) return steps;
  const checks = timed.map(
    (a) =>
      `By the clock of a device only: ${byId.get(a.stepId)?.title ?? 'temperature of the work'}, ${timeOfDay(a.at)}`,
  );
  return steps.map((s) => {
    if (s.kind !== 'sign') return s;
    const there = s.checks ?? [];
    return { ...s, checks: [...new Set([...there, ...checks])] };
  });
}
