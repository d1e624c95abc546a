import { look } from '@/server/gate';
import { refusedJson } from '../../../../answer';

export const dynamic = 'force-dynamic';

interface Context {
  readonly params: Promise<{ job: string }>;
}

/** Every termination of a job in one line each. */
export async function GET(_request: Request, { params }: Context): Promise<Response> {
  const rows = await look('viewSummaries', [(await params).job]);
  return rows.ok ? Response.json(rows.value) : refusedJson(rows.problems);
}
