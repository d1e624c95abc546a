import { ok, refuse, type Result } from '@/core/kernel';
import { database } from '@/data';
import { cutCardPdf } from '@/formats/pdf/cut-card';
import { guarded } from '../guard';
import { assessOne, type TerminationRef } from './load';

/** The cut card of a planned termination as PDF. A stale or provisional plan prints, and says so in a frame. */
export function cutCard(ref: TerminationRef, now: Date): Promise<Result<Uint8Array<ArrayBuffer>>> {
  return guarded<Uint8Array<ArrayBuffer>>(async () => {
    const found = await assessOne(database(), ref);
    if (!found.ok) return found;
    const { job, assessment } = found.value;
    if (!assessment.plan) return refuse('plan', 'choose a gland first: there is nothing to print yet');
    const { row } = assessment;
    return ok(
      await cutCardPdf({
        plan: assessment.plan.plan,
        steps: assessment.steps,
        hash: assessment.plan.planHash,
        jobName: job.name,
        place: row.place
          ? `${row.place.enclosure.title} (${row.place.enclosure.tag}), entry ${row.place.entry.label}`
          : '',
        cable: `${row.cable.tag}: ${row.cableType.title}`,
        stale: assessment.stale,
        signedBy: assessment.progress?.signedBy ?? null,
        printed: now,
      }),
    );
  });
}
