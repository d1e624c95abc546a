import * as Comlink from 'comlink';
import { readCode, type Picture } from '@/formats/code/read-code';

const api = {
  /** Looks for a code in a picture without keeping the page. */
  read: (picture: Picture): string | null => readCode(picture),
};
export type ReadCodeWorker = typeof api;

Comlink.expose(api);
