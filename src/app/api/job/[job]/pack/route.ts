import { lookLoose } from '../../../../for-programs';
import { refusedJson } from '../../../../answer';
import { readSelection } from './selection';

export const dynamic = 'force-dynamic';

interface Context {
  readonly params: Promise<{ job: string }>;
}

/**
 * The cut cards of a selection. The answer is a stream: a line of JSON `{"done","of"}` after each card, then `{"bytes"}` and so many bytes
 * of PDF, or `{"problems"}`. Breaking the request off ends the work.
 */
export async function POST(request: Request, { params }: Context): Promise<Response> {
  const { job } = await params;
  const wanted = await readSelection(request);
  if (!wanted.ok) return refusedJson(wanted.problems);
  const { tags, paper } = wanted.value;
  const encoder = new TextEncoder();
  const gone = new AbortController();
  request.signal.addEventListener('abort', () => gone.abort());
  const stream = new ReadableStream<Uint8Array>({
    async start(controller) {
      const line = (value: unknown) => {
        if (!gone.signal.aborted) controller.enqueue(encoder.encode(`${JSON.stringify(value)}\n`));
      };
      const made = await lookLoose('workPack', [job, tags, paper], {
        signal: gone.signal,
        progress: (done, of) => line({ done, of }),
      });
      if (!made.ok) line({ problems: made.problems });
      else if (made.value instanceof Uint8Array && !gone.signal.aborted) {
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
