import { hashBytes, ok, refuse, type Result } from '@/core/kernel';
import { MAX_PHOTO_BYTES, PHOTO_SIDE, readJpeg } from '@/core/photo';
import { database, findPhoto, insertPhoto, photosThere, type Tx } from '@/data';
import { madeBy, type Actor } from '../actor';
import { guarded } from '../guard';
import { operation } from '../transaction';
import { requireJob } from './load';

/**
 * Keeps a photo of what was looked at. Whatever came, only its picture is kept, put together anew: neither where it was taken nor what hangs on
 * behind. It is known by the SHA-256 of what is kept.
 */
export function keepPhoto(
  slug: string,
  text: string,
  actor: Actor,
  now: Date,
): Promise<Result<{ hash: string }>> {
  return operation<{ hash: string }>(async (tx) => {
    const job = await requireJob(tx, slug);
    if (!job.ok) return job;
    const sent = Buffer.from(text, 'base64');
    if (sent.byteLength > MAX_PHOTO_BYTES)
      return refuse('photo', `is larger than the ${MAX_PHOTO_BYTES / 1000} kB that are kept`);
    const read = readJpeg(sent);
    if (!read.ok) return read;
    const { bytes, width, height } = read.value;
    if (Math.max(width, height) > PHOTO_SIDE)
      return refuse('photo', `is ${width} × ${height}; at most ${PHOTO_SIDE} on a side are kept`);
    const hash = hashBytes(bytes);
    await insertPhoto(tx, { jobId: job.value.id, hash, bytes, width, height, ...madeBy(actor), at: now });
    return ok({ hash });
  });
}

/** A photo of a job, JPEG. One whose bytes are not those that it is known by is not shown. */
export function viewPhoto(slug: string, hash: string): Promise<Result<Uint8Array<ArrayBuffer>>> {
  return guarded<Uint8Array<ArrayBuffer>>(async () => {
    const job = await requireJob(database(), slug);
    if (!job.ok) return job;
    const bytes = await findPhoto(database(), job.value.id, hash);
    if (bytes === null) return refuse('photo', 'is not kept in this job', hash);
    const whole = new Uint8Array(bytes);
    return hashBytes(whole) === hash
      ? ok(whole)
      : refuse('photo', 'has been changed after it was taken', hash);
  });
}

/** Refused where a photo that a step names has not arrived in its job. */
export async function requirePhotos(tx: Tx, jobId: number, hashes: readonly string[]): Promise<Result<null>> {
  const there = await photosThere(tx, jobId, hashes);
  const lost = hashes.find((h) => !there.has(h));
  return lost === undefined ? ok(null) : refuse('photos', 'a photo has not arrived: send it again', lost);
}
