import { lostJobs, type LostJob } from '@/core/record';
import { listJobs, type Tx } from '@/data';
import { rememberedJobs } from './keep';

/** Jobs whose record was written here and that the database does not hold: taken out, renamed in it, or never in this one. */
export async function lostJobsOf(tx: Tx): Promise<LostJob[]> {
  // Remembered first: what is remembered was written before, and so its job is in what is read after.
  const remembered = new Map(rememberedJobs());
  return lostJobs(
    remembered,
    (await listJobs(tx)).map((job) => job.slug),
  );
}
