import { ok, refuse, type Result } from '@/core/kernel';
import { database } from '@/data';
import { cutCardPdf } from '@/formats/pdf/cut-card';
import type { Paper } from '@/formats/pdf/sheet';
import { guarded } from '../guard';
import { recordCode } from './job-record';
import { assessOne } from './load';
import type { TerminationRef } from '@/core/record';
import { cardOf } from './work-pack';

/** The cut card of a planned termination as PDF. A stale or provisional plan prints, and says so in a frame. */
export function cutCard(
  ref: TerminationRef,
  now: Date,
  paper: Paper = 'A4',
): Promise<Result<Uint8Array<ArrayBuffer>>> {
  return guarded<Uint8Array<ArrayBuffer>>(async () => {
    const found = await assessOne(database(), ref);
    if (!found.ok) return found;
    const { job, assessment } = found.value;
    const card = cardOf(job, assessment, await recordCode(database(), job.id), now);
    if (card === null) return refuse('plan', 'choose a gland first: there is nothing to print yet');
    return ok(await cutCardPdf(card, paper));
  });
}
