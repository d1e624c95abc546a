import { fail, ok, type Problem, type Result } from '@/core/kernel';

interface Line {
  readonly done?: number;
  readonly of?: number;
  readonly bytes?: number;
  readonly problems?: readonly Problem[];
}

const LINE_END = 10;

/**
 * Reads a work pack as the server streams it: lines of progress, then the number of bytes and the bytes themselves. A stream that ends
 * early is an error, not a shorter file.
 */
export async function readPack(
  stream: ReadableStream<Uint8Array>,
  onProgress: (done: number, of: number) => void,
): Promise<Result<Uint8Array<ArrayBuffer>>> {
  const reader = stream.getReader();
  let pending = new Uint8Array(0);
  let file: Uint8Array<ArrayBuffer> | null = null;
  let filled = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    let rest: Uint8Array = value;
    while (rest.length > 0) {
      if (file !== null) {
        const take = rest.subarray(0, file.length - filled);
        file.set(take, filled);
        filled += take.length;
        rest = rest.subarray(take.length);
        if (take.length === 0) break;
        continue;
      }
      const end = rest.indexOf(LINE_END);
      const piece = end < 0 ? rest : rest.subarray(0, end);
      const joined = new Uint8Array(pending.length + piece.length);
      joined.set(pending);
      joined.set(piece, pending.length);
      pending = joined;
      if (end < 0) break;
      rest = rest.subarray(end + 1);
      const line = JSON.parse(new TextDecoder().decode(pending)) as Line;
      pending = new Uint8Array(0);
      if (line.problems) return fail(line.problems);
      if (line.bytes !== undefined) file = new Uint8Array(line.bytes);
      else if (line.done !== undefined && line.of !== undefined) onProgress(line.done, line.of);
    }
  }
  if (file === null || filled < file.length)
    return fail([{ path: '', message: 'The pack broke off before it was complete. Try again.' }]);
  return ok(file);
}
