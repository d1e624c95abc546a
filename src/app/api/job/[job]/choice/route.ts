import { look } from '@/server/gate';
import { refusedJson } from '../../../../answer';

export const dynamic = 'force-dynamic';

interface Context {
  readonly params: Promise<{ job: string }>;
}

/** What the whole-job choice has to choose from. Ends when the page that asked is left. */
export async function GET(request: Request, { params }: Context): Promise<Response> {
  const view = await look('viewJobChoice', [(await params).job], { signal: request.signal });
  return view.ok ? Response.json(view) : refusedJson(view.problems);
}
