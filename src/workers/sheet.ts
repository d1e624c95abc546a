import type { Result } from '@/core/kernel';
import type { Sheet } from '@/formats/sheet/read';
import { runInWorker, type Running } from './run-in-worker';
import type { SheetWorker } from './sheet.worker';

export type { Sheet } from '@/formats/sheet/read';

/** Reads the sheets of a file in a worker of its own. */
export function startReadSheets(bytes: Uint8Array<ArrayBuffer>): Running<Result<Sheet[]>> {
  const worker = new Worker(new URL('./sheet.worker', import.meta.url), { type: 'module' });
  return runInWorker<SheetWorker, Result<Sheet[]>>(
    worker,
    () => undefined,
    (remote) => remote.read(bytes),
  );
}
