import { ok, refuse, type Result } from '@/core/kernel';
import { CAP_UNKNOWN, capStep, pinsApart, type CapAct, type CapState, type PinsPlan } from '@/core/pin-map';
import type { BenchAct, ConfirmCommand, LookDecision, Step } from '@/core/record';

/** Are the cores where the pin map has them? */
export function mayConfirmPins(pins: PinsPlan, step: Step, { chosen = {} }: ConfirmCommand): Result<null> {
  if (step.id !== 'insert') return ok(null);
  const apart = pinsApart(pins.map, chosen);
  return apart === null
    ? ok(null)
    : refuse('chosen', `${apart}. Put it right, or have the map changed first`);
}

/** What a step at a live cap means for it. Energised again under its cap: the lock is off, and it counts as live. */
function capActs(
  stepId: string,
  decision: LookDecision | null,
  mateStage: string | undefined,
): readonly CapAct[] {
  switch (stepId) {
    case 'capTight':
      return ['tighten'];
    case 'capIsolate':
      return ['isolate'];
    case 'capLock':
      return ['lock'];
    case 'capDead':
      return ['proveDead'];
    case 'capOff':
      return decision === 'energised' ? ['unlock', 'energise'] : ['capOff'];
    default:
      return mateStage !== undefined && stepId === `stage.${mateStage}` ? ['mate'] : [];
  }
}

function after(state: CapState, acts: readonly CapAct[]): Result<CapState> {
  let now: Result<CapState> = ok(state);
  for (const act of acts) if (now.ok) now = capStep(now.value, act);
  return now;
}

/**
 * What the record says of a cap: what was recorded there and stands, one act after another. What was taken back was not done, as far as the record
 * goes; what the rest does not allow changes nothing.
 */
export function capOf(acts: readonly BenchAct[], mateStage: string | undefined): CapState {
  let standing: readonly BenchAct[] = [];
  for (const act of acts) {
    if (act.kind === 'recut') standing = [];
    else if (act.kind === 'correct') {
      const back = [act.stepId, ...act.redo];
      standing = standing.filter((a) => !back.includes(a.stepId));
    } else if (act.fingerprint !== null) standing = [...standing, act];
  }
  let state = CAP_UNKNOWN;
  for (const { stepId, decision } of standing) {
    const next = after(state, capActs(stepId, decision, mateStage));
    if (next.ok) state = next.value;
  }
  return state;
}

/** May this be done at a live cap, by what is recorded of it? */
export function mayConfirmCap(
  step: Step,
  { decision = null }: ConfirmCommand,
  acts: readonly BenchAct[],
  mateStage: string | undefined,
): Result<null> {
  const asked = capActs(step.id, decision, mateStage);
  if (asked.length === 0) return ok(null);
  const may = after(capOf(acts, mateStage), asked);
  return may.ok ? ok(null) : may;
}
