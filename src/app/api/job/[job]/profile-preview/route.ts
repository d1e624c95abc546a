import { lookLoose } from '@/server/gate';
import { refusedJson } from '../../../../answer';
import { readJson } from '../schedule/body';

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
  return seen.ok ? Response.json(seen) : refusedJson(seen.problems);
}
