import { fail, ok, refuse, type Result } from '@/core/kernel';
import type { BenchAct, MixRecord } from './act';
import { compoundClock, mayFill, mayMix, mayOpen } from './compound-clock';
import type { SealPlan } from '@/core/compound-cure';
import { trimNumber } from '@/core/units';
import type { LookDecision, Step } from './step';

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
 * lead on undoes everything from where its branch leads back to. A mix that became waste is mixed again; a recut begins at the first
 * cut. After a look nothing but the order of steps leads on, so the stage that closes the gland again cannot be passed over.
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
    if (act.kind === 'recut') {
      const first = steps.findIndex((s) => s.station === 'cut');
      if (first >= 0) undoFrom(first, steps.length - 1);
      continue;
    }
    if (act.kind === 'waste') {
      const mix = place.get('mix');
      if (mix !== undefined) undoFrom(mix, steps.length - 1);
      continue;
    }
    if (act.fingerprint === null) continue;
    const at = place.get(act.stepId);
    if (at === undefined) continue;
    if (act.kind === 'look') {
      const branch = steps[at]?.branches?.find((b) => b.decision === act.decision);
      if (branch === undefined) continue;
      if (branch.backTo !== null) {
        loops += 1;
        undoFrom(place.get(branch.backTo) ?? at, at);
        continue;
      }
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
  /** ISO 8601, by the bench's clock. */
  readonly at: string;
  /** What was mixed, at a mix step. */
  readonly mix?: MixRecord | null | undefined;
  /** The length that the step asks to be measured, mm; null when it was not. */
  readonly measuredMm?: number | null | undefined;
}

export interface ConfirmContext {
  readonly steps: readonly Step[];
  readonly acts: readonly BenchAct[];
  readonly stale: boolean;
  readonly provisional: readonly string[];
  /** The plan's compound; null where there is none. */
  readonly seal: SealPlan | null;
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
  if (step.kind === 'look' && !step.branches?.some((b) => b.decision === request.decision))
    return refuse(
      'decision',
      `say what you saw: ${(step.branches ?? []).map((b) => b.decision).join(', ')}`,
      request.decision,
    );
  if (step.kind !== 'look' && request.decision !== null)
    return refuse('decision', 'only a look takes a decision', request.decision);
  const asked = askedOf(context, step, request);
  if (!asked.ok) return asked;
  if (
    step.kind === 'sign' &&
    context.secondPerson &&
    acts.some((a) => a.kind !== 'note' && samePerson(a.actor, request.actor))
  ) {
    return refuse('actor', 'this job asks for a signature by another person than the fitter', request.actor);
  }
  return ok(step);
}

/** Names as people write them: case, and how many spaces stand between, make no other person. */
const samePerson = (a: string, b: string): boolean => {
  const plain = (name: string) => name.trim().replace(/\s+/g, ' ').toLocaleLowerCase('en');
  return plain(a) === plain(b);
};

/** What a step asks for besides its turn: a length within its span, a pack in date, a mix within its pot life, a compound that is hard. */
function askedOf(context: ConfirmContext, step: Step, request: ConfirmRequest): Result<null> {
  const { seal, acts } = context;
  const measured = request.measuredMm ?? null;
  if (step.accept && measured !== null && (measured < step.accept.minMm || measured > step.accept.maxMm)) {
    const { label, minMm, maxMm, over, under } = step.accept;
    const off = measured > maxMm ? measured - maxMm : minMm - measured;
    return refuse(
      'measuredMm',
      `${label} ${trimNumber(measured, 2)} mm; ${trimNumber(minMm, 2)}–${trimNumber(maxMm, 2)} mm asked for: ${trimNumber(off, 2)} mm ${measured > maxMm ? (over ?? 'too long, trim it') : (under ?? 'too short, cut back and start again')}`,
      measured,
    );
  }
  if (seal === null) return ok(null);
  const at = Date.parse(request.at);
  if (step.kind === 'mix') {
    const may = mayMix(seal, request.mix ?? null, request.at.slice(0, 10));
    return may.ok ? ok(null) : may;
  }
  if (step.id === 'fill') return mayFill(compoundClock(seal, acts, at), at);
  if (step.kind === 'cure') return mayOpen(compoundClock(seal, acts, at), at);
  return ok(null);
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
