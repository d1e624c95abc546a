import type { Picture } from '@/formats/code/read-code';
import type { ReadCodeWorker } from './read-code.worker';
import { runInWorker, type Running } from './run-in-worker';

/** Looks for a code in a picture, in a worker of its own. */
export function startReadCode(picture: Picture): Running<string | null> {
  const worker = new Worker(new URL('./read-code.worker', import.meta.url), { type: 'module' });
  return runInWorker<ReadCodeWorker, string | null>(
    worker,
    () => undefined,
    (remote) => remote.read(picture),
  );
}
