import type { ConfirmCommand } from './decide';
import type { MixRecord } from './event-body';
import { mustTick, type LookDecision, type Step } from './step';

/** The confirmation of a fitter who has seen everything, and has measured what must be measured as planned, or in the middle of its span: for demos and tests. */
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
  measured: inTheMiddle(step),
  // Where a span is so narrow that even its middle asks for it.
  again: inTheMiddle(step),
  ...(mix === null ? {} : { mix }),
  ...((step.choices ?? []).length === 0 ? {} : { chosen: inTheirOrder(step) }),
});

/** Each thing by the first option that no other has. */
const inTheirOrder = ({ choices = [] }: Step): Readonly<Record<string, string>> => {
  const taken = new Set<string>();
  return Object.fromEntries(
    choices.map((c) => {
      const option = c.options.find((o) => !taken.has(o)) ?? '';
      taken.add(option);
      return [c.key, option];
    }),
  );
};

const inTheMiddle = ({ accepts = [] }: Step): Readonly<Record<string, number>> =>
  Object.fromEntries(
    accepts
      .filter((a) => a.needed !== undefined)
      .map((a) => [a.key, a.planned ?? Math.round((a.min + a.max) * 50) / 100]),
  );
