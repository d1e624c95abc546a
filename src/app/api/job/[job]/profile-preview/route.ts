import { lookLoose } from '../../../../for-programs';
import { refusedJson, statusOf } from '../../../../answer';
import { readJson } from '../../../body';

export const dynamic = 'force-dynamic';

interface Context {
  readonly params: Promise<{ job: string }>;
}

/** What another profile would change. Ends when the page that asked asks for another one, or is left. */
export async function POST(request: Request, { params }: Context): Promise<Response> {
  const body = await readJson(request);
  if (!body.ok) return refusedJson(body.problems);
  const { job } = await params;
  const seen = await lookLoose('previewProfile', [job, body.value], { signal: request.signal });
  // What a half-typed figure comes to is an answer like any other; only the server's own state is a failure.
  return seen.ok || statusOf(seen.problems) === 422 ? Response.json(seen) : refusedJson(seen.problems);
}
