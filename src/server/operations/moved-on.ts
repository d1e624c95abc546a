import { ok, refuse, type Problem, type Result } from '@/core/kernel';
import type { MovedOnCount, MovedOnLine } from '@/core/termination-view';
import { database, loadCatalogue, plansInForce, type JobRow, type StoredCatalogue, type Tx } from '@/data';
import type { Actor } from '../actor';
import { guarded } from '../guard';
import { inBatches } from '../heavy';
import { operation } from '../transaction';
import { catalogueView, type Assessment } from './assess';
import { remake, replanOnBroken, reviewChange, storePlan } from './gland-selection';
import { EditLog } from './edits';
import { assessMany, BATCH, inOrder, refreshSummaries, requireJob } from './load';

/** Plans in force that are stale, and those whose family has a newer sheet in force. */
async function movedOn(tx: Tx, job: JobRow, catalogue: StoredCatalogue) {
  const inForce = new Set(catalogue.families.map((f) => f.id));
  const codes = new Set(catalogue.families.map((f) => f.family.code));
  const plans = await plansInForce(tx, job.id);
  const superseded = plans.filter((p) => !inForce.has(p.familyRevisionId) && codes.has(p.family));
  const stale = plans.filter((p) => p.stale);
  return { superseded, stale };
}

/** How many plans of a job do not stand on what is in force today, by what was stored with the last change. */
export function countMovedOn(slug: string): Promise<Result<MovedOnCount>> {
  return guarded<MovedOnCount>(async () => {
    const job = await requireJob(database(), slug);
    if (!job.ok) return job;
    const { superseded, stale } = await movedOn(
      database(),
      job.value,
      await loadCatalogue(database(), job.value.families),
    );
    return ok({ superseded: superseded.length, stale: stale.length });
  });
}

/** Every end whose plan does not stand on what is in force today, in the order of the tags. Long work: see `inBatches`. */
async function* eachMovedOn(
  tx: Tx,
  job: JobRow,
  catalogue: StoredCatalogue,
): AsyncGenerator<readonly Assessment[]> {
  const { superseded, stale } = await movedOn(tx, job, catalogue);
  const ids = new Set([...superseded, ...stale].map((p) => p.terminationId));
  for await (const some of inBatches([...ids], BATCH))
    yield await assessMany(tx, job, await inOrder(tx, some), catalogue);
}

function lineOf(assessment: Assessment, catalogue: StoredCatalogue): MovedOnLine | null {
  const review = reviewChange(assessment, catalogue.families, catalogueView(catalogue));
  if (review === null) return null;
  const { tag, row, stale, progress } = assessment;
  const { refusal, redo } = review;
  return {
    tag,
    cable: row.cable.tag,
    end: row.end,
    size: review.size,
    stale,
    sheet: review.sheet,
    refusal: refusal ?? replanOnBroken(assessment)?.problems[0]?.message ?? null,
    changed: review.changed.map((c) => `${c.label}: ${c.before ?? 'none'} → ${c.after ?? 'none'}`),
    redo: redo.length,
    signedBy: progress?.signedBy ?? null,
    restamp: refusal === null && redo.length === 0 && replanOnBroken(assessment) === null,
  };
}

/** What making plans again would do, end by end, wherever one does not stand on what is in force today. */
export function viewMovedOn(slug: string): Promise<Result<readonly MovedOnLine[]>> {
  return guarded<readonly MovedOnLine[]>(async () => {
    const tx = database();
    const job = await requireJob(tx, slug);
    if (!job.ok) return job;
    const catalogue = await loadCatalogue(tx, job.value.families);
    const lines: MovedOnLine[] = [];
    for await (const some of eachMovedOn(tx, job.value, catalogue))
      lines.push(...some.flatMap((a) => lineOf(a, catalogue) ?? []));
    return ok(lines);
  });
}

/**
 * Makes the plans of these ends again in their sizes, as one edit. Refused as a whole, end by end with the reason, where a size cannot be kept or
 * work would be undone: that is looked at one by one. Ends that stand on what is in force are left alone, so that a second send does no harm.
 */
export function restamp(
  slug: string,
  tags: readonly string[],
  actor: Actor,
  now: Date,
): Promise<Result<{ restamped: number }>> {
  return operation<{ restamped: number }>(async (tx) => {
    const job = await requireJob(tx, slug);
    if (!job.ok) return job;
    const catalogue = await loadCatalogue(tx, job.value.families);
    const view = catalogueView(catalogue);
    const wanted = new Set(tags);
    const log = new EditLog(tx);
    const problems: Problem[] = [];
    const done: number[] = [];
    for await (const some of eachMovedOn(tx, job.value, catalogue))
      for (const a of some.filter((one) => wanted.has(one.tag))) {
        const line = lineOf(a, catalogue);
        const remade = remake(a, catalogue.families, view);
        if (line === null || remade === null) continue;
        if (!line.restamp || !remade.ok) {
          problems.push({
            path: a.tag,
            message: line.refusal ?? `${line.redo} steps would have to be done again: look at it first`,
          });
          continue;
        }
        await storePlan(tx, { job: job.value, log, actor, now }, a, remade.value);
        done.push(a.row.id);
      }
    if (problems.length > 0) return { ok: false, problems };
    if (done.length === 0) return refuse('', 'these plans stand on what is in force already');
    await log.save(job.value, `${done.length} plans made again`, actor, now);
    await refreshSummaries(tx, job.value, done);
    return ok({ restamped: done.length });
  });
}
