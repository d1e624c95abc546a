import { createHash } from 'node:crypto';
import { strToU8 } from 'fflate';
import { ok, type Result } from '@/core/kernel';
import { CONTENTS, CONTENTS_SIGNATURE, contentsHead, filesOf, photosOf } from '@/core/record';
import { database, findPhoto } from '@/data';
import { guarded } from '../guard';
import { inBatches } from '../heavy';
import { signHead } from '../record/keep';
import { exportCatalogue } from './catalogue-preview';
import { dossier, type DossierFile } from './dossier';
import { exportJob } from './job-file';
import { bundleOf } from './job-record';
import { requireJob } from './load';
import { zipped } from './zipped';
import { exportSchedule } from './schedule-file';

interface Call {
  readonly now: Date;
  readonly progress: (done: number, of: number) => void;
  readonly cancelled: () => boolean;
}

/**
 * All of a job in one file, to be kept for as long as the law asks and read without this application: its record with every photo, the dossier on paper, the schedule
 * as a table, the job as a file that can be taken in again, the sheets in force. Every file is listed by its hash and the list is signed by the key of the records:
 * `plan verify` checks all of it. What cannot be in it is named in the list, with the reason. Null when it was cancelled.
 */
export function jobArchive(slug: string, origin: string, call: Call): Promise<Result<DossierFile | null>> {
  return guarded<DossierFile | null>(async () => {
    const tx = database();
    const job = await requireJob(tx, slug);
    if (!job.ok) return job;
    const { now } = call;
    const bundle = await bundleOf(tx, job.value, null, now);
    const files: Record<string, Uint8Array> = { 'record.json': strToU8(JSON.stringify(bundle)) };
    for await (const hashes of inBatches(
      [...new Set(bundle.subjects.flatMap((s) => s.events.flatMap(photosOf)))],
      20,
    ))
      for (const hash of hashes) {
        const bytes = await findPhoto(tx, job.value.id, hash);
        // One that is not there is missing in the file as well: whoever checks it is told.
        if (bytes !== null) files[`photos/${hash}.jpg`] = new Uint8Array(bytes);
      }
    const paper = await dossier(slug, { kind: 'job', name: '', end: '' }, 'A4', origin, call);
    // Where nothing is recorded, or too much for one print, there is none: whoever opens the archive reads why.
    const without = paper.ok ? [] : paper.problems.map((p) => `dossier.pdf: ${p.message}`);
    if (paper.ok) {
      if (paper.value === null) return ok(null);
      files['dossier.pdf'] = paper.value.body;
    } else if (paper.problems.some((p) => p.path !== 'record')) return paper;
    const whole = await exportJob(slug);
    if (!whole.ok) return whole;
    files['job.json'] = strToU8(`${JSON.stringify(whole.value, null, 1)}\n`);
    const schedule = await exportSchedule(slug);
    if (!schedule.ok) return schedule;
    files['schedule.csv'] = strToU8(schedule.value);
    const catalogue = await exportCatalogue(now);
    if (!catalogue.ok) return catalogue;
    files['catalogue.json'] = strToU8(catalogue.value);
    if (call.cancelled()) return ok(null);
    const contents = strToU8(
      `${JSON.stringify(
        {
          format: 'amber-collar-archive',
          version: 1,
          job: slug,
          made: now.toISOString(),
          files: filesOf(files, (bytes) => createHash('sha256').update(bytes).digest('hex')),
          without,
        },
        null,
        1,
      )}\n`,
    );
    const { signature } = signHead(contentsHead(contents));
    const body = zipped({ [CONTENTS]: contents, [CONTENTS_SIGNATURE]: strToU8(signature), ...files }, now);
    return ok({ name: `${slug.replace(/[^\w.-]/g, '_')}-archive.zip`, body });
  });
}
