import { look } from '@/server/gate';
import { readBody } from '../../../../body';

export const dynamic = 'force-dynamic';

interface Context {
  readonly params: Promise<{ job: string }>;
}

/** What a file would do to the schedule. */
export async function POST(request: Request, { params }: Context): Promise<Response> {
  const body = await readBody(request);
  if (!body.ok) return Response.json(body);
  return Response.json(await look('previewSchedule', [(await params).job, body.value]));
}
