import type { Result } from '@/core/kernel';
import { database, type JobRow, type Tx } from '@/data';
import { guarded } from '../guard';
import { operation } from '../transaction';
import { requireJob } from './load';

interface InJob {
  readonly tx: Tx;
  readonly job: JobRow;
}

const withJob =
  <T>(slug: string, work: (at: InJob) => Promise<Result<T>>) =>
  async (tx: Tx): Promise<Result<T>> => {
    const job = await requireJob(tx, slug);
    return job.ok ? work({ tx, job: job.value }) : job;
  };

/** Looks something up in the job of that slug; refused where there is none. */
export const lookIn = <T>(slug: string, work: (at: InJob) => Promise<Result<T>>): Promise<Result<T>> =>
  guarded(() => withJob(slug, work)(database()));

/** Does something in the job of that slug, all of it or nothing. */
export const doIn = <T>(slug: string, work: (at: InJob) => Promise<Result<T>>): Promise<Result<T>> =>
  operation<T>(withJob(slug, work));
