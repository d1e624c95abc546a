import * as Comlink from 'comlink';
import readWorkbook from 'read-excel-file/web-worker';
import type { Result } from '@/core/kernel';
import { readSheets, type Sheet } from '@/formats/sheet/read';

const api = {
  /** Takes a file apart without keeping the page. */
  read: (bytes: Uint8Array<ArrayBuffer>): Promise<Result<Sheet[]>> =>
    readSheets(bytes, () => readWorkbook(new Blob([bytes]))),
};
export type SheetWorker = typeof api;

Comlink.expose(api);
