import { MAX_FILE_WORDS, MAX_REQUEST_BYTES, refuse, ok, type Result } from '@/core/kernel';

/** The bytes of a posted file; a larger one is refused without being read to its end. */
export async function readBody(request: Request): Promise<Result<Uint8Array>> {
  const announced = Number(request.headers.get('content-length') ?? 0);
  const tooLarge = (bytes: number) =>
    refuse(
      'file',
      `is ${bytes > 0 ? `${(bytes / 1048576).toFixed(0)} MB` : 'too large'}; a file of at most ${MAX_FILE_WORDS} is read`,
    );
  if (announced > MAX_REQUEST_BYTES) return tooLarge(announced);
  if (!request.body) return refuse('file', 'is empty');
  const chunks: Uint8Array[] = [];
  let size = 0;
  const reader = request.body.getReader();
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.byteLength;
    if (size > MAX_REQUEST_BYTES) {
      await reader.cancel();
      return tooLarge(0);
    }
    chunks.push(value);
  }
  if (size === 0) return refuse('file', 'is empty');
  return ok(new Uint8Array(Buffer.concat(chunks)));
}

/** The body of a request as JSON, whatever it holds. */
export async function readJson(request: Request): Promise<Result<unknown>> {
  const body = await readBody(request);
  if (!body.ok) return body;
  try {
    return ok(JSON.parse(new TextDecoder().decode(body.value)));
  } catch {
    return refuse('body', 'is not JSON');
  }
}

/** What a value holds under a name, of whatever kind; undefined where it holds nothing under it. */
export const fieldOf = (value: unknown, name: string): unknown =>
  typeof value === 'object' && value !== null && Object.hasOwn(value, name)
    ? (value as Readonly<Record<string, unknown>>)[name]
    : undefined;
