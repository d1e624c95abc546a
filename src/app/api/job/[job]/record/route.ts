import { look } from '../../../../for-programs';
import { fileAnswer, refusedJson } from '../../../../answer';

export const dynamic = 'force-dynamic';

interface Context {
  readonly params: Promise<{ job: string }>;
}

/** The record of a job as a file that can be checked elsewhere. */
export async function GET(request: Request, { params }: Context): Promise<Response> {
  const { job } = await params;
  const file = await look('exportRecord', [job], { signal: request.signal });
  return file.ok
    ? fileAnswer(file.value, 'application/json; charset=utf-8', `${job}-record.json`)
    : refusedJson(file.problems);
}
