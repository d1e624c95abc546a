import { ok, type Result } from '@/core/kernel';
import { command } from '../data/send';
import { getPhoto } from './kept-db';

function base64(bytes: Uint8Array): string {
  let text = '';
  // A call takes only so many arguments.
  for (let i = 0; i < bytes.length; i += 8192) text += String.fromCharCode(...bytes.subarray(i, i + 8192));
  return btoa(text);
}

/** Sends photos that are kept here to the job that they belong to. One that is not here any more has been sent before. */
export async function sendPhotos(job: string, hashes: readonly string[]): Promise<Result<null>> {
  for (const hash of hashes) {
    const photo = await getPhoto(hash);
    if (photo === null) continue;
    const { result } = await command('keepPhoto', [job, base64(photo.bytes)], null);
    if (!result.ok) return result;
  }
  return ok(null);
}
