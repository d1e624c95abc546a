import { fail, ok, refuse, type Result } from '@/core/kernel';
import type { LookDecision, Step } from './step';

/** The part of a recorded event that progress hangs on. */
export interface BenchAct {
  readonly stepId: string;
  readonly kind: 'confirm' | 'look' | 'sign' | 'replan' | 'note';
  readonly fingerprint: string | null;
  readonly decision: LookDecision | null;
  readonly actor: string;
}

export interface Progress {
  readonly done: ReadonlySet<string>;
  /** The only step that may be confirmed; null when all are done or there are none. */
  readonly next: Step | null;
  /** How often the look sent the fitter back. */
  readonly loops: number;
  readonly signedBy: string | null;
}

/**
 * Replays the events over today's steps. A confirmation counts while its fingerprint is that of today's step. A look that does not
 * end in “clamped” undoes what it sends back to: closing again after trimming, all from the spreading on otherwise. After a look
 * nothing but the order of steps leads on, so the stage that closes the gland again cannot be passed over.
 */
export function replay(steps: readonly Step[], acts: readonly BenchAct[]): Progress {
  const place = new Map(steps.map((s, i) => [s.id, i]));
  const dependents = dependentsOf(steps);
  const confirmed = new Map<string, string>();
  let loops = 0;
  let signedBy: string | null = null;
  const undoFrom = (from: number, to: number) => {
    for (let i = from; i <= to; i += 1) {
      const step = steps[i];
      if (step) confirmed.delete(step.id);
    }
  };
  for (const act of acts) {
    if (act.fingerprint === null) continue;
    const at = place.get(act.stepId);
    if (at === undefined) continue;
    if (act.kind === 'look' && act.decision !== 'clamped') {
      loops += 1;
      const back = act.decision === 'trim' ? at - 1 : (place.get('spread') ?? at - 1);
      undoFrom(back, at);
      continue;
    }
    confirmed.set(act.stepId, act.fingerprint);
    // What was built on an earlier state of this step was another piece of work, even if the plan comes back to it.
    for (const id of dependents.get(act.stepId) ?? []) confirmed.delete(id);
    if (act.kind === 'sign') signedBy = act.actor;
  }
  const done = new Set<string>();
  let next: Step | null = null;
  for (const step of steps) {
    if (confirmed.get(step.id) === step.fingerprint) done.add(step.id);
    else next ??= step;
  }
  return {
    done,
    next,
    loops,
    signedBy: steps.some((s) => s.kind === 'sign' && done.has(s.id)) ? signedBy : null,
  };
}

/** For each step, all steps that stand on it, directly or through others. */
function dependentsOf(steps: readonly Step[]): Map<string, Set<string>> {
  const all = new Map<string, Set<string>>(steps.map((s) => [s.id, new Set<string>()]));
  for (const step of [...steps].reverse()) {
    for (const below of step.buildsOn) {
      const set = all.get(below);
      set?.add(step.id);
      for (const id of all.get(step.id) ?? []) set?.add(id);
    }
  }
  return all;
}

export interface ConfirmRequest {
  readonly stepId: string;
  readonly fingerprint: string;
  readonly decision: LookDecision | null;
  readonly actor: string;
}

export interface ConfirmContext {
  readonly steps: readonly Step[];
  readonly acts: readonly BenchAct[];
  readonly stale: boolean;
  readonly provisional: readonly string[];
  /** The job asks for a signature by somebody else than the fitter. */
  readonly secondPerson: boolean;
}

/**
 * May this step be confirmed, and if not, why? The button and the server ask the same question. On success returns the step.
 */
export function mayConfirm(context: ConfirmContext, request: ConfirmRequest): Result<Step> {
  const { steps, acts, stale, provisional } = context;
  if (request.actor.trim() === '') return refuse('actor', 'a name is needed: the record says who');
  if (stale)
    return refuse(
      'plan',
      'a measurement or the place has changed since this was planned: review the change first',
    );
  if (provisional.length > 0) {
    return fail(
      provisional.map((reason) => ({
        path: 'plan',
        message: `the plan is provisional: ${reason}. Measure this end first`,
      })),
    );
  }
  const step = steps.find((s) => s.id === request.stepId);
  if (!step) return refuse('stepId', 'is not a step of this procedure', request.stepId);
  const { next } = replay(steps, acts);
  if (next === null) return refuse('stepId', 'every step is already done', request.stepId);
  if (next.id !== step.id) return refuse('stepId', `comes later; first: ${next.title}`, request.stepId);
  if (step.fingerprint !== request.fingerprint)
    return refuse('fingerprint', 'the step has changed since it was shown; look at it again');
  if (step.kind === 'look' && request.decision === null)
    return refuse('decision', 'say what you saw: clamped, trim, or spread again');
  if (step.kind !== 'look' && request.decision !== null)
    return refuse('decision', 'only the look takes a decision', request.decision);
  if (
    step.kind === 'sign' &&
    context.secondPerson &&
    acts.some((a) => a.kind !== 'note' && a.actor.trim() === request.actor.trim())
  ) {
    return refuse('actor', 'this job asks for a signature by another person than the fitter', request.actor);
  }
  return ok(step);
}

/** Steps that were done under the old procedure and must be done again under the new one, in order. */
export function stepsToRedo(
  before: readonly Step[],
  after: readonly Step[],
  acts: readonly BenchAct[],
): Step[] {
  const was = replay(before, acts).done;
  const is = replay(after, acts).done;
  return after.filter((s) => was.has(s.id) && !is.has(s.id));
}
