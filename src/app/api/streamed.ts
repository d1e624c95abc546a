import type { Result } from '@/core/kernel';

type Run = (
  signal: AbortSignal,
  progress: (done: number, of: number) => void,
) => Promise<Result<Uint8Array | null>>;

/**
 * An answer that says how far it is: a line of JSON `{"done","of"}` after each part, then `{"bytes"}` and so many bytes of the file, or
 * `{"problems"}`. Breaking the request off ends the work.
 */
export function streamed(request: Request, run: Run): Response {
  const encoder = new TextEncoder();
  const gone = new AbortController();
  request.signal.addEventListener('abort', () => gone.abort());
  const stream = new ReadableStream<Uint8Array>({
    async start(controller) {
      const line = (value: unknown) => {
        if (!gone.signal.aborted) controller.enqueue(encoder.encode(`${JSON.stringify(value)}\n`));
      };
      const made = await run(gone.signal, (done, of) => line({ done, of }));
      if (!made.ok) line({ problems: made.problems });
      else if (made.value !== null && !gone.signal.aborted) {
        line({ bytes: made.value.byteLength });
        controller.enqueue(made.value);
      }
      if (!gone.signal.aborted) controller.close();
    },
    cancel() {
      gone.abort();
    },
  });
  return new Response(stream, {
    headers: { 'content-type': 'application/octet-stream', 'x-accel-buffering': 'no' },
  });
}
