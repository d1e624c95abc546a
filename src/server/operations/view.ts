import { createHash } from 'node:crypto';
import { ok, type Result } from '@/core/kernel';
import {
  answerWords,
  choose,
  findingView,
  nearestView,
  notCalledForWords,
  provisionalWords,
  questionsOf,
  questionView,
  trailView,
  wayOf,
  wayWords,
  type Candidate,
  type Choice,
  type CatalogueView,
  type QuestionView,
} from '@/core/gland-selection';
import { slideOnList } from '@/core/make-off';
import { partsOf, planTermination } from '@/core/procedure';
import { eventView, formerNames, type TerminationRef } from '@/core/record';
import { terminationTag } from '@/core/schedule';
import { lookAlikes, type LookAlike } from '@/core/tightening';
import type {
  CandidateView,
  ChoiceView,
  EndName,
  JobView,
  JointView,
  SummaryView,
  TerminationAgain,
  TerminationView,
} from '@/core/termination-view';
import {
  database,
  endVersions,
  findPerson,
  jobsOfPerson,
  listJobs,
  loadSummaries,
  type JobRow,
  type StoredCatalogue,
  type TerminationRow,
} from '@/data';
import type { Actor } from '../actor';
import { guarded } from '../guard';
import { rulesOf } from './measuring';
import { catalogueView, keepsRecord, type Assessment } from './assess';
import { reviewChange, whyNot } from './gland-selection';
import { takeSeen } from './just-seen';
import { assessOne, requireJob } from './load';

export const jobView = (job: JobRow): JobView => ({
  slug: job.slug,
  name: job.name,
  unit: job.unit,
  place: job.place,
  families: job.families,
  archived: job.archivedAt !== null,
  version: job.version,
  secondPerson: job.secondPerson,
  profileTitle: job.profile.title,
  rules: rulesOf(job),
});

/** The jobs that somebody is anything in; all of them for an administrator of the whole application. */
export const viewJobs = ({ id }: Actor): Promise<Result<JobView[]>> =>
  guarded(async () => {
    if (id === null) return ok([]);
    const tx = database();
    const [jobs, mine, person] = await Promise.all([listJobs(tx), jobsOfPerson(tx, id), findPerson(tx, id)]);
    return ok(jobs.filter((j) => person?.administrator === true || mine.has(j.slug)).map(jobView));
  });

export function viewJob(slug: string): Promise<Result<JobView>> {
  return guarded<JobView>(async () => {
    const job = await requireJob(database(), slug);
    return job.ok ? ok(jobView(job.value)) : job;
  });
}

/** Every termination of a job in one line each, as stored by the last change. */
export function viewSummaries(slug: string): Promise<Result<SummaryView[]>> {
  return guarded<SummaryView[]>(async () => {
    const job = await requireJob(database(), slug);
    return job.ok ? ok(await loadSummaries(database(), job.value.id)) : job;
  });
}

/** Everything but the gland itself, in words; the shroud with the step it is cut at. */
function goesWith(candidate: Candidate, outerMaxMm: number): string[] {
  const { family, size, ring } = candidate;
  const step = slideOnList(family, size, ring, outerMaxMm).find((s) => s.trim !== null)?.trim ?? null;
  return partsOf(candidate)
    .filter((p) => p.kind !== 'gland')
    .map((p) => `${p.part} ${p.name}${p.kind === 'shroud' && step !== null ? `, ${step}` : ''}`);
}

function candidateView(
  candidate: Candidate,
  planOnly: ReadonlySet<string>,
  outerMaxMm: number,
): CandidateView {
  const { family, size } = candidate;
  const { inMin, inMax } = size.outerSeal ?? {};
  return {
    code: size.code,
    family: family.code,
    familyTitle: family.title,
    sheet: `${family.sheet.title}, revision ${family.sheet.revision}`,
    verdict: candidate.verdict,
    marginMm: candidate.marginMm,
    ringWords: wayWords(wayOf(candidate)),
    notCalledFor: candidate.notCalledFor === null ? null : notCalledForWords(candidate.notCalledFor),
    adaptor: candidate.entry.adaptor?.partNumber ?? null,
    findings: candidate.findings.map(findingView),
    goesWith: candidate.verdict === 'misfit' ? [] : goesWith(candidate, outerMaxMm),
    refusal: whyNot(candidate),
    planOnly: planOnly.has(family.code),
    printedInches: inMin !== undefined && inMax !== undefined ? `${inMin}–${inMax} in` : null,
  };
}

interface ShownChoice {
  readonly view: ChoiceView;
  readonly hash: string;
}

/** A choice that is remembered is the same object, and so are its words: most of a view, made once. */
const shown = new WeakMap<Choice, ShownChoice>();

function shownChoiceOf(choice: Choice, { families }: StoredCatalogue, outerMaxMm: number): ShownChoice {
  const before = shown.get(choice);
  if (before !== undefined) return before;
  const planOnly = new Set(families.filter((f) => f.planOnly).map((f) => f.family.code));
  const view: ChoiceView = {
    answer: answerWords(choice.answer),
    provisional: choice.provisional.map(provisionalWords),
    nearest: choice.nearest === null ? null : nearestView(choice.nearest),
    candidates: choice.candidates.map((c) => candidateView(c, planOnly, outerMaxMm)),
  };
  const made = { view, hash: createHash('sha256').update(JSON.stringify(view)).digest('hex') };
  shown.set(choice, made);
  return made;
}

/** For each stage of the plan, what another sheet or another revision of this one asks for at the same-looking stage. */
function lookAlikesOf(
  { plan, measured }: Assessment,
  { revisions, families }: StoredCatalogue,
): Record<string, LookAlike[]> {
  if (plan === null) return {};
  const { code, revision } = plan.plan.family;
  const same = revisions.filter((f) => f.code === code);
  const own = same.find((f) => f.sheet.revision === revision);
  if (!own) return {};
  const all = [...same, ...families.map((f) => f.family).filter((f) => f.code !== code)];
  return Object.fromEntries(
    plan.plan.stages.map((stage) => [
      stage.id,
      lookAlikes(stage, own, all, measured.outerSheath?.interval.max ?? 0),
    ]),
  );
}

/** Asked for while readings are missing too: a fact of the place can be given before anybody has measured. */
function openQuestions({ request, choice, missing }: Assessment, catalogue: CatalogueView): QuestionView[] {
  if (request === null) return [];
  const asked = questionsOf(request.input, catalogue, choice ?? choose(request.input, catalogue));
  // What has to be measured stands at its own station already.
  return asked.filter((q) => !missing.some((m) => m === q.fact)).map(questionView);
}

const nameOf = ({ cable, end }: TerminationRow): EndName => ({
  cable: cable.tag,
  end,
  tag: terminationTag(cable.tag, end),
});

function jointView({ joint }: Assessment): JointView | null {
  if (joint === null) return null;
  const { box, keeper, mate, lack } = joint;
  return {
    box,
    keeper: keeper && nameOf(keeper),
    mate: mate && nameOf(mate),
    mateSpareMm: mate?.spareMm ?? null,
    lack,
  };
}

/** One termination with everything the interface shows of it. */
export function viewTermination(ref: TerminationRef): Promise<Result<TerminationView>> {
  return guarded<TerminationView>(async () => {
    const seen = takeSeen(ref);
    const found = seen === null ? await assessOne(database(), ref) : ok(seen);
    if (!found.ok) return found;
    const { job, assessment, catalogue } = found.value;
    const { row, choice, request } = assessment;
    const shownChoice =
      choice && shownChoiceOf(choice, catalogue, assessment.measured.outerSheath?.interval.max ?? 0);
    const best = choice?.candidates[0];
    const previewable =
      request && best && (best.verdict === 'fits' || best.verdict === 'marginal') ? { request, best } : null;
    return ok({
      job: jobView(job),
      tag: assessment.tag,
      cable: row.cable.tag,
      end: row.end,
      note: row.cable.note,
      routeMm: row.cable.routeMm,
      tailMm: row.tailMm,
      spareMm: row.spareMm,
      terminals: row.terminals,
      pins: row.pins,
      compound: row.compound,
      acts: assessment.acts,
      lookAlikes: lookAlikesOf(assessment, catalogue),
      cableId: row.cable.id,
      versions: { cable: row.cable.version, ...(await endVersions(database(), row.cable.id)) },
      cableType: row.cableType,
      place: row.place
        ? { area: row.place.area, enclosure: row.place.enclosure, entry: row.place.entry }
        : null,
      readings: assessment.readings.map(({ id, end, reading }) => ({ id, end, reading })),
      measured: assessment.measured,
      needed: assessment.needed,
      barrier: assessment.barrier === null ? null : trailView(assessment.barrier),
      measureProblems: assessment.measureProblems,
      choice: shownChoice?.view ?? null,
      choiceHash: shownChoice?.hash ?? null,
      questions: openQuestions(assessment, catalogueView(catalogue)),
      plan: assessment.plan
        ? {
            plan: assessment.plan.plan,
            hash: assessment.plan.planHash,
            actor: assessment.plan.actor,
            madeAt: assessment.plan.madeAt.toISOString(),
          }
        : null,
      sizeLocked: row.sizeLocked,
      joint: jointView(assessment),
      preview:
        assessment.plan === null && previewable
          ? planTermination(previewable.request, previewable.best)
          : null,
      stale: assessment.stale,
      review: reviewChange(assessment, catalogue.families, catalogueView(catalogue)),
      steps: assessment.steps,
      done: [...(assessment.progress?.done ?? [])],
      nextStep: assessment.progress?.next?.id ?? null,
      loops: assessment.progress?.loops ?? 0,
      signedBy: assessment.progress?.signedBy ?? null,
      events: assessment.events.map(eventView),
      chainFaults: assessment.chainFaults,
      formerNames: keepsRecord(assessment) ? formerNames(assessment.events, assessment.tag) : [],
      collar: assessment.collar,
    });
  });
}

/** The same end, without its choice where that is the one of this hash. */
export async function viewTerminationAgain(
  ref: TerminationRef,
  known: string,
): Promise<Result<TerminationAgain>> {
  const seen = await viewTermination(ref);
  return seen.ok && seen.value.choiceHash === known ? ok({ ...seen.value, choice: 'as before' }) : seen;
}
