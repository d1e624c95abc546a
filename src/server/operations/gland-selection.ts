import { randomUUID } from 'node:crypto';
import { ok, refuse, type Result } from '@/core/kernel';
import { lackWords } from '@/core/in-line';
import { choose, judge, reasonWords, type Candidate } from '@/core/gland-selection';
import {
  compareDecisions,
  generateSteps,
  planHash,
  planTermination,
  type DecisionChange,
  type TerminationPlan,
} from '@/core/procedure';
import { stepsToRedo, type Step, type TerminationRef } from '@/core/record';
import {
  insertPlan,
  loadCatalogue,
  type JobRow,
  type StoredCatalogue,
  type StoredFamily,
  type Tx,
} from '@/data';
import { madeBy, type Actor } from '../actor';
import { append } from '../record/append';
import { brokenRecord } from '../record/may-record';
import { operation } from '../transaction';
import { catalogueView, keepsRecord, type Assessment } from './assess';
import { EditLog } from './edits';
import { assessOne, assessRow, refreshSummaries } from './load';
import { subjectOf } from './work';

/**
 * Takes a size for a termination and stores the plan. Misfits cannot be taken, marginals only provisionally, and it says why. Where that undoes
 * work at the bench, or a signature, it is refused at `knowing` with what would go, until it is asked for `knowing` that.
 */
export function takeSize(
  ref: TerminationRef,
  sizeCode: string,
  eventId: string,
  actor: Actor,
  now: Date,
  knowing = false,
): Promise<Result<{ provisional: boolean }>> {
  return operation(async (tx) => {
    const found = await assessOne(tx, ref);
    if (!found.ok) return found;
    const { job, assessment } = found.value;
    const { request } = assessment;
    const broken = replanOnBroken(assessment);
    if (broken) return broken;
    if (request === null)
      return refuse('', assessment.collar.blockedBy ?? 'there is nothing to choose for yet');
    const catalogue = await loadCatalogue(tx, job.families);
    const choice = choose(request.input, catalogueView(catalogue));
    const candidate = choice.candidates.find((c) => c.size.code === sizeCode);
    if (!candidate) return refuse('size', 'is not in the catalogue', sizeCode);
    const refusal = whyNot(candidate);
    if (refusal !== null) return refuse('size', refusal, sizeCode);
    const family = catalogue.families.find((f) => f.family === candidate.family);
    if (!family) throw new Error('the candidate comes from this catalogue');
    const plan = planTermination(request, candidate);
    const undone = whatGoes(assessment, generateSteps(plan, family.family));
    if (undone !== null && !knowing) return refuse('knowing', undone, sizeCode);
    const log = new EditLog(tx);
    await storePlan(tx, { job, log, actor, now }, assessment, { plan, family }, eventId);
    await planKeeperAgain(tx, { job, log, actor, now }, assessment, catalogue);
    await log.save(job, `${plan.size} chosen for ${assessment.tag}`, actor, now);
    await refreshSummaries(tx, job, [assessment.row.id]);
    return ok({ provisional: plan.provisional.length > 0 });
  });
}

/**
 * Locks the size that is taken at a termination, or unlocks it: the whole-job choice leaves locked ones alone. Nothing to lock is refused.
 */
export function lockSize(
  ref: TerminationRef,
  seen: number,
  locked: boolean,
  actor: Actor,
  now: Date,
): Promise<Result<null>> {
  return operation(async (tx) => {
    const found = await assessOne(tx, ref);
    if (!found.ok) return found;
    const { job, assessment } = found.value;
    if (locked && assessment.plan === null)
      return refuse('size', 'no size is taken yet: there is nothing to lock');
    const log = new EditLog(tx);
    await log.write('termination', assessment.row.id, { sizeLocked: locked ? 1 : 0 }, seen);
    await log.save(job, `size of ${assessment.tag} ${locked ? 'locked' : 'unlocked'}`, actor, now);
    return ok(null);
  });
}

/** Why a candidate may not be taken, in one line with its numbers; null when it may. */
export function whyNot(candidate: Candidate): string | null {
  if (candidate.verdict === 'fits' || candidate.verdict === 'marginal') return null;
  // A cable that is not listed is refused by its listing and again by the barrier decision: once is enough.
  const all = candidate.findings
    .filter((f) => f.verdict === candidate.verdict)
    .map((f) => reasonWords(f.case));
  const reasons = all.filter((r) => !all.some((other) => other !== r && r.includes(other)));
  return `${candidate.size.code} cannot be taken: ${reasons.join('; ')}`;
}

/** What of the work at an end a plan with these steps would undo, in words; null when nothing. */
function whatGoes(assessment: Assessment, after: readonly Step[]): string | null {
  const { steps, acts, progress, tag, joint } = assessment;
  if (!keepsRecord(assessment))
    return acts.length === 0
      ? null
      : `${tag} is joined with ${joint?.keeper?.cable.tag ?? ''}/${joint?.keeper?.end ?? ''}, where work has begun${progress?.signedBy ? ` and is signed by ${progress.signedBy}` : ''}: the joint is planned again after this, and what is not as it was is done again`;
  const redo = stepsToRedo(steps, after, acts);
  if (redo.length === 0) return null;
  const signed = progress?.signedBy
    ? `${tag} is signed by ${progress.signedBy}: that signature goes, and `
    : '';
  const [first] = redo;
  return `${signed}${redo.length} ${redo.length === 1 ? 'step that was done has' : 'steps that were done have'} to be done again, from “${first?.title ?? ''}” on`;
}

/** A new plan goes into the record of work that has begun, so not into one that does not hold. */
export const replanOnBroken = ({ events, chainFaults }: Assessment) =>
  events.length === 0 ? null : brokenRecord(chainFaults);

/** The edit that plans are stored by: where, and by whom. */
export interface PlanningEdit {
  readonly job: JobRow;
  readonly log: EditLog;
  readonly actor: Actor;
  readonly now: Date;
}

/** Puts a plan in the place of the one in force. What it changes goes into `log`, which the caller saves; so does the refresh of collars. */
export async function storePlan(
  tx: Tx,
  { job, log, actor, now }: PlanningEdit,
  assessment: Assessment,
  { plan, family }: { readonly plan: TerminationPlan; readonly family: StoredFamily },
  eventId: string = randomUUID(),
): Promise<void> {
  const { row } = assessment;
  if (assessment.plan) await log.write('plan', assessment.plan.id, { supersededAt: now.toISOString() });
  const hash = planHash(plan);
  const id = await insertPlan(tx, {
    terminationId: row.id,
    familyRevisionId: family.id,
    plan,
    planHash: hash,
    ...madeBy(actor),
    madeAt: now,
  });
  log.born('plan', id, 'supersededAt', now);
  // The record of a joint is of its keeper, and says so when the joint itself is planned again.
  if (assessment.events.length === 0 || !keepsRecord(assessment)) return;
  // Once the bench has begun, the record says that the plan under it has changed, and in what.
  const steps = generateSteps(plan, family.family);
  const { changed, unchanged } = compareDecisions(assessment.plan?.plan.decisions ?? [], plan.decisions);
  const redo = stepsToRedo(assessment.steps, steps, assessment.acts).map((s) => s.id);
  await append(
    tx,
    subjectOf(job, assessment),
    assessment.events,
    {
      id: eventId,
      stepId: 'plan',
      kind: 'replan',
      ...madeBy(actor),
      at: now.toISOString(),
      body: { changed, restamped: unchanged.map((d) => d.id), redo },
      planHash: hash,
    },
    now,
  );
}

/** The other half of a joint has a new plan: where nobody has worked at the joint yet, it is planned with it at once. */
async function planKeeperAgain(
  tx: Tx,
  edit: PlanningEdit,
  of: Assessment,
  catalogue: StoredCatalogue,
): Promise<void> {
  if (keepsRecord(of) || !of.joint?.keeper) return;
  const { assessment } = await assessRow(tx, { job: edit.job, row: of.joint.keeper });
  if (assessment.plan === null || assessment.events.length > 0) return;
  const remade = remake(assessment, catalogue.families, catalogueView(catalogue));
  if (remade?.ok === true) await storePlan(tx, edit, assessment, remade.value);
}

export interface ChangeReview {
  readonly size: string;
  /** Set when another revision of the sheet is in force than the one that the plan stands on. */
  readonly sheet: { readonly code: string; readonly from: string; readonly to: string } | null;
  /** Null when the chosen size may be kept; else why not. */
  readonly refusal: string | null;
  readonly restamped: readonly string[];
  readonly changed: readonly DecisionChange[];
  readonly redo: readonly { readonly id: string; readonly title: string }[];
  readonly provisional: readonly string[];
}

/**
 * What making the plan again with today's measurements and the sheet in force would leave, change, and ask to be redone. Null when neither has
 * moved on.
 */
export function reviewChange(
  assessment: Assessment,
  families: readonly StoredFamily[],
  view: ReturnType<typeof catalogueView>,
): ChangeReview | null {
  const remade = remake(assessment, families, view);
  if (remade === null) return null;
  const sheet = sheetMoved(assessment, families);
  if (!remade.ok)
    return {
      size: assessment.plan?.plan.size ?? '',
      sheet,
      refusal: remade.problems.map((p) => p.message).join('; '),
      restamped: [],
      changed: [],
      redo: [],
      provisional: [],
    };
  const { plan, steps } = remade.value;
  const { changed, unchanged } = compareDecisions(assessment.plan?.plan.decisions ?? [], plan.decisions);
  return {
    size: plan.size,
    sheet,
    refusal: null,
    restamped: unchanged.map((d) => d.label),
    changed,
    redo: stepsToRedo(assessment.steps, steps, assessment.acts).map(({ id, title }) => ({ id, title })),
    provisional: plan.provisional,
  };
}

/** The revisions, where the sheet that a plan stands on is not the one in force any more; null where it is, or where none of its family is. */
function sheetMoved({ plan }: Assessment, families: readonly StoredFamily[]): ChangeReview['sheet'] {
  if (plan === null || families.some((f) => f.id === plan.familyRevisionId)) return null;
  const { code, revision } = plan.plan.family;
  const to = families.find((f) => f.family.code === code)?.family.sheet.revision;
  return to === undefined ? null : { code, from: revision, to };
}

/** The plan in force made again in its size by what is in force today; null when there is nothing to make again. */
export function remake(
  assessment: Assessment,
  families: readonly StoredFamily[],
  view: ReturnType<typeof catalogueView>,
): Result<{ plan: TerminationPlan; steps: Step[]; family: StoredFamily }> | null {
  if (!assessment.plan || (!assessment.stale && sheetMoved(assessment, families) === null)) return null;
  const { request } = assessment;
  if (request === null) return refuse('', assessment.collar.blockedBy ?? 'something is missing');
  const old = assessment.plan;
  const family =
    families.find((f) => f.id === old.familyRevisionId) ??
    families.find((f) => f.family.code === old.plan.family.code);
  const size = family?.family.sizes.find((s) => s.code === old.plan.size);
  if (!family || !size) return refuse('size', `${old.plan.size} is no longer in the catalogue`);
  // Made again on a half that does not stand, it would have to be made again at once.
  if (request.joint !== undefined && 'lack' in request.joint && request.joint.lack.code === 'stale')
    return refuse('joint', lackWords(request.joint.lack));
  if (assessment.missing.length > 0) return refuse('', `not measured: ${assessment.missing.join(', ')}`);
  const candidate = judge(request.input, family.family, size, view);
  const refusal = whyNot(candidate);
  if (refusal !== null) return refuse('size', refusal);
  const plan = planTermination(request, candidate);
  return ok({ plan, steps: generateSteps(plan, family.family), family });
}

/** Makes a plan that is stale, or whose sheet has moved on, again in the same size: unchanged decisions are restamped, changed ones recorded with the steps to redo. */
export function replan(ref: TerminationRef, eventId: string, actor: Actor, now: Date): Promise<Result<null>> {
  return operation(async (tx) => {
    const found = await assessOne(tx, ref);
    if (!found.ok) return found;
    const { job, assessment } = found.value;
    const broken = replanOnBroken(assessment);
    if (broken) return broken;
    const catalogue = await loadCatalogue(tx, job.families);
    const remade = remake(assessment, catalogue.families, catalogueView(catalogue));
    if (remade === null)
      return refuse(
        '',
        'the plan stands on what is known and on the sheet in force: there is nothing to make again',
      );
    if (!remade.ok) return remade;
    const { plan, family } = remade.value;
    const log = new EditLog(tx);
    await storePlan(tx, { job, log, actor, now }, assessment, { plan, family }, eventId);
    await planKeeperAgain(tx, { job, log, actor, now }, assessment, catalogue);
    await log.save(job, `plan of ${assessment.tag} made again`, actor, now);
    await refreshSummaries(tx, job, [assessment.row.id]);
    return ok(null);
  });
}
