import { recordPath } from '@/core/record';
import { ok, refuse, type Result } from '@/core/kernel';
import { database, loadTerminations, terminationIdsOfJob, type JobRow } from '@/data';
import type { CutCard } from '@/formats/pdf/cut-card';
import { labelSheetPdf, type Label } from '@/formats/pdf/labels';
import type { Paper } from '@/formats/pdf/sheet';
import { workPackPdf } from '@/formats/pdf/work-pack';
import { guarded } from '../guard';
import type { Assessment } from './assess';
import { recordCode } from './job-record';
import { assessMany, requireJob } from './load';

/** Cards in one pack: more is a second pack, and a printer's whole night. */
export const MOST_CARDS = 1000;
const BATCH = 100;

export interface PackRequest {
  readonly job: string;
  readonly tags: readonly string[];
  readonly paper: Paper;
}

/** A card for an assessed termination with a plan. */
export function cardOf(
  job: JobRow,
  assessment: Assessment,
  record: string | null,
  printed: Date,
): CutCard | null {
  const { plan, row, stale, steps, progress, chainFaults } = assessment;
  if (plan === null) return null;
  const broken = chainFaults.length > 0;
  return {
    plan: plan.plan,
    steps,
    hash: plan.planHash,
    jobName: job.name,
    place: row.place
      ? `${row.place.enclosure.title} (${row.place.enclosure.tag}), entry ${row.place.entry.label}`
      : '',
    cable: `${row.cable.tag}: ${row.cableType.title}`,
    stale,
    // A signature under a record that does not hold is none.
    signedBy: broken ? null : (progress?.signedBy ?? null),
    broken,
    record,
    printed,
  };
}

/** The terminations of a selection, assessed, in the order asked for. Tags that are not in the job are refused by name. */
async function selected(request: PackRequest): Promise<Result<{ job: JobRow; assessments: Assessment[] }>> {
  if (request.tags.length === 0) return refuse('tags', 'nothing is selected');
  if (request.tags.length > MOST_CARDS)
    return refuse('tags', `at most ${MOST_CARDS} cards go into one pack`, request.tags.length);
  const job = await requireJob(database(), request.job);
  if (!job.ok) return job;
  const wanted = new Set(request.tags);
  const found = new Map<string, Assessment>();
  const ids = await terminationIdsOfJob(database(), job.value.id);
  for (let i = 0; i < ids.length && found.size < wanted.size; i += BATCH * 10) {
    const rows = await loadTerminations(database(), ids.slice(i, i + BATCH * 10));
    const mine = rows.filter((r) => wanted.has(`${r.cable.tag}/${r.end}`));
    for (let k = 0; k < mine.length; k += BATCH)
      for (const a of await assessMany(database(), job.value, mine.slice(k, k + BATCH))) found.set(a.tag, a);
  }
  const missing = request.tags.filter((t) => !found.has(t));
  if (missing.length > 0)
    return refuse('tags', `not in this job: ${missing.slice(0, 5).join(', ')}`, missing[0]);
  return ok({ job: job.value, assessments: request.tags.flatMap((t) => found.get(t) ?? []) });
}

/** The cut cards of a selection as one PDF. Ends without a plan are refused by name. Null when it was cancelled. */
export function workPack(
  request: PackRequest,
  now: Date,
  onProgress: (done: number, of: number) => void,
  cancelled: () => boolean,
): Promise<Result<Uint8Array<ArrayBuffer> | null>> {
  return guarded<Uint8Array<ArrayBuffer> | null>(async () => {
    const found = await selected(request);
    if (!found.ok) return found;
    const { job, assessments } = found.value;
    const bare = assessments.filter((a) => a.plan === null).map((a) => a.tag);
    if (bare.length > 0)
      return refuse('tags', `nothing is chosen yet for ${bare.slice(0, 5).join(', ')}`, bare[0]);
    const record = await recordCode(database(), job.id);
    const cards = assessments.map((a) => cardOf(job, a, record, now)).filter((c) => c !== null);
    return ok(
      await workPackPdf(cards, {
        title: `Work pack ${job.name}`,
        printed: now,
        paper: request.paper,
        onProgress,
        cancelled,
      }),
    );
  });
}

/** Labels with a code that leads to each record. `origin` is the address under which the application is reached. */
export function labelSheet(
  request: PackRequest,
  origin: string,
  now: Date,
): Promise<Result<Uint8Array<ArrayBuffer>>> {
  return guarded<Uint8Array<ArrayBuffer>>(async () => {
    const found = await selected(request);
    if (!found.ok) return found;
    const { job, assessments } = found.value;
    const labels = assessments.map((a): Label => {
      const { cable, end } = a.row;
      return {
        tag: a.tag,
        size: a.plan?.plan.size ?? 'no gland chosen',
        place: a.row.place ? `${a.row.place.enclosure.tag}, entry ${a.row.place.entry.label}` : '',
        address: `${origin}${recordPath({ job: job.slug, cable: cable.tag, end })}`,
      };
    });
    return ok(await labelSheetPdf(labels, now, request.paper));
  });
}
