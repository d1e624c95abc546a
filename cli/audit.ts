// Audits the record of every job from its first event on, and the catalogue, against the key and what is remembered outside the database. Exit 1 where one does not hold.
import { revisionFaultWords } from '@/core/catalogue';
import { pseudonymOf } from '@/core/record';
import { database, forgottenPeople, listJobs, revisionFaults } from '@/data';
import { viewJobRecord } from '@/server/operations/job-record';
import { lostJobsOf } from '@/server/record/lost';
import { run } from './run';

async function main(): Promise<number> {
  let broken = 0;
  let entries = 0;
  const jobs = await listJobs(database());
  for (const { slug } of jobs) {
    const seen = await viewJobRecord(slug);
    if (!seen.ok) {
      for (const { message } of seen.problems) console.error(`${slug}: ${message}`);
      broken += 1;
      continue;
    }
    const { faults, renamed, code } = seen.value;
    entries += seen.value.entries;
    console.log(`${slug}: ${seen.value.entries} entries, ${code ?? 'nothing recorded'}`);
    for (const { subject, words } of faults) console.error(`${slug}: ${subject}: ${words}`);
    for (const { subject, before } of renamed)
      console.log(
        `${slug}: ${subject}: a part of its record was written when it was called ${before.join(', ')}`,
      );
    if (faults.length > 0) broken += 1;
  }
  for (const { job, entries: lost } of await lostJobsOf(database())) {
    console.error(`${job}: ${lost} entries were written here, and this database holds no such job`);
    broken += 1;
  }
  const changed = await revisionFaults(database());
  for (const fault of changed) console.error(`catalogue: ${revisionFaultWords(fault)}`);
  const wrong = [
    ...(broken > 0 ? [broken === 1 ? '1 job does not hold' : `${broken} jobs do not hold`] : []),
    ...(changed.length > 0 ? ['the catalogue is not as it came in'] : []),
  ];
  console.log(
    `${jobs.length} jobs, ${entries} entries, ${wrong.length > 0 ? wrong.join(', ') : 'all of it holds'}`,
  );
  for (const { person, at, events } of await forgottenPeople(database()))
    console.log(
      `${pseudonymOf(person, '')}: a name that was taken out ${at.toISOString().slice(0, 10)}, ${events} events`,
    );
  return wrong.length === 0 ? 0 : 1;
}

await run(main);
