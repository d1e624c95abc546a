import { zipSync } from 'fflate';

/** What is packed already: it grows no smaller, and trying costs everybody else their turn. */
const PACKED = /\.(jpg|pdf)$/;

/** Files as one zip, all of one time. */
export const zipped = (files: Readonly<Record<string, Uint8Array>>, mtime: Date): Uint8Array<ArrayBuffer> =>
  new Uint8Array(
    zipSync(
      Object.fromEntries(
        Object.entries(files).map(([name, bytes]) => [name, [bytes, { level: PACKED.test(name) ? 0 : 6 }]]),
      ),
      { mtime },
    ),
  );
