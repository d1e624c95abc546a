import { workPack } from '@/server/operations/work-pack';
import { readSelection, refusal } from './selection';

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
  if (!wanted.ok) return refusal(wanted.problems);
  const encoder = new TextEncoder();
  let cancelled = false;
  request.signal.addEventListener('abort', () => {
    cancelled = true;
  });
  const stream = new ReadableStream<Uint8Array>({
    async start(controller) {
      const line = (value: unknown) => {
        if (!cancelled) controller.enqueue(encoder.encode(`${JSON.stringify(value)}\n`));
      };
      const made = await workPack(
        { job, tags: wanted.value.tags, paper: wanted.value.paper },
        new Date(),
        (done, of) => line({ done, of }),
        () => cancelled,
      );
      if (!made.ok) line({ problems: made.problems });
      else if (made.value !== null && !cancelled) {
        line({ bytes: made.value.byteLength });
        controller.enqueue(made.value);
      }
      if (!cancelled) controller.close();
    },
    cancel() {
      cancelled = true;
    },
  });
  return new Response(stream, {
    headers: {
      'content-type': 'application/octet-stream',
      'cache-control': 'no-store',
      'x-accel-buffering': 'no',
    },
  });
}
