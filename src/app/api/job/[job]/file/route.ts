import { look } from '../../../../for-programs';
import { fileAnswer, refusedJson } from '../../../../answer';

export const dynamic = 'force-dynamic';

interface Context {
  readonly params: Promise<{ job: string }>;
}

/** A whole job as a file that can be taken in elsewhere. */
export async function GET(request: Request, { params }: Context): Promise<Response> {
  const { job } = await params;
  const file = await look('exportJob', [job], { signal: request.signal });
  return file.ok
    ? fileAnswer(
        `${JSON.stringify(file.value, null, 1)}\n`,
        'application/json; charset=utf-8',
        `${job}-job.json`,
      )
    : refusedJson(file.problems);
}
