import { look } from '@/server/gate';
import { refusedJson } from '../../../../answer';

export const dynamic = 'force-dynamic';

interface Context {
  readonly params: Promise<{ job: string }>;
}

/** Ends whose plans do not stand on what is in force today. Ends when the page that asked is left. */
export async function GET(request: Request, { params }: Context): Promise<Response> {
  const lines = await look('viewMovedOn', [(await params).job], { signal: request.signal });
  return lines.ok ? Response.json(lines) : refusedJson(lines.problems);
}
