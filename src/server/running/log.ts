import { basename, dirname } from 'node:path';
import pino, { type Logger } from 'pino';
import { createStream } from 'rotating-file-stream';
import { requestNow } from '@/data';
import { saidOf } from './said-of';

const holder = globalThis as typeof globalThis & { amberCollarLog?: Logger };

/** A file is ended at this size or at midnight, and so many are kept; the oldest goes. */
const ROTATED = { size: '20M', interval: '1d', maxFiles: 14 } as const;

/**
 * One line of JSON for whatever is worth it, with the request that it is for. Nothing in it is about a person: no names, no addresses, no contents of
 * rows. To `LOG_FILE`, which is rotated here, or to the standard output, which whoever keeps it rotates.
 */
export function madeLog(
  file: string | undefined,
  level: string,
  rotated: { readonly size: string; readonly interval: string; readonly maxFiles: number } = ROTATED,
): Logger {
  const settings = {
    level,
    base: null,
    serializers: { err: saidOf },
    mixin: () => {
      const request = requestNow();
      return request === undefined ? {} : { request };
    },
  };
  return file === undefined
    ? pino(settings)
    : pino(settings, createStream(basename(file), { path: dirname(file), ...rotated }));
}

export const log: Logger = (holder.amberCollarLog ??= madeLog(
  process.env.LOG_FILE,
  process.env.LOG_LEVEL ?? 'info',
));
