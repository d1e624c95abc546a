import { canonicalJson, ok, refuse, type Result } from '@/core/kernel';
import type { Choice } from '@/core/gland-selection';
import { answerWords, OUTCOME_WORDS } from '@/core/gland-selection';
import { CODE_PROFILES, compareTags, profileOrigin, readProfile, type CodeProfile } from '@/core/schedule';
import type { ProfileChange, ProfileView } from '@/core/termination-view';
import { database, loadCatalogue, terminationIdsOfJob, type JobRow, type Tx } from '@/data';
import type { Actor } from '../actor';
import { guarded } from '../guard';
import { operation } from '../transaction';
import { EditLog } from './edits';
import { pauses } from '../heavy';
import { assessEach, type Assessment } from './assess';
import { inputsOfJob, refreshSummaries, requireJob } from './load';

/** The profile of a job, where it comes from, and the ones that may be taken instead. */
export function viewProfile(slug: string): Promise<Result<ProfileView>> {
  return guarded<ProfileView>(async () => {
    const job = await requireJob(database(), slug);
    if (!job.ok) return job;
    const { origin, edited } = profileOrigin(job.value.profile);
    return ok({
      profile: job.value.profile,
      version: job.value.version,
      originTitle: origin?.title ?? null,
      edited,
      shipped: CODE_PROFILES,
    });
  });
}

const said = (choice: Choice | null): { answer: string; barrier: string } => ({
  answer: choice ? answerWords(choice.answer) : 'not measured',
  barrier: choice ? OUTCOME_WORDS[choice.barrier.outcome] : '–',
});

async function changesBy(tx: Tx, job: JobRow, profile: CodeProfile): Promise<ProfileChange[]> {
  const changes: ProfileChange[] = [];
  const catalogue = await loadCatalogue(tx, job.families);
  const pause = pauses();
  for await (const inputs of inputsOfJob(tx, job, catalogue)) {
    const changed = { ...job, profile };
    const after = assessEach(
      inputs.map((input) => ({ ...input, job: changed })),
      catalogue,
      'counted',
    );
    for (const was of assessEach(inputs, catalogue, 'counted')) {
      const is = after.next().value;
      const change = is ? changeOf(was, is) : null;
      if (change !== null) changes.push(change);
      await pause();
    }
  }
  return changes.sort((a, b) => compareTags(a.tag, b.tag));
}

function changeOf(was: Assessment, is: Assessment): ProfileChange | null {
  const [a, b] = [said(was.choice), said(is.choice)];
  const plan = was.plan?.plan ?? null;
  const now = is.choice?.candidates.find((c) => c.size.code === plan?.size);
  const planFate =
    plan === null || !is.stale
      ? null
      : now === undefined || now.verdict === 'misfit' || now.verdict === 'unknown'
        ? ('lost' as const)
        : ('restamp' as const);
  if (a.answer === b.answer && a.barrier === b.barrier && (planFate === null || was.stale)) return null;
  return { tag: was.tag, before: a, after: b, size: plan?.size ?? null, planFate };
}

/** What another profile would change, termination by termination, before anything is saved. */
export function previewProfile(slug: string, json: unknown): Promise<Result<ProfileChange[]>> {
  return guarded<ProfileChange[]>(async () => {
    const job = await requireJob(database(), slug);
    if (!job.ok) return job;
    const profile = readProfile(json);
    if (!profile.ok) return profile;
    return ok(await changesBy(database(), job.value, profile.value));
  });
}

/** Gives a job another profile, or other figures in its own. Everything is judged again; one undo takes it back. */
export function setProfile(
  slug: string,
  version: number,
  json: unknown,
  actor: Actor,
  now: Date,
): Promise<Result<{ changed: number }>> {
  return operation(async (tx) => {
    const job = await requireJob(tx, slug);
    if (!job.ok) return job;
    const profile = readProfile(json);
    if (!profile.ok) return profile;
    if (canonicalJson(profile.value) === canonicalJson(job.value.profile))
      return refuse('profile', 'is the profile of this job already');
    const changed = await changesBy(tx, job.value, profile.value);
    const log = new EditLog(tx);
    await log.write('job', job.value.id, { profile: JSON.stringify(profile.value) }, version);
    await log.save(job.value, `profile: ${profile.value.title}`, actor, now);
    await refreshSummaries(
      tx,
      { ...job.value, profile: profile.value },
      await terminationIdsOfJob(tx, job.value.id),
    );
    return ok({ changed: changed.length });
  });
}
