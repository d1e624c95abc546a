import { act } from '@/server/gate';
import { currentActor } from '../../../../../actor';
import { readBody } from '../../../../body';

export const dynamic = 'force-dynamic';

interface Context {
  readonly params: Promise<{ job: string }>;
}

/** Takes in the file whose preview has this hash. */
export async function POST(request: Request, { params }: Context): Promise<Response> {
  const body = await readBody(request);
  if (!body.ok) return Response.json(body);
  const hash = new URL(request.url).searchParams.get('hash') ?? '';
  const { job } = await params;
  return Response.json(await act('importSchedule', [job, body.value, hash], await currentActor()));
}
