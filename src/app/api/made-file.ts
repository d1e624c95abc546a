import { ok } from '@/core/kernel';
import type { ReadName } from '@/server/gate';
import { lookLoose } from '../for-programs';
import { fieldOf } from './body';
import { streamed } from './streamed';

/** A file as it is made by an operation that takes long: it gives the bytes, or a value that holds them as its `body`. */
export const madeFile = (request: Request, name: ReadName, given: readonly unknown[]): Response =>
  streamed(request, async (signal, progress) => {
    const made = await lookLoose(name, given, { signal, progress });
    if (!made.ok) return made;
    const file = made.value instanceof Uint8Array ? made.value : fieldOf(made.value, 'body');
    return ok(file instanceof Uint8Array ? file : null);
  });
