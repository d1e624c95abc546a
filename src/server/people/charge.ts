import { object, string } from 'yup';
import { fail, ok, refuse, validate, type Result } from '@/core/kernel';
import { SUPERVISED_HOURS } from '@/core/people';
import { findJob, insertSupervision, personInJob, supervisorsOf } from '@/data';
import { operation } from '../transaction';
import { signedIn, type Opened } from './door';
import { judgePin } from './pin';

const schema = object({ job: string().min(1).max(40).required() })
  .noUnknown()
  .required();

/**
 * A fitter or inspector takes whoever is signed in on this device under them for a shift, by their PIN: an apprentice of that job. It is kept for
 * good, with its times; the next one takes its place.
 */
export async function takeCharge(
  given: unknown,
  supervisor: string,
  pin: string,
  headers: Headers,
  now: Date,
): Promise<Opened> {
  const closed = (result: Result<null>): Opened => ({ result, cookies: [] });
  const read = validate(schema, given, true);
  if (!read.ok) return closed(read);
  const there = await signedIn(headers);
  if (!there.ok) return closed(there);
  if (there.value === null) return closed(refuse('person', 'Nobody is signed in here: sign in first.'));
  const { id: apprentice } = there.value;
  const judged = await operation<Result<null>>(async (tx) => {
    const job = await findJob(tx, read.value.job);
    const mine = job === null ? null : await personInJob(tx, apprentice, job.slug);
    if (job === null || mine === null || mine.roles.length === 0)
      return refuse('job', 'there is no such job among yours', read.value.job);
    if (!mine.roles.includes('apprentice')) return refuse('role', 'only an apprentice works under somebody');
    const found = (await supervisorsOf(tx, job.id)).find((s) => s.id === supervisor && s.id !== apprentice);
    if (found === undefined)
      return refuse('colleague', 'is no fitter or inspector of this job with a PIN', supervisor);
    const right = await judgePin(tx, found, pin);
    if (!right.ok || !right.value.ok) return right;
    await insertSupervision(tx, {
      jobId: job.id,
      apprenticeId: apprentice,
      supervisorId: found.id,
      since: now,
      until: new Date(now.getTime() + SUPERVISED_HOURS * 3_600_000),
    });
    return ok(ok(null));
  });
  return closed(judged.ok ? judged.value : fail(judged.problems));
}
