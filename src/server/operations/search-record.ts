import { ok, type Result } from '@/core/kernel';
import { eventView, RECORD_GROUPS, type FoundEvents, type RecordGroup } from '@/core/record';
import { database, searchEvents } from '@/data';
import { guarded } from '../guard';
import { requireJob } from './load';

const MOST_WORDS = 8;
const MOST_FOUND = 100;

/** Looks for words in the record of a job: tags, people, what was done, batches, instruments, reasons. A page of what was found, the newest first. */
export function searchRecord(
  slug: string,
  text: string,
  of: RecordGroup,
  offset: number,
): Promise<Result<FoundEvents>> {
  return guarded<FoundEvents>(async () => {
    const job = await requireJob(database(), slug);
    if (!job.ok) return job;
    const words = text
      .trim()
      .split(/\s+/)
      .filter((w) => w !== '')
      .slice(0, MOST_WORDS);
    const { total, events } = await searchEvents(database(), job.value.id, words, RECORD_GROUPS[of], {
      offset,
      limit: MOST_FOUND,
    });
    return ok({
      total,
      found: events.map((e) => ({ kind: e.subjectKind, subject: e.subject, event: eventView(e) })),
    });
  });
}
