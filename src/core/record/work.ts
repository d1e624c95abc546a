import type { BenchAct } from './act';
import { isOfOther } from './halves';
import type { Step } from './step';

/** Work on a subject as its events have left it, over the steps of its plan today. */
export interface Work {
  readonly steps: readonly Step[];
  /** For each step, all steps that stand on it, directly or through others. */
  readonly standing: ReadonlyMap<string, ReadonlySet<string>>;
  /** Step → the fingerprint that it was confirmed with, whether or not that is today's. */
  readonly confirmed: ReadonlyMap<string, string>;
  /** How often a look sent the fitter back. */
  readonly loops: number;
  readonly signer: string | null;
}

export interface Progress {
  readonly done: ReadonlySet<string>;
  /** The only step that may be confirmed; null when all are done or there are none. */
  readonly next: Step | null;
  readonly loops: number;
  readonly signedBy: string | null;
}

/** Work before anything has happened. */
export const begin = (steps: readonly Step[]): Work => ({
  steps,
  standing: standingOn(steps),
  confirmed: new Map(),
  loops: 0,
  signer: null,
});

/**
 * The work after one more event. A look that does not lead on undoes everything from where its branch leads back to. A mix that became
 * waste is mixed again; a recut begins at the first cut; a correction sends back its step and all that stands on it. After a look nothing
 * but the order of steps leads on, so the stage that closes the gland again cannot be passed over.
 */
export function evolve(work: Work, act: BenchAct): Work {
  const { steps } = work;
  const at = steps.findIndex((s) => s.id === act.stepId);
  switch (act.kind) {
    case 'recut':
      return withoutHalf(work, isOfOther(act.stepId));
    case 'waste':
      return withoutFrom(
        work,
        steps.findIndex((s) => s.kind === 'mix'),
      );
    case 'correct':
      return without(work, [act.stepId, ...act.redo, ...(work.standing.get(act.stepId) ?? [])]);
    case 'temperature':
    case 'replan':
    case 'note':
    case 'test':
    case 'leftOut':
      return work;
    case 'look': {
      const branch = steps[at]?.branches?.find((b) => b.decision === act.decision);
      if (branch === undefined) return work;
      if (branch.backTo === null) return confirmedBy(work, act);
      const back = steps.findIndex((s) => s.id === branch.backTo);
      return { ...withoutFrom(work, back < 0 ? at : back, at), loops: work.loops + 1 };
    }
    case 'sign':
      return at < 0 ? work : { ...confirmedBy(work, act), signer: act.actor };
    case 'confirm':
    case 'mix':
      return at < 0 ? work : confirmedBy(work, act);
  }
}

function confirmedBy(work: Work, act: BenchAct): Work {
  if (act.fingerprint === null) return work;
  const confirmed = new Map(work.confirmed).set(act.stepId, act.fingerprint);
  // What was built on an earlier state of this step was another piece of work, even if the plan comes back to it.
  for (const id of work.standing.get(act.stepId) ?? []) confirmed.delete(id);
  return { ...work, confirmed };
}

function without(work: Work, ids: readonly string[]): Work {
  const confirmed = new Map(work.confirmed);
  for (const id of ids) confirmed.delete(id);
  return { ...work, confirmed };
}

const withoutFrom = (work: Work, from: number, to = work.steps.length - 1): Work =>
  from < 0
    ? work
    : without(
        work,
        work.steps.slice(from, to + 1).map((s) => s.id),
      );

/** From the first cut of one half on: its own steps, and those at which both are. Of a record of one end, all that follows. */
function withoutHalf(work: Work, other: boolean): Work {
  const from = work.steps.findIndex((s) => s.station === 'cut' && isOfOther(s.id) === other);
  const after = from < 0 ? [] : work.steps.slice(from);
  return without(
    work,
    after.filter((s) => s.end === undefined || isOfOther(s.id) === other).map((s) => s.id),
  );
}

function standingOn(steps: readonly Step[]): Map<string, Set<string>> {
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

/** A confirmation counts while its fingerprint is that of today's step, by the rule in force or by the one before it. */
const counts = (step: Step, confirmed: string | undefined): boolean =>
  confirmed !== undefined && (confirmed === step.fingerprint || confirmed === step.formerly);

/** How far the work has come. */
export function progressOf({ steps, confirmed, loops, signer }: Work): Progress {
  const done = new Set<string>();
  let next: Step | null = null;
  for (const step of steps) {
    if (counts(step, confirmed.get(step.id))) done.add(step.id);
    else next ??= step;
  }
  const signed = steps.some((s) => s.kind === 'sign' && done.has(s.id));
  return { done, next, loops, signedBy: signed ? signer : null };
}

/** Replays events over today's steps. */
export const replay = (steps: readonly Step[], acts: readonly BenchAct[]): Progress =>
  progressOf(acts.reduce(evolve, begin(steps)));

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

/** Steps done today that a correction of this one would send back, itself among them, in order. */
export function sentBackBy(steps: readonly Step[], acts: readonly BenchAct[], stepId: string): Step[] {
  const work = acts.reduce(evolve, begin(steps));
  const { done } = progressOf(work);
  const standing = work.standing.get(stepId);
  return steps.filter((s) => done.has(s.id) && (s.id === stepId || standing?.has(s.id) === true));
}
