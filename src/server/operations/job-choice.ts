import { fail, ok, refuse, type Problem, type Result } from '@/core/kernel';
import { RECORD_HALF } from '@/core/in-line';
import { answerWords, judge, notCalledForWords, type Candidate } from '@/core/gland-selection';
import type { JobChoiceRequest, JobOption, JobPick, JobTermination } from '@/core/job-choice';
import { planTermination } from '@/core/procedure';
import { database, loadCatalogue, type JobRow, type Tx } from '@/data';
import type { JobChoiceView } from '@/core/termination-view';
import type { Actor } from '../actor';
import { guarded } from '../guard';
import { operation } from '../transaction';
import { catalogueView, type Assessment } from './assess';
import { storePlan, whyNot } from './gland-selection';
import { EditLog } from './edits';
import { assessJob, assessRow, refreshSummaries, requireJob } from './load';

const whyNotCalledFor = ({ notCalledFor }: Candidate): string | null =>
  notCalledFor === null ? null : notCalledForWords(notCalledFor);

/** All ends of a job without their choices: those of a whole job, with all their reasons, would fill the memory. */
async function allOf(tx: Tx, job: JobRow): Promise<Assessment[]> {
  const all: Assessment[] = [];
  for await (const batch of assessJob(tx, job)) all.push(...batch.map((a) => ({ ...a, choice: null })));
  return all;
}

const optionOf = (candidate: Candidate): JobOption => ({
  part: candidate.size.partNumber,
  adaptor: candidate.entry.adaptor !== null,
  marginMm: candidate.marginMm,
});

/** What an end waits for before anything can be chosen, in words. */
const waitsFor = ({ missing, collar }: Assessment): string =>
  collar.next === null
    ? 'not measured'
    : `${missing.length > 0 && collar.next.station === 'measure' ? 'measure ' : ''}${collar.next.action}`;

/** Why the size of a termination stays what it is, whatever the rest of the job does; null when it is free. */
function keptBy(a: Assessment): string | null {
  if (a.plan === null) return null;
  if (a.events.length > 0) return 'work at the bench has begun';
  return a.row.sizeLocked ? 'locked' : null;
}

/**
 * What the whole-job choice has to choose from: of each termination everything that fits and competes; the taken size alone where it is
 * locked or the bench has begun. Marginal fits count only where they are locked.
 */
export function viewJobChoice(slug: string): Promise<Result<JobChoiceView>> {
  return guarded<JobChoiceView>(async () => {
    const job = await requireJob(database(), slug);
    if (!job.ok) return job;
    const sizes: Record<string, string> = {};
    const before: JobPick[] = [];
    const kept: Record<string, string> = {};
    const open: Record<string, string> = {};
    const offered = (a: Assessment): JobTermination => {
      const options = (a.choice?.candidates ?? []).filter(
        (c) => c.verdict === 'fits' && c.notCalledFor === null,
      );
      for (const c of options) sizes[c.size.partNumber] = c.size.code;
      if (options.length === 0) open[a.tag] = a.choice ? answerWords(a.choice.answer) : waitsFor(a);
      const plan = a.plan?.plan ?? null;
      if (plan) {
        before.push({ tag: a.tag, part: plan.partNumber });
        sizes[plan.partNumber] = plan.size;
      }
      const reason = keptBy(a);
      const base = { tag: a.tag, options: options.map(optionOf) };
      if (plan === null || reason === null) return base;
      kept[a.tag] = reason;
      return {
        ...base,
        locked: { part: plan.partNumber, adaptor: plan.adaptor !== null, marginMm: plan.marginMm },
      };
    };
    const terminations: JobTermination[] = [];
    for await (const batch of assessJob(database(), job.value)) terminations.push(...batch.map(offered));
    const request: JobChoiceRequest = { terminations };
    return ok({ request, before, sizes, kept, open });
  });
}

const keepsJoint = ({ row }: Assessment): boolean => row.place?.entry.inLine === RECORD_HALF;

const asItIs = async (tx: Tx, job: JobRow, { row }: Assessment): Promise<Assessment> =>
  (await assessRow(tx, { job, row })).assessment;

/** The half that keeps the record of a joint is planned after the other one, whose plan it holds. */
const keepersLast = (picks: readonly JobPick[], of: ReadonlyMap<string, Assessment>): readonly JobPick[] => {
  const last = ({ tag }: JobPick) => {
    const a = of.get(tag);
    return a !== undefined && keepsJoint(a);
  };
  return [...picks.filter((p) => !last(p)), ...picks.filter(last)];
};

/**
 * Takes a whole-job choice: every pick that differs from what is planned is judged again here and planned, all in one edit that one undo
 * takes back. Refused as a whole when anything has changed under it: a measurement, a lock, bench work.
 */
export function acceptJobChoice(
  slug: string,
  picks: readonly JobPick[],
  actor: Actor,
  now: Date,
): Promise<Result<{ planned: number }>> {
  return operation(async (tx) => {
    const job = await requireJob(tx, slug);
    if (!job.ok) return job;
    const assessments = new Map((await allOf(tx, job.value)).map((a) => [a.tag, a]));
    const catalogue = await loadCatalogue(tx, job.value.families);
    const view = catalogueView(catalogue);
    const log = new EditLog(tx);
    const problems: Problem[] = [];
    const touched: number[] = [];
    for (const { tag, part } of keepersLast(picks, assessments)) {
      const before = assessments.get(tag);
      if (!before) {
        problems.push({ path: tag, message: 'is not in this job any more' });
        continue;
      }
      // Its mate may have been planned just now.
      const a = keepsJoint(before) ? await asItIs(tx, job.value, before) : before;
      if (a.plan?.plan.partNumber === part && !a.stale) continue;
      const reason = keptBy(a);
      if (reason !== null) {
        if (a.plan?.plan.partNumber !== part)
          problems.push({ path: tag, message: `stays: ${reason}`, value: part });
        continue;
      }
      const family = catalogue.families.find((f) => f.family.sizes.some((s) => s.partNumber === part));
      const size = family?.family.sizes.find((s) => s.partNumber === part);
      if (!family || !size || a.request === null) {
        problems.push({ path: tag, message: 'cannot be planned with this part any more', value: part });
        continue;
      }
      const candidate = judge(a.request.input, family.family, size, view);
      const refusal =
        whyNot(candidate) ??
        (candidate.verdict === 'marginal' ? 'fits only marginally now' : whyNotCalledFor(candidate));
      if (refusal !== null) {
        problems.push({ path: tag, message: refusal, value: part });
        continue;
      }
      await storePlan(tx, { job: job.value, log, actor, now }, a, {
        plan: planTermination(a.request, candidate),
        family,
      });
      touched.push(a.row.id);
    }
    if (problems.length > 0) return fail(problems);
    if (touched.length === 0) return refuse('', 'every termination is planned like this already');
    await log.save(job.value, `whole-job choice: ${touched.length} terminations planned`, actor, now);
    await refreshSummaries(tx, job.value, touched);
    return ok({ planned: touched.length });
  });
}
