import { ok, refuse, validate, type Result } from '@/core/kernel';
import { countEnds, jobSettingsSchema, newJobSchema, slugOf, sumCollars, type JobCard } from '@/core/job';
import type { Role } from '@/core/people';
import { CODE_PROFILES } from '@/core/schedule';
import {
  alikeEndsOfJobs,
  database,
  findJob,
  findPerson,
  insertCableType,
  insertEnclosure,
  insertEntry,
  insertJob,
  jobsOfPerson,
  lastTouchOfJobs,
  listBoxes,
  listCableTypes,
  listJobs,
  rolesInJob,
  setRoles,
  terminationIdsOfJob,
  type JobRow,
  type Tx,
} from '@/data';
import type { Actor } from '../actor';
import { guarded } from '../guard';
import { operation } from '../transaction';
import { EditLog } from './edits';
import { doIn } from './in-job';
import { refreshSummaries, requireJob } from './load';

/** The jobs that somebody is anything in, all of them for an administrator of the whole application, with what they want to know of each. */
export function viewJobCards({ id }: Actor): Promise<Result<JobCard[]>> {
  return guarded<JobCard[]>(async () => {
    if (id === null) return ok([]);
    const tx = database();
    const [jobs, mine, person, alike, touched] = await Promise.all([
      listJobs(tx),
      jobsOfPerson(tx, id),
      findPerson(tx, id),
      alikeEndsOfJobs(tx),
      lastTouchOfJobs(tx),
    ]);
    return ok(
      jobs
        .filter((j) => person?.administrator === true || mine.has(j.slug))
        .map((job) => {
          const ends = alike.get(job.id) ?? [];
          const last = touched.get(job.id);
          return {
            slug: job.slug,
            name: job.name,
            place: job.place,
            unit: job.unit,
            profileTitle: job.profile.title,
            archived: job.archivedAt !== null,
            version: job.version,
            mine: mine.get(job.slug) ?? [],
            ...countEnds(ends),
            arcs: sumCollars(ends),
            touched: last ?? null,
          };
        }),
    );
  });
}

/** Makes a job. Whoever makes it sets it up, and is in it what they say. */
export function createJob(given: unknown, who: Actor, now: Date): Promise<Result<{ slug: string }>> {
  return operation<{ slug: string }>(async (tx) => {
    const read = validate(newJobSchema, given, true);
    if (!read.ok) return read;
    const { name, place, unit, secondPerson, families, profile: key, copyFrom, roles } = read.value;
    const source = copyFrom === '' ? null : await requireJob(tx, copyFrom);
    if (source !== null && (!source.ok || !(await mayCopy(tx, source.value, who))))
      return refuse('copyFrom', 'there is no such job among yours', copyFrom);
    const shipped = CODE_PROFILES.find((p) => p.key === key);
    const profile = source?.ok ? source.value.profile : shipped;
    if (profile === undefined) return refuse('profile', 'is no code profile that is shipped', key);
    const slug = slugOf(name, new Set((await listJobs(tx)).map((j) => j.slug)));
    const jobId = await insertJob(tx, {
      slug,
      name: name.trim(),
      place: place.trim(),
      unit,
      secondPerson: secondPerson ? 1 : 0,
      families: families === null ? null : JSON.stringify(families),
      profile: JSON.stringify(profile),
    });
    if (source?.ok) await copySetup(tx, source.value.id, jobId);
    if (who.id !== null)
      await setRoles(tx, who.id, jobId, [...new Set<Role>([...roles, 'administrator'])], who.id, now);
    return ok({ slug });
  });
}

const mayCopy = async (tx: Tx, { slug }: JobRow, { id }: Actor): Promise<boolean> =>
  id !== null &&
  ((await findPerson(tx, id))?.administrator === true || (await rolesInJob(tx, id, slug)).length > 0);

/** Takes over cable types and boxes with their entries: no cables, and nothing that was measured. */
async function copySetup(tx: Tx, from: number, to: number): Promise<void> {
  for (const { facts } of await listCableTypes(tx, from)) await insertCableType(tx, to, facts);
  for (const { area, facts, entries } of await listBoxes(tx, from)) {
    const id = await insertEnclosure(tx, to, area, facts);
    for (const { facts: entry } of entries) await insertEntry(tx, id, entry);
  }
}

/** Sets what a job is called, where it is, its unit, who may sign, and what is chosen from. One undo takes it back. */
export function setJob(
  slug: string,
  version: number,
  given: unknown,
  who: Actor,
  now: Date,
): Promise<Result<null>> {
  return doIn<null>(slug, async ({ tx, job }) => {
    const read = validate(jobSettingsSchema, given, true);
    if (!read.ok) return read;
    const { name, place, unit, secondPerson, families } = read.value;
    const log = new EditLog(tx);
    await log.write(
      'job',
      job.id,
      {
        name: name.trim(),
        place: place.trim(),
        unit,
        secondPerson: secondPerson ? 1 : 0,
        families: families === null ? null : JSON.stringify(families),
      },
      version,
    );
    if (log.changes.length === 0) return refuse('name', 'nothing is set otherwise than it was');
    await log.save(job, 'settings of the job', who, now);
    const changed = await findJob(tx, slug);
    if (changed === null) throw new Error('the job was there a moment ago');
    await refreshSummaries(tx, changed, await terminationIdsOfJob(tx, changed.id));
    return ok(null);
  });
}

/** Puts a job away among those that are over, or takes it back. Nothing in it changes. */
export function setArchived(
  slug: string,
  version: number,
  archived: boolean,
  who: Actor,
  now: Date,
): Promise<Result<null>> {
  return doIn<null>(slug, async ({ tx, job }) => {
    if ((job.archivedAt !== null) === archived) return refuse('archived', 'is so already');
    const log = new EditLog(tx);
    await log.write('job', job.id, { archivedAt: archived ? now.toISOString() : null }, version);
    await log.save(job, archived ? 'job put away' : 'job taken back', who, now);
    return ok(null);
  });
}
