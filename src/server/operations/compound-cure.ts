import { ok, type Result } from '@/core/kernel';
import { compoundClock } from '@/core/procedure';
import type { CompoundEnd, CompoundView } from '@/core/termination-view';
import { database, loadCatalogue, loadTerminations, sealedTerminationIds } from '@/data';
import { guarded } from '../guard';
import type { Assessment } from './assess';
import { assessMany, requireJob } from './load';

/** Steps before which everything else is done: from here on the compound is what comes next. */
const READY: ReadonlySet<string> = new Set(['cut.secondInner', 'endStopOut', 'cores', 'dam', 'mix']);

function endOf(assessment: Assessment, now: Date): CompoundEnd | null {
  const { plan, row, progress, acts, stale, tag } = assessment;
  const seal = plan?.plan.seal ?? null;
  if (plan === null || seal === null) return null;
  const clock = compoundClock(seal, acts, now.getTime());
  const next = progress?.next ?? null;
  const state = ((): CompoundEnd['state'] => {
    if (stale) return 'stale';
    if (progress?.done.has('cure')) return 'done';
    if (clock.filledMs !== null) return 'curing';
    if (clock.mix !== null) return 'mixed';
    return next !== null && READY.has(next.id) ? 'ready' : 'later';
  })();
  return {
    tag,
    cable: row.cable.tag,
    end: row.end,
    place: row.place
      ? `${row.place.enclosure.title}, ${row.place.enclosure.tag}/${row.place.entry.label}`
      : '',
    size: plan.plan.size,
    seal,
    state,
    next: next?.title ?? 'every step is done',
    acts: acts.filter((a) => a.kind !== 'confirm' || a.stepId === 'fill'),
  };
}

/** Every end of a job whose chamber is filled: what is ready, what is curing, what comes later. */
export function viewCompound(slug: string, now: Date): Promise<Result<CompoundView>> {
  return guarded<CompoundView>(async () => {
    const job = await requireJob(database(), slug);
    if (!job.ok) return job;
    const ids = await sealedTerminationIds(database(), job.value.id);
    const rows = await loadTerminations(database(), ids);
    const place = new Map(ids.map((id, i) => [id, i]));
    rows.sort((a, b) => (place.get(a.id) ?? 0) - (place.get(b.id) ?? 0));
    const ends = (await assessMany(database(), job.value, rows)).map((a) => endOf(a, now));
    const { compounds } = await loadCatalogue(database());
    return ok({ ends: ends.filter((e) => e !== null), compounds });
  });
}
