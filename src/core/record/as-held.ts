import type { ConfirmCommand } from './decide';
import type { MixRecord } from './event-body';
import { mustTick, type LookDecision, type Step } from './step';

/** The confirmation of a fitter who has seen everything, and has measured what must be measured in the middle of its span: for demos and tests. */
export const asHeld = (
  step: Step,
  mix: MixRecord | null = null,
  decision: LookDecision | null = step.branches?.[0]?.decision ?? null,
): ConfirmCommand => ({
  kind: 'confirm',
  stepId: step.id,
  fingerprint: step.fingerprint,
  decision,
  checked: mustTick(step) ? (step.checks ?? []).map((_, i) => i) : [],
  measured: Object.fromEntries(
    (step.accepts ?? [])
      .filter((a) => a.needed !== undefined)
      .map((a) => [a.key, Math.round((a.minMm + a.maxMm) * 50) / 100]),
  ),
  ...(mix === null ? {} : { mix }),
});
