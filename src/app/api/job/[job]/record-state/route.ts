import { look } from '@/server/gate';
import { refusedJson } from '../../../../answer';

export const dynamic = 'force-dynamic';

interface Context {
  readonly params: Promise<{ job: string }>;
}

/** Whether the record of a job holds, audited now. */
export async function GET(request: Request, { params }: Context): Promise<Response> {
  const state = await look('viewJobRecord', [(await params).job], { signal: request.signal });
  return state.ok ? Response.json(state.value) : refusedJson(state.problems);
}
